"use client";

import { useState } from "react";
import { patternOfRow } from "@/core/parts";
import {
  comparePatterns,
  describeMeeting,
  isOnset,
  type Pattern,
  type RhythmMeeting,
  strokeTicks,
  ticksOfPattern,
} from "@/core/rhythm";
import type { StrumRow } from "@/core/song/schema";
import { SelectField } from "@/ui/SelectField";

/** Two patterns laid over one another: where they meet, where only one fills. */
export function Compare({ rows }: { rows: readonly StrumRow[] }) {
  const [a, setA] = useState(rows[0]!.id);
  const [b, setB] = useState(rows[1]!.id);
  const find = (id: string, at: number) => rows.find((row) => row.id === id) ?? rows[at]!;
  const [one, other] = [find(a, 0), find(b, 1)];
  const [first, second] = [patternOfRow(one), patternOfRow(other)];
  const met = first && second ? comparePatterns(first, second) : null;
  const options = rows.map((row) => ({ value: row.id, label: row.name }));
  return (
    <section aria-label="Two patterns together" className="mb-8">
      <h2 className="mb-2">Two patterns together</h2>
      <div className="flex flex-wrap gap-3">
        <SelectField label="One" className="w-56" value={one.id} options={options} onSet={setA} />
        <SelectField label="The other" className="w-56" value={other.id} options={options} onSet={setB} />
      </div>
      {met?.ok && first && second && (
        <>
          <Over a={first} b={second} met={met.value} names={[one.name, other.name]} />
          <p>{describeMeeting(met.value)}</p>
          <p className="text-sm">
            {met.value.shared} strokes together, {met.value.onlyA.length} only in {one.name},{" "}
            {met.value.onlyB.length} only in {other.name}.
          </p>
        </>
      )}
      {met && !met.ok && (
        <p className="mt-2 text-sm">
          {met.problem.code === "meters"
            ? "Their bars are of different length: they can’t be laid over one another."
            : "They come round together only after more than 256 bars."}
        </p>
      )}
      {!met && <p className="mt-2 text-sm">One of them can’t be read; mend it above.</p>}
    </section>
  );
}

const WIDTH = 640;
/** The longest stretch drawn, in strokes of the finer one. */
const MOST_DRAWN = 64;

function Over({
  a,
  b,
  met,
  names,
}: {
  a: Pattern;
  b: Pattern;
  met: RhythmMeeting;
  names: readonly [string, string];
}) {
  const shown = Math.min(met.ticks, Math.max(ticksOfPattern(a), ticksOfPattern(b), 3840) * 4);
  const both = new Set(met.both);
  const places = (pattern: Pattern) => {
    const length = ticksOfPattern(pattern);
    const own = strokeTicks(pattern).filter((_, at) => isOnset(pattern.strokes[at]!));
    return Array.from({ length: Math.ceil(shown / length) }, (_, round) =>
      own.map((tick) => tick + round * length),
    )
      .flat()
      .filter((tick) => tick < shown)
      .slice(0, MOST_DRAWN);
  };
  const x = (tick: number) => 8 + (tick / shown) * (WIDTH - 16);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} 70`}
      role="img"
      aria-label={`${names[0]} over ${names[1]}: ${describeMeeting(met)}`}
      className="my-2 w-full max-w-3xl"
    >
      <line x1="0" x2={WIDTH} y1="35" y2="35" className="stroke-base-content" strokeOpacity="0.35" />
      {[a, b].map((pattern, row) =>
        places(pattern).map((tick) => (
          <g key={`${row} ${tick}`}>
            <line
              x1={x(tick)}
              x2={x(tick)}
              y1="35"
              y2={row === 0 ? 14 : 56}
              className="stroke-base-content"
              strokeWidth={both.has(tick % met.ticks) ? 3 : 1.5}
            />
            <circle
              cx={x(tick)}
              cy={row === 0 ? 12 : 58}
              r="5"
              className={`stroke-base-content ${both.has(tick % met.ticks) ? "fill-primary" : "fill-base-100"}`}
            />
          </g>
        )),
      )}
    </svg>
  );
}
