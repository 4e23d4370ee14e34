"use client";

import { useMemo, useState } from "react";
import { parseChord } from "@/core/chord";
import { fitsOf } from "@/core/fretboard";
import { chordsOfRow, isOnRoots, type SectionChord, type SheetRow, scaleOfRow } from "@/core/parts";
import { beatUnitOf, ticksOfBeatUnit } from "@/core/rhythm";
import { lineNames } from "@/core/song/names";
import { neckOfRiff, notesOfRiff } from "@/core/song/read";
import type { Player, Riff } from "@/core/song/schema";
import { LineShown } from "@/ui/LineShown";
import { HearThis, scoreOfLine } from "../../hear";
import { useNames, useRows } from "../../open";
import { LineWays } from "../LineWays";
import { CopyBars } from "./CopyBars";
import { Elsewhere } from "./Elsewhere";
import { ForWhom } from "./ForWhom";
import { LineFields } from "./LineFields";
import { CantBe, LineSums } from "./LineSums";
import { Octave } from "./Octave";
import { OneHandPlan } from "./OneHandPlan";
import { OnRoots } from "./OnRoots";
import { TabGrid } from "./TabGrid";

/** Into how few steps a beat is cut for every note to stand on one. */
function gridOf(notes: readonly { readonly tick: number }[], beat: number, inThrees: boolean): number {
  const grids = inThrees ? [3, 6] : [2, 3, 4, 8];
  return grids.find((steps) => notes.every(({ tick }) => (tick * steps) % beat === 0)) ?? grids.at(-1)!;
}

/** The chord a lick was written over, under all of it; null for other lines. */
function lickChord(riff: Riff): SectionChord | null {
  const read = parseChord(riff.home ?? "");
  if (!isOnRoots(riff) || !read.ok) return null;
  return { id: riff.id, symbol: riff.home!, chord: read.value, tick: 0, ticks: riff.ticks };
}

/** One line opened: the grid, what it amounts to, what can't be, and where else it could be played. */
export function LineEditor({ riff, row, player }: { riff: Riff; row: SheetRow; player: Player }) {
  const body = useRows("version", "riffNotes");
  const { meter } = row.passage;
  const beat = ticksOfBeatUnit(beatUnitOf(meter))!;
  const { riffNotes } = body;
  const notes = useMemo(() => notesOfRiff({ riffNotes }, riff.id), [riffNotes, riff.id]);
  // The grid follows the finest note; somebody may choose another.
  const [chosen, setParts] = useState<number | null>(null);
  const parts = chosen ?? gridOf(notes, beat, meter.unit === 8);
  const neck = useMemo(() => neckOfRiff(riff), [riff]);
  const { scale } = scaleOfRow(body, row);
  const part = row.parts.find((one) => one.player.id === player.id && one.riff?.id === riff.id);
  const follow = part?.follow ?? null;
  // The chords it sounds over: in the last bars of a section those, and not the first ones.
  const begins = part?.spans[0]?.from ?? 0;
  const over = lickChord(riff);
  const chords = (over ? [over] : chordsOfRow(body, row)).flatMap((chord) =>
    over || chord.tick + chord.ticks > begins ? [{ ...chord, tick: over ? 0 : chord.tick - begins }] : [],
  );
  // It is written as it stands, and judged where it sounds.
  const sounding = { ...neck, capo: neck.capo + (follow?.by ?? 0) };
  const fits = fitsOf(notes, sounding, chords, scale);
  const names = useNames();
  const namer = names({ player, capo: riff.capo }, row.passage.shift);
  const heard = names({ player, capo: part?.cell.capo.value ?? riff.capo }, row.passage.shift);
  const { strings, nameOf } = lineNames(riff, namer);
  const line = { riff, row, player, notes, neck, namer };
  return (
    <section aria-label={riff.name}>
      <p className="mb-2">
        <HearThis what={riff.name} score={() => scoreOfLine(riff, notes, player, row.tempo)} />
      </p>
      <LineFields riff={riff} row={row} player={player} namer={namer} parts={parts} onParts={setParts} />
      {part && follow && (
        <div className="mb-3 max-w-2xl rounded-box bg-base-200 p-3">
          <p className="text-sm">The grid is the line as it was written; so it is played in {row.label}:</p>
          <LineShown riff={part.riff!} notes={part.notes} meter={meter} namer={heard} />
          <LineWays part={part} row={row} follow={follow} namer={heard} />
        </div>
      )}
      {over && <OnRoots line={line} part={part ?? null} namer={heard} />}
      <TabGrid
        riff={riff}
        notes={notes}
        fits={fits}
        meter={meter}
        step={beat / parts}
        chords={chords}
        strings={strings}
        chordName={(symbol) => namer.readSounding(symbol)}
        nameOf={nameOf}
      />
      <div className="mt-3 grid gap-4 md:grid-cols-2">
        <LineSums line={line} nameOf={nameOf} outside={notes.filter((_, at) => fits[at] === "outside")} />
        <CantBe line={line} />
      </div>
      {notes.length > 0 && (
        <>
          <Octave line={line} />
          <CopyBars line={line} />
          <Elsewhere riff={riff} notes={notes} neck={neck} player={player} row={row} />
          <ForWhom key={`for ${riff.id}`} line={line} />
          <OneHandPlan notes={notes} riff={riff} row={row} player={player} />
        </>
      )}
    </section>
  );
}
