"use client";

import { moveLine } from "@/core/fretboard";
import { setRiffNotes } from "@/core/song/edit";
import { makeId, useAct, useCurrentVersion } from "../../open";
import { plain } from "./Elsewhere";
import type { OpenLine } from "./LineSums";

const OCTAVE = 12;

/** The whole line an octave up or down, where the neck has it: on its strings, or fingered anew. */
export function Octave({ line: { riff, notes, neck } }: { line: OpenLine }) {
  const current = useCurrentVersion();
  const act = useAct();
  const ways = [OCTAVE, -OCTAVE].flatMap((by) => {
    const [way] = moveLine(notes, { from: neck, to: neck, by });
    return way && way.lost.length === 0 ? [{ by, way }] : [];
  });
  if (notes.length === 0 || ways.length === 0) return null;
  return (
    <p className="mt-3 flex flex-wrap items-center gap-2">
      {ways.map(({ by, way }) => (
        <button
          key={by}
          type="button"
          className="btn btn-sm"
          onClick={() => {
            const moved = way.notes.flatMap(({ fret, ...note }) =>
              fret === null ? [] : [plain({ ...note, fret })],
            );
            act(setRiffNotes(current(), riff.id, moved, makeId));
          }}
        >
          An octave {by > 0 ? "up" : "down"}
          {way.how === "re-fingered" && ", fingered anew"}
        </button>
      ))}
    </p>
  );
}
