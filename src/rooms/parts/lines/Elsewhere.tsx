"use client";

import { useMemo, useState } from "react";
import { describeList, type LineNeck, placings } from "@/core/fretboard";
import { type SheetRow, scaleMmOf } from "@/core/parts";
import { parseTuning } from "@/core/pitch";
import { setRiffNotes } from "@/core/song/edit";
import { hasStrings } from "@/core/song/read";
import type { Player, Riff, RiffNote } from "@/core/song/schema";
import { describeCapo } from "@/ui/pretty";
import { SelectField } from "@/ui/SelectField";
import { derive, makeId, useAct, useCurrentVersion, useDerived, useNames } from "../../open";

type Props = {
  readonly riff: Riff;
  readonly notes: readonly RiffNote[];
  readonly neck: LineNeck;
  readonly player: Player;
  readonly row: SheetRow;
};

/** Other ways to play a line at the same pitch: elsewhere on the neck, or on another player's. */
export function Elsewhere({ riff, notes, neck, player, row }: Props) {
  const current = useCurrentVersion();
  const act = useAct();
  const players = useDerived(derive.sheet).players.filter(hasStrings);
  const [toId, setTo] = useState(player.id);
  const to = players.find((one) => one.id === toId) ?? player;
  const capo = row.parts.find((part) => part.player.id === to.id)?.cell.capo.value ?? to.capo;
  const offers = useMemo(() => {
    const tuning = parseTuning(to.tuning);
    return tuning.ok
      ? placings(notes, neck, {
          neck: { tuning: tuning.value, capo },
          scaleMm: scaleMmOf(to),
          level: to.level,
        })
      : [];
  }, [notes, neck, to, capo]);
  const names = useNames()({ player: to, capo }).strings();
  const same = to.tuning.join() === riff.tuning.join() && capo === riff.capo;
  return (
    <section aria-label="The same pitch elsewhere" className="mt-6">
      <h2>The same pitch elsewhere</h2>
      <SelectField
        label="On the neck of"
        className="mt-1 w-60"
        value={to.id}
        options={players.map((one) => ({ value: one.id, label: `${one.name}, ${describeCapo(one.capo)}` }))}
        onSet={setTo}
      />
      {offers.length === 0 ? (
        <p className="mt-2">This neck can’t reach all of its notes.</p>
      ) : (
        <ol className="mt-2 flex flex-col gap-1">
          {offers.map((offer) => {
            const used = [...new Set(offer.notes.map((note) => note.string))].sort((a, b) => a - b);
            const frets = offer.notes.map((note) => note.fret).join(" ");
            const now =
              same &&
              offer.notes.every(
                (note, at) => note.string === notes[at]!.string && note.fret === notes[at]!.fret,
              );
            return (
              <li key={`${used.join()} ${frets}`} className="flex flex-wrap items-center gap-3">
                <button
                  type="button"
                  className="btn btn-sm"
                  disabled={now}
                  onClick={() =>
                    act(
                      setRiffNotes(current(), riff.id, offer.notes.map(plain), makeId, {
                        tuning: [...to.tuning],
                        capo,
                      }),
                    )
                  }
                >
                  {now ? "as it is" : "Play it there"}
                </button>
                <span>
                  {describeList(used.map((string) => names[string]!))}, frets {offer.lowestFret} to{" "}
                  {offer.highestFret}
                </span>
                <span className="text-sm">
                  effort {offer.effort.toFixed(1)}
                  {offer.travelMm > 0 && `, the hand moves ${Math.round(offer.travelMm)} mm`}
                </span>
                <span className="font-mono text-sm">
                  {frets.length > 60 ? `${frets.slice(0, 60)}…` : frets}
                </span>
              </li>
            );
          })}
        </ol>
      )}
    </section>
  );
}

/** A note without its row. */
export function plain(note: Omit<RiffNote, "id" | "riffId">): Omit<RiffNote, "id" | "riffId"> {
  const { id: _id, riffId: _riffId, ...own } = note as RiffNote;
  return own;
}
