"use client";

import { followWays } from "@/core/parts";
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
    const way = followWays(notes, neck, neck, by).find(({ how, lost }) => how !== "capo" && lost === 0);
    return way ? [{ by, way }] : [];
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
            act(setRiffNotes(current(), riff.id, way.notes.map(plain), makeId));
          }}
        >
          An octave {by > 0 ? "up" : "down"}
          {way.how === "re-fingered" && ", fingered anew"}
        </button>
      ))}
    </p>
  );
}
