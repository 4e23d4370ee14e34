"use client";

import { useState } from "react";
import { parseChord } from "@/core/chord";
import {
  BASS_WAYS,
  type BassWay,
  bassLine,
  cellOverShapes,
  followChords,
  type TabNote,
} from "@/core/fretboard";
import {
  chordsOfRow,
  handOf,
  requestKey,
  type SheetRow,
  scaleMmOf,
  scaleOfRow,
  shapesOfPlan,
} from "@/core/parts";
import { parseTuning } from "@/core/pitch";
import { beatUnitOf, ticksOfBeatUnit } from "@/core/rhythm";
import { addRiff } from "@/core/song/edit";
import { notesOfRiff } from "@/core/song/read";
import type { Player, Riff } from "@/core/song/schema";
import { useEngine } from "@/engines/window";
import { pretty } from "@/ui/pretty";
import { SelectField } from "@/ui/SelectField";
import { Tick } from "@/ui/Tick";
import { namesOfStrings } from "@/ui/voicing-words";
import { derive, makeId, useAct, useCurrentVersion, useDerived, useRows } from "../../open";
import { plain } from "./Elsewhere";

const BASS_WORDS: Readonly<Record<BassWay, string>> = {
  roots: "roots",
  "root and fifth": "root and fifth by turns",
  walk: "a walk to the next chord",
  octave: "root and octave by turns",
};

type Props = {
  readonly row: SheetRow;
  readonly player: Player;
  readonly riff: Riff | null;
  readonly onMade: (id: string) => void;
};

/** Lines drawn up from the chords of a section: a bass line, a lick set on each root, a picking cell on moving shapes. */
export function MakeLine({ row, player, riff, onMade }: Props) {
  const body = useRows("version", "riffNotes");
  const current = useCurrentVersion();
  const act = useAct();
  const [way, setWay] = useState<BassWay>("roots");
  const [approach, setApproach] = useState(false);
  const [home, setHome] = useState("");
  const [cell, setCell] = useState("");
  const [said, setSaid] = useState("");
  const chords = chordsOfRow(body, row);
  const part = row.parts.find((one) => one.player.id === player.id)!;
  const capo = part.cell.capo.value;
  const beat = ticksOfBeatUnit(beatUnitOf(row.passage.meter))!;
  const tuning = parseTuning(player.tuning);
  const { data: plan } = useEngine(
    "shape-plan",
    useDerived((song) => derive.planOf(song, player)),
  );
  if (!tuning.ok || chords.length === 0) return null;
  const options = { neck: { tuning: tuning.value, capo }, scaleMm: scaleMmOf(player), level: player.level };
  const symbols = [...new Set(chords.map((chord) => chord.symbol))];
  const over = symbols.includes(home) ? home : (symbols[0] ?? "");
  const names = namesOfStrings(player.tuning);
  const make = (name: string, notes: readonly TabNote[], more: Partial<Riff> = {}) => {
    if (notes.length === 0) {
      setSaid("That gave no notes: nothing was added.");
      return;
    }
    const id = makeId();
    act(
      addRiff(
        current(),
        derive.cellIndex(current()),
        {
          id,
          name,
          tuning: [...player.tuning],
          capo,
          ticks: row.passage.ticks,
          way: "as written",
          home: null,
          approach: false,
          ...more,
        },
        notes.map(plain),
        part.out ? [] : [{ useId: row.use.id, playerId: player.id }],
        makeId,
      ),
    );
    setSaid(`Wrote “${name}”.`);
    onMade(id);
  };
  const drawBass = () => {
    const line = bassLine(chords, way, beat, scaleOfRow(body, row).scale, options);
    if (line) make(`${BASS_WORDS[way]}, ${row.label}`.slice(0, 80), line);
    else setSaid("This neck has no place for all of that line. Nothing was added.");
  };
  const drawFollowed = () => {
    const read = parseChord(over);
    if (!riff || !read.ok) return;
    const notes = notesOfRiff(body, riff.id);
    const { notes: made, left } = followChords({ notes, ticks: riff.ticks, home: read.value }, chords, {
      ...options,
      ...(approach ? { approachTicks: Math.round(beat / 2) } : {}),
    });
    make(`${riff.name} on each chord`.slice(0, 80), made, {
      way: "follows the chords",
      home: over,
      approach,
    });
    if (left.length > 0)
      setSaid(
        `It has no place on this neck for ${[...new Set(left.map((at) => chords[at]!.symbol))].map(pretty).join(", ")}; those are left empty.`,
      );
  };
  const drawCell = () => {
    const order = cell
      .split(/[\s,]+/u)
      .filter((one) => one !== "")
      .map(Number);
    if (order.length === 0 || order.some((one) => !Number.isInteger(one) || one < 1 || one > names.length)) {
      setSaid(
        `Write string numbers from 1 (${names[0]}, nearest the face) to ${names.length}, such as 2 4 5 4.`,
      );
      return;
    }
    const shapes = plan && shapesOfPlan(plan);
    const held = chords.flatMap((chord) => {
      const frets = shapes?.get(requestKey({ ...handOf(player, part.cell), symbol: chord.symbol }))?.frets;
      return frets ? [{ tick: chord.tick, ticks: chord.ticks, frets }] : [];
    });
    const each = Math.round(beat / 2);
    const strokes = order.map((string, at) => ({ tick: at * each, ticks: each, string: string - 1 }));
    make(
      `picking over shapes, ${row.label}`.slice(0, 80),
      cellOverShapes({ strokes, ticks: order.length * each }, held),
    );
  };
  return (
    <section aria-label="Drawn up from the chords" className="mt-8 rounded-box bg-base-200 p-4">
      <h2>Drawn up from the chords of {row.label}</h2>
      <p className="text-sm">As a start; each becomes a line of {player.name}’s that can be changed.</p>
      <div className="mt-3 flex flex-wrap items-end gap-3">
        <SelectField
          label="Bass line"
          className="w-60"
          value={way}
          options={BASS_WAYS.map((value) => ({ value, label: BASS_WORDS[value] }))}
          onSet={(value) => setWay(value)}
        />
        <button type="button" className="btn btn-sm" onClick={drawBass}>
          Draw up the bass line
        </button>
      </div>
      {riff && (
        <div className="mt-3 flex flex-wrap items-end gap-3">
          <SelectField
            label={`${riff.name} is written over`}
            className="w-44"
            value={over}
            options={symbols.map((symbol) => ({ value: symbol, label: pretty(symbol) }))}
            onSet={setHome}
          />
          <Tick label="led into from one fret below" on={approach} onSet={setApproach} />
          <button type="button" className="btn btn-sm" onClick={drawFollowed}>
            Set it on each chord’s root
          </button>
        </div>
      )}
      <form
        className="mt-3 flex flex-wrap items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          drawCell();
        }}
      >
        <label className="flex flex-col gap-1 text-sm">
          Picking cell: strings in order, 1 nearest the face
          <input
            className="input input-sm w-60"
            value={cell}
            placeholder="2 4 5 4"
            onChange={(event) => setCell(event.target.value)}
          />
        </label>
        <button type="submit" className="btn btn-sm" disabled={!plan}>
          Pick it over the shapes
        </button>
      </form>
      <p role="status" className="mt-2 text-sm font-bold">
        {said}
      </p>
    </section>
  );
}
