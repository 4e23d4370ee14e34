"use client";

import { useRef, useState } from "react";
import type { Want } from "@/core/loops";
import { SelectField } from "@/ui/SelectField";
import { Toggles } from "@/ui/Toggles";
import type { Loops } from "../use-loops";
import { STEPS, type Step } from "./strand-units";
import { type Picked, UseBlock } from "./UseBlock";
import { useStrandDrag } from "./use-strand-drag";
import { useStrandKeys } from "./use-strand-keys";
import { type StrandPlace, useStrands } from "./use-strands";

const TOOLS: readonly { readonly value: Want; readonly key: string; readonly label: string }[] = [
  { value: "on", key: "d", label: "Draw" },
  { value: "off", key: "c", label: "Cut" },
  { value: "either", key: "l", label: "Leave loose" },
];

/** What is wanted, along the words: a strand for each layer, drawn, cut or left loose. */
export function Wanted({ loops }: { loops: Loops }) {
  const [step, setStep] = useState<Step>("bar");
  const [tool, setTool] = useState<Want>("on");
  const [place, setPlace] = useState<StrandPlace | null>(null);
  const strands = useStrands(loops, step);
  const { layers, spans, rows, full, blocks, stroke, follow, isOwn } = strands;
  const box = useRef<HTMLDivElement>(null);
  const onKey = useStrandKeys(strands, box, place, setPlace, tool);
  const { onDown, onEnter } = useStrandDrag(setPlace, () => place && stroke(place, tool));
  return (
    <section aria-labelledby="wanted-title">
      <h2 id="wanted-title">What is wanted</h2>
      <p className="mb-2 max-w-3xl text-sm">
        A strand for each layer along the words. Drag over it, or move with the arrows and press{" "}
        <kbd className="font-mono">d</kbd> to draw, <kbd className="font-mono">c</kbd> to cut,{" "}
        <kbd className="font-mono">l</kbd> to leave loose: then the plan may play it or not, as suits the
        feet. A drag over several strands draws them together; Shift and arrows take more,{" "}
        <kbd className="font-mono">a</kbd> the whole section.
      </p>
      <div className="mb-4 flex flex-wrap items-end gap-4">
        <Toggles label="A drag will" value={tool} options={TOOLS} onSet={setTool} />
        <SelectField
          label="One step is a"
          value={step}
          options={STEPS.map((one) => ({ value: one, label: one }))}
          onSet={(value) => {
            setPlace(null);
            setStep(value as Step);
          }}
        />
        <Legend />
      </div>
      {/* biome-ignore lint/a11y/noStaticElementInteractions: keys of the buttons inside */}
      <div ref={box} onKeyDown={onKey} className="select-none">
        {spans.map((span, use) => {
          const picked: Picked | null =
            place?.use === use
              ? {
                  first: Math.min(place.anchor, place.layer),
                  last: Math.max(place.anchor, place.layer),
                  layer: place.layer,
                  from: Math.min(place.from, place.to),
                  to: Math.max(place.from, place.to),
                  at: place.to,
                }
              : null;
          return (
            <div
              key={span.use.id}
              data-use={span.use.id}
              style={{
                contentVisibility: "auto",
                containIntrinsicSize: `auto ${40 + rows[use]!.length * (46 + layers.length * 28)}px`,
              }}
            >
              <UseBlock
                span={span}
                rows={rows[use]!}
                layers={layers}
                index={use}
                wants={blocks[use]!.wants}
                played={blocks[use]!.played}
                picked={picked}
                home={use === 0 && place === null}
                full={full}
                onDown={onDown}
                onEnter={onEnter}
                onFollow={isOwn(span.use.id, span.use.sectionId) ? follow : null}
              />
            </div>
          );
        })}
      </div>
    </section>
  );
}

function Legend() {
  return (
    <p className="flex flex-wrap items-center gap-x-4 text-sm" aria-hidden="true">
      <span className="flex items-center gap-1">
        <span className="inline-block h-1.5 w-8 bg-primary" /> the plan plays it
      </span>
      <span className="flex items-center gap-1">
        <span className="inline-block h-1.5 w-8 border-2 border-error" /> not as wanted
      </span>
    </p>
  );
}
