"use client";

import { useState } from "react";
import {
  type Anchor,
  beatsOfTicks,
  countBeats,
  type FittedStroke,
  fitPattern,
  formatStrokes,
  type Pattern,
  ticksOfPattern,
} from "@/core/rhythm";
import { versionRow } from "@/core/song/read";
import { SelectField } from "@/ui/SelectField";
import { derive, useDerived, useNames, useRows } from "../../open";

const MOST_SHOWN = 16;

/** What is struck under one chord, a sign each subdivision; longer stretches of ringing are left to ring. */
function strokesUnder(
  own: readonly FittedStroke[],
  chord: { readonly tick: number; readonly ticks: number },
  each: number,
): string {
  if (own.length === 0) return "rings on";
  const signs = Array.from({ length: Math.max(1, Math.round(chord.ticks / each)) }, () => ".");
  for (const { tick, stroke } of own)
    signs[Math.min(signs.length - 1, Math.round((tick - chord.tick) / each))] = formatStrokes([stroke]);
  return signs.join(" ");
}

/** How a pattern lies under the chords of a section: cut, or repeated, at beats. */
export function FittedChords({ pattern, anchor }: { pattern: Pattern; anchor: Anchor }) {
  const body = useRows("version");
  const version = versionRow(body);
  const names = useNames();
  const { rows } = useDerived(derive.sheet);
  const [useId, setUse] = useState("");
  const row = rows.find((one) => one.use.id === useId) ?? rows[0];
  if (!row) return null;
  const namer = names(null, row.passage.shift);
  const chords = row.passage.lines.flatMap((line) =>
    line.outline.chords.map(({ chord }, at) => ({
      id: `${chord.id} ${at}`,
      name: namer.chord(chord.symbol),
      tick: line.events[at]!.tick - row.passage.tick,
      ticks: line.events[at]!.ticks,
    })),
  );
  const fitted = fitPattern(pattern, chords, anchor);
  const each = ticksOfPattern(pattern) / pattern.strokes.length;
  return (
    <section aria-label="Under the chords" className="mt-4">
      <SelectField
        label="How it lies under"
        className="w-52"
        value={row.use.id}
        options={rows.map((one) => ({ value: one.use.id, label: one.label }))}
        onSet={setUse}
      />
      <ol className="mt-2 flex flex-wrap gap-x-5 gap-y-2">
        {chords.slice(0, MOST_SHOWN).map((chord) => {
          const own = fitted.filter(({ tick }) => tick >= chord.tick && tick < chord.tick + chord.ticks);
          return (
            <li key={chord.id} className="text-sm">
              <strong className="font-mono">{chord.name}</strong>,{" "}
              {countBeats(beatsOfTicks(chord.ticks, version.beatUnit))}:{" "}
              <span className="font-mono">{strokesUnder(own, chord, each)}</span>
            </li>
          );
        })}
        {chords.length > MOST_SHOWN && (
          <li className="text-sm">and {chords.length - MOST_SHOWN} more chords</li>
        )}
      </ol>
    </section>
  );
}
