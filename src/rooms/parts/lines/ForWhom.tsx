"use client";

import { useMemo, useState } from "react";
import { describeList } from "@/core/fretboard";
import { type LineFor, lineFor } from "@/core/parts";
import { addRiff } from "@/core/song/edit";
import type { RiffNote } from "@/core/song/schema";
import { derive, makeId, useAct, useCurrentVersion, useDerived, useNames } from "../../open";
import { plain } from "./Elsewhere";
import type { OpenLine } from "./LineSums";
import { newLine } from "./new-line";

/** So many are told. */
const MOST = 6;
const OCTAVE_WORDS: Readonly<Record<number, string>> = {
  0: "as it sounds",
  12: "an octave up",
  "-12": "an octave down",
};

/** A line for each player who has strings, in three octaves, by whose hand has it easiest: given to them in one press. */
export function ForWhom({ line: { riff, row, player, notes, neck } }: { line: OpenLine }) {
  const { players } = useDerived(derive.sheet);
  const current = useCurrentVersion();
  const act = useAct();
  const names = useNames();
  const [said, setSaid] = useState("");
  const found = useMemo(() => {
    const capoOf = (id: string) => row.parts.find((part) => part.player.id === id)?.cell.capo.value;
    const isAsItIs = ({ player: to, by }: LineFor) => to.id === player.id && by === 0;
    return lineFor(notes, neck, players, ({ id, capo }) => capoOf(id) ?? capo).filter(
      (one) => !isAsItIs(one),
    );
  }, [notes, neck, players, row, player]);
  if (found.length === 0) return null;
  const give = ({ player: to, capo, by, notes: placed }: LineFor) => {
    const name = `${riff.name}, ${to.name}`.slice(0, 80);
    const { ticks, strokes, way, home, approach } = riff;
    const own = { name, tuning: [...to.tuning], capo, ticks };
    const fresh = newLine(current(), row, own, { strokes, way, home, approach });
    // The hand that plays it now has fingers of its own.
    const bare = placed.map((note) => ({ ...plain(note as RiffNote), finger: null }));
    const part = row.parts.find((one) => one.player.id === to.id);
    const places = part && !part.out ? [{ useId: row.use.id, playerId: to.id }] : [];
    act(addRiff(current(), derive.cellIndex(current()), fresh, bare, places, makeId));
    const where = places.length > 0 ? ` in ${row.label}` : `; in ${row.label} ${to.name} stays out`;
    setSaid(`${to.name} has “${name}”, ${OCTAVE_WORDS[by]}${where}.`);
  };
  return (
    <section aria-label="For somebody else" className="mt-6">
      <h2>For somebody else, or another octave</h2>
      <p className="text-sm">Fingered by each hand, the easiest first; a copy, so that this one stays.</p>
      <ol className="mt-2 flex flex-col gap-1">
        {found.slice(0, MOST).map((one) => {
          const strings = names({ player: one.player, capo: one.capo }).strings();
          const used = [...new Set(one.notes.map(({ string }) => string))].sort((a, b) => a - b);
          const frets = one.notes.map(({ fret }) => fret);
          return (
            <li key={`${one.player.id} ${one.by}`} className="flex flex-wrap items-center gap-3">
              <button type="button" className="btn btn-sm" onClick={() => give(one)}>
                Give it to {one.player.name}, {OCTAVE_WORDS[one.by]}
              </button>
              <span>
                {describeList(used.map((string) => strings[string]!))}, frets {Math.min(...frets)} to{" "}
                {Math.max(...frets)}
              </span>
              <span className="text-sm">effort {one.effort.toFixed(1)}</span>
            </li>
          );
        })}
      </ol>
      <p role="status" className="text-sm font-bold">
        {said}
      </p>
    </section>
  );
}
