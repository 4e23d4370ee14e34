"use client";

import { drawnRow, paceOfPattern } from "@/core/rhythm";
import type { StrumRow } from "@/core/song/schema";
import { StrumRow as StrumPicture } from "@/ui/StrumRow";
import { FittedChords } from "./FittedChords";
import { GateRow } from "./GateRow";
import { PatternEntry } from "./PatternEntry";
import { PatternSettings } from "./PatternSettings";
import { usePattern } from "./use-pattern";

/** One pattern of the song: typed, spoken, counted or tapped, and how it lies under the chords. */
export function PatternEditor({ row }: { row: StrumRow }) {
  const edited = usePattern(row);
  const { pattern, tempo, problemOf } = edited;
  const pace = pattern && paceOfPattern(pattern, tempo, "fluent");
  return (
    <section aria-label={`Change ${row.name}`} className="mt-4 rounded-box bg-base-200 p-4">
      <PatternSettings edited={edited} />
      <PatternEntry edited={edited} />
      {pattern ? (
        <StrumPicture row={drawnRow(pattern)} className="mt-3" />
      ) : (
        <p role="alert" className="mt-3 text-sm text-error">
          {problemOf({})}
        </p>
      )}
      {pace && (
        <p className="text-sm">
          At the song’s tempo the hand swings {pace.swingsASecond.toFixed(1)} times a second
          {pace.tooFast ? `: too fast even for a fluent hand (${pace.most}).` : "."}
          {pace.alternateHelps && " Down and up by turns would do."}
        </p>
      )}
      {pattern && <GateRow edited={edited} pattern={pattern} />}
      {pattern && <FittedChords pattern={pattern} anchor={row.anchor} />}
    </section>
  );
}
