"use client";

import { memo } from "react";
import { type UseWant, wantAt } from "@/core/loops";
import type { UseSpan } from "@/core/song/read";
import type { LoopLayerRow } from "@/core/song/schema";
import { SectionTag } from "@/ui/SectionTag";
import { WANT_WORDS } from "../loop-words";
import { Strand } from "./Strand";
import type { Unit } from "./strand-units";

/** What the plan lets sound, and where that is wrong, by layer: ticks from the start of the use. */
export type PlayedSpan = {
  readonly from: number;
  readonly to: number;
  readonly sounds: boolean;
  readonly wrong: boolean;
};

/** A selection within one use: strands, and units from one to another. */
export type Picked = {
  /** The strands it covers, and the one the focus is in. */
  readonly first: number;
  readonly last: number;
  readonly layer: number;
  readonly from: number;
  readonly to: number;
  readonly at: number;
};

type Props = {
  readonly index: number;
  readonly span: UseSpan;
  readonly rows: readonly (readonly Unit[])[];
  readonly layers: readonly LoopLayerRow[];
  readonly wants: readonly UseWant[];
  readonly played: readonly (readonly PlayedSpan[])[];
  readonly picked: Picked | null;
  /** The one place of all that Tab comes to, when it is here. */
  readonly home: boolean;
  /** Ticks of a full row. */
  readonly full: number;
  readonly onDown: (use: number, layer: number, unit: number) => void;
  readonly onEnter: (use: number, layer: number, unit: number) => void;
  readonly onFollow: ((useId: string) => void) | null;
};

/** One use of a section: its words bar by bar, a strand of rope for each layer below them. */
export const UseBlock = memo(function UseBlock({
  index: use,
  span,
  rows,
  layers,
  wants,
  played,
  picked,
  home,
  full,
  onDown,
  onEnter,
  onFollow,
}: Props) {
  let first = 0;
  return (
    <section aria-label={span.label} className="mb-6">
      <h3 className="mb-1 flex flex-wrap items-center gap-3">
        <SectionTag label={span.label} kind={span.passages[0]!.section.kind} />
        {onFollow && (
          <button type="button" className="link text-sm font-normal" onClick={() => onFollow(span.use.id)}>
            want again what the first {span.passages[0]!.section.label} wants
          </button>
        )}
      </h3>
      {rows.map((units, index) => {
        const start = first;
        first += units.length;
        return (
          <div
            key={units[0]!.from}
            className="mb-3 grid grid-cols-[7.5rem_1fr] items-stretch max-sm:grid-cols-[5rem_1fr]"
          >
            <span className="text-xs text-base-content/80">{index === 0 ? "" : "…"}</span>
            <div className="flex min-w-0" aria-hidden="true">
              {units.map((unit) => (
                <span
                  key={unit.from}
                  className="min-w-0 basis-0 self-end overflow-hidden border-l-2 border-base-content/60 px-1 text-sm leading-tight"
                  style={{ flexGrow: unit.to - unit.from }}
                  title={unit.words || unit.chords || unit.label}
                >
                  {unit.words || (unit.chords ? <span className="font-mono">{unit.chords}</span> : "·")}
                </span>
              ))}
              <Rest units={units} full={full} />
            </div>
            {layers.map((layer, at) => (
              <StrandRow
                key={layer.id}
                layer={layer}
                label={span.label}
                units={units}
                start={start}
                want={wants[at]!}
                played={played[at]!}
                picked={picked && at >= picked.first && at <= picked.last ? picked : null}
                home={home && at === 0 && index === 0 && picked === null}
                full={full}
                use={use}
                at={at}
                onDown={onDown}
                onEnter={onEnter}
              />
            ))}
          </div>
        );
      })}
    </section>
  );
});

/** A strand drawn anew only when something of it changes: a song may have thousands of places. */
const StrandRow = memo(function StrandRow({
  use,
  at: row,
  layer,
  label,
  units,
  start,
  want,
  played,
  picked,
  home,
  full,
  onDown,
  onEnter,
}: {
  use: number;
  at: number;
  layer: LoopLayerRow;
  label: string;
  units: readonly Unit[];
  start: number;
  want: UseWant;
  played: readonly PlayedSpan[];
  picked: Picked | null;
  home: boolean;
  full: number;
  onDown: Props["onDown"];
  onEnter: Props["onEnter"];
}) {
  return (
    <>
      <span className="truncate pr-2 text-right text-sm leading-7" title={layer.name}>
        {layer.name}
      </span>
      <div className="flex min-w-0 touch-pan-y">
        {units.map((unit, offset) => {
          const at = start + offset;
          const isIn = picked !== null && at >= picked.from && at <= picked.to;
          const isAt = picked?.layer === row && picked.at === at;
          const here = played.filter((one) => one.to > unit.from && one.from < unit.to);
          const sounds = here.some((one) => one.sounds);
          const wrong = here.find((one) => one.wrong);
          const said = WANT_WORDS[wantAt(want.spans, unit.from)];
          const plan =
            here.length === 0
              ? ""
              : `; the plan ${sounds ? "plays it" : "is silent"}${wrong ? ", wrongly" : ""}`;
          return (
            <button
              key={unit.from}
              type="button"
              data-strand={`${layer.id} ${unit.from}`}
              data-unit={at}
              data-here={isAt || undefined}
              aria-pressed={isIn}
              aria-label={`${layer.name}, ${label}, ${unit.label}: ${said}${want.row ? "" : " as the first time"}${plan}`}
              tabIndex={isAt || (home && offset === 0) ? 0 : -1}
              className={`relative h-7 min-w-0 basis-0 border-l border-base-content/25 ${isIn ? "bg-primary/35" : "hover:bg-base-200"} ${isAt ? "outline-2 outline-base-content" : ""}`}
              style={{ flexGrow: unit.to - unit.from }}
              onPointerDown={(event) => {
                if (event.button !== 0) return;
                event.currentTarget.releasePointerCapture?.(event.pointerId);
                onDown(use, row, at);
              }}
              onPointerEnter={(event) => event.buttons === 1 && onEnter(use, row, at)}
            >
              <Strand spans={want.spans} from={unit.from} to={unit.to} />
              <Played spans={here} unit={unit} />
              {wrong && (
                <span className="pointer-events-none absolute top-0 right-0.5 bg-base-100 px-0.5 text-xs leading-none font-bold text-error">
                  {sounds ? "plays" : "silent"}
                </span>
              )}
            </button>
          );
        })}
        <Rest units={units} full={full} />
      </div>
    </>
  );
});

/** What the plan makes of a unit: a line where it plays, a frame where that is not what is wanted. */
function Played({ spans, unit }: { spans: readonly PlayedSpan[]; unit: Unit }) {
  return spans.map((one) => {
    const [from, to] = [Math.max(one.from, unit.from), Math.min(one.to, unit.to)];
    const size = {
      left: `${((from - unit.from) / (unit.to - unit.from)) * 100}%`,
      width: `${((to - from) / (unit.to - unit.from)) * 100}%`,
    };
    return (
      (one.sounds || one.wrong) && (
        <span
          key={one.from}
          className={`pointer-events-none absolute bottom-0 block h-1.5 ${one.sounds ? "bg-primary" : ""} ${one.wrong ? "border-2 border-error" : ""}`}
          style={size}
        />
      )
    );
  });
}

/** Keeps bars of a short row as wide as those of a full one. */
function Rest({ units, full }: { units: readonly Unit[]; full: number }) {
  const rest = full - (units.at(-1)!.to - units[0]!.from);
  return rest > 0 ? <span className="min-w-0 basis-0" style={{ flexGrow: rest }} /> : null;
}
