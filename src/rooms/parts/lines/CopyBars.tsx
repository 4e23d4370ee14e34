"use client";

import { useState } from "react";
import { copyBars, describeCopyProblem } from "@/core/fretboard";
import { ticksOfBar } from "@/core/rhythm";
import { setRiffNotes } from "@/core/song/edit";
import { NumberField } from "@/ui/NumberField";
import { makeId, useAct, useCurrentVersion } from "../../open";
import { plain } from "./Elsewhere";
import type { OpenLine } from "./LineSums";

/** Bars of a line again somewhere else, as they are or as a shape farther up: a cell on a shape that moves. */
export function CopyBars({ line: { riff, row, notes } }: { line: OpenLine }) {
  const current = useCurrentVersion();
  const act = useAct();
  const bar = ticksOfBar(row.passage.meter);
  const count = Math.max(1, Math.ceil(riff.ticks / bar));
  const [from, setFrom] = useState(1);
  const [bars, setBars] = useState(1);
  const [to, setTo] = useState<number | null>(null);
  const [frets, setFrets] = useState(0);
  const [said, setSaid] = useState("");
  const target = to ?? count + 1;
  const copy = () => {
    const copied = copyBars(notes, bar, riff.ticks, { from: from - 1, bars, to: target - 1, frets });
    setSaid(copied.ok ? "" : describeCopyProblem(copied.problem));
    if (!copied.ok) return;
    const { ticks } = copied.value;
    act(setRiffNotes(current(), riff.id, copied.value.notes.map(plain), makeId, { ticks }));
    setTo(null);
  };
  return (
    <section aria-label="Bars again" className="mt-4">
      <h2 className="mb-1">Bars again</h2>
      <div className="flex flex-wrap items-end gap-3">
        <NumberField label="From bar" value={from} least={1} most={count} onSet={setFrom} />
        <NumberField label="So many" value={bars} least={1} most={count} onSet={setBars} />
        <NumberField label="To bar" value={target} least={1} most={64} onSet={setTo} />
        <NumberField label="Frets up" value={frets} least={-12} most={12} onSet={setFrets} />
        <button type="button" className="btn btn-sm" onClick={copy}>
          Put them there
        </button>
      </div>
      <p className="mt-1 text-sm">What stands there goes; open strings stay open when the shape goes up.</p>
      {said !== "" && (
        <p role="alert" className="text-sm text-error">
          {said}
        </p>
      )}
    </section>
  );
}
