"use client";

import { useState } from "react";
import { parseChord } from "@/core/chord";
import {
  type BassWay,
  bassLine,
  type ChordLineKind,
  cellOverShapes,
  chordLine,
  followChords,
  type LineTone,
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
import { beatUnitOf, ticksOfBar, ticksOfBeatUnit } from "@/core/rhythm";
import { addRiff } from "@/core/song/edit";
import { neckOfRiff, notesOfRiff } from "@/core/song/read";
import type { Player, Riff } from "@/core/song/schema";
import { useEngine } from "@/engines/window";
import { derive, makeId, useAct, useCurrentVersion, useDerived, useNames, useRows } from "../../open";
import { plain } from "./Elsewhere";
import { newLine } from "./new-line";
import { useBandBeside } from "./use-band-beside";

export const BASS_WORDS: Readonly<Record<BassWay, string>> = {
  roots: "roots",
  "root and fifth": "root and fifth by turns",
  walk: "a walk to the next chord",
  octave: "root and octave by turns",
};

/** When a note of a line is struck anew. */
export const STRUCK = ["once a chord", "every bar", "every beat"] as const;
export type Struck = (typeof STRUCK)[number];

export type MakeLineProps = {
  readonly row: SheetRow;
  readonly player: Player;
  readonly riff: Riff | null;
  readonly onMade: (id: string) => void;
};

/** Draws lines up from the chords of a section; null where it has no chords or the tuning can't be read. */
export function useMakeLine({ row, player, riff, onMade }: MakeLineProps) {
  const body = useRows("version", "riffNotes");
  const current = useCurrentVersion();
  const act = useAct();
  const [said, setSaid] = useState("");
  const namesAt = useNames();
  const chords = chordsOfRow(body, row);
  const part = row.parts.find((one) => one.player.id === player.id)!;
  const capo = part.cell.capo.value;
  const namer = namesAt({ player, capo }, row.passage.shift);
  const beat = ticksOfBeatUnit(beatUnitOf(row.passage.meter))!;
  const tuning = parseTuning(player.tuning);
  const { data: plan } = useEngine(
    "shape-plan",
    useDerived((song) => derive.planOf(song, player)),
  );
  const beside = useBandBeside(
    row.use.id,
    chords.map(({ id }) => id),
    player.id,
  );
  if (!tuning.ok || chords.length === 0) return null;
  const options = { neck: { tuning: tuning.value, capo }, scaleMm: scaleMmOf(player), level: player.level };
  const symbols = [...new Set(chords.map((chord) => chord.symbol))];
  const names = namer.strings();
  const make = (name: string, notes: readonly TabNote[], more: Partial<Riff> = {}) => {
    if (notes.length === 0) {
      setSaid("That gave no notes: nothing was added.");
      return;
    }
    const own = { name, tuning: [...player.tuning], capo, ticks: row.passage.ticks };
    const fresh = newLine(current(), row, own, more);
    const places = part.out ? [] : [{ useId: row.use.id, playerId: player.id }];
    act(addRiff(current(), derive.cellIndex(current()), fresh, notes.map(plain), places, makeId));
    setSaid(`Wrote “${name}”.`);
    onMade(fresh.id);
  };
  const drawBass = (way: BassWay) => {
    const line = bassLine(chords, way, beat, scaleOfRow(body, row).scale, options);
    if (line) make(`${BASS_WORDS[way]}, ${row.label}`.slice(0, 80), line);
    else setSaid("This neck has no place for all of that line. Nothing was added.");
  };
  /** A line on the changes; how its tones follow each other is told. */
  const drawLine = (kind: ChordLineKind, when: Struck) => {
    const { fret, strings } = part.cell;
    const each = when === "once a chord" ? null : when === "every bar" ? ticksOfBar(row.passage.meter) : beat;
    const line = chordLine(chords, kind, {
      ...options,
      about: fret.value,
      each,
      ...(strings.value ? { strings: strings.value } : {}),
      ...(beside ? { beside } : {}),
    });
    if (!line) {
      setSaid(`These strings have no place for ${kind} on every chord. Nothing was added.`);
      return;
    }
    make(`${kind}, ${row.label}`.slice(0, 80), line.notes);
    setSaid(`Wrote “${kind}, ${row.label}”: ${tellTones(line.tones)}.`);
  };
  /** A lick stays one: it is set on the chords wherever it is played, whatever becomes of them. */
  const drawFollowed = (over: string, approach: boolean) => {
    const read = parseChord(over);
    if (!riff || !read.ok) return;
    const notes = notesOfRiff(body, riff.id);
    const lick = { notes, ticks: riff.ticks, home: read.value, neck: neckOfRiff(riff) };
    const { notes: set, left } = followChords(lick, chords, options);
    const own = { tuning: riff.tuning, capo: riff.capo, ticks: riff.ticks, strokes: riff.strokes };
    const way = { way: "on each root" as const, home: over, approach };
    make(`${riff.name} on each chord`.slice(0, 80), set.length > 0 ? notes : [], { ...own, ...way });
    if (left.length > 0)
      setSaid(
        `It has no place on this neck for ${[...new Set(left.map((at) => chords[at]!.symbol))].map((symbol) => namer.readSounding(symbol)).join(", ")}; those are left empty.`,
      );
  };
  const drawCell = (cell: string) => {
    const order = readOrder(cell, names.length);
    if (!order) {
      setSaid(
        `Write string numbers from 1 (${names.at(-1)}) to ${names.length} (${names[0]}), such as 5 3 2 3.`,
      );
      return;
    }
    const shapes = plan && shapesOfPlan(plan);
    const held = chords.flatMap((chord) => {
      const frets = shapes?.get(requestKey({ ...handOf(player, part.cell), symbol: chord.symbol }))?.frets;
      return frets ? [{ tick: chord.tick, ticks: chord.ticks, frets }] : [];
    });
    const each = Math.round(beat / 2);
    const strokes = order.map((string, at) => ({
      tick: at * each,
      ticks: each,
      string: names.length - string,
    }));
    make(
      `picking over shapes, ${row.label}`.slice(0, 80),
      cellOverShapes({ strokes, ticks: order.length * each }, held),
    );
  };
  const chordName = (symbol: string) => namer.readSounding(symbol);
  return {
    symbols,
    chordName,
    said,
    hasPlan: plan !== undefined,
    drawBass,
    drawLine,
    drawFollowed,
    drawCell,
  };
}

/** Tones in their order, runs of one told once. @example "root, third × 2, fifth" */
function tellTones(tones: readonly (LineTone | null)[]): string {
  const runs: { tone: LineTone; times: number }[] = [];
  for (const tone of tones) {
    const last = runs.at(-1);
    if (tone !== null && last?.tone === tone) last.times++;
    else if (tone !== null) runs.push({ tone, times: 1 });
  }
  return runs.map(({ tone, times }) => (times === 1 ? tone : `${tone} × ${times}`)).join(", ");
}

/** String numbers in the order they are picked, 1 nearest the face, such as "2 4 5 4"; null where one is no string. */
function readOrder(text: string, strings: number): number[] | null {
  const order = text
    .split(/[\s,]+/u)
    .filter((word) => word !== "")
    .map(Number);
  const isString = (number: number) => Number.isInteger(number) && number >= 1 && number <= strings;
  return order.length > 0 && order.every(isString) ? order : null;
}
