import { modulo, type Ticks } from "../../../base";
import { type MakeId, singles } from "../../../document";
import { parseChord } from "../../chord";
import { bassLine, chordLine, type LineNeck, PLAIN_NOTE, type TabNote } from "../../fretboard";
import { parseTuning, pitchClassOf } from "../../pitch";
import { beatUnitOf, type LibraryPattern, ticksOfBar, ticksOfBeatUnit } from "../../rhythm";
import {
  add,
  batch,
  orderAtEnd,
  type SheetPlace,
  setCells,
  strumLike,
  strumRow,
  type VersionCommand,
  type VersionStep,
} from "../../song/edit";
import type { CellIndex } from "../../song/read";
import type { Cell, Player, Riff, StrumRow, VersionBody } from "../../song/schema";
import type { BandSheet, SheetRow } from "../band";
import { lineToAdd } from "../new-line";
import { chordsOfRow, scaleOfRow } from "../section-chords";
import { scaleMmOf } from "../shapes";
import { type ArrangeCell, plays } from "./case";
import type { Figure } from "./figures";
import { ideaOf } from "./ideas";
import { arrangedPlayers } from "./of-song";

/** The fret small shapes lie about where an idea has them high. */
const HIGH_FRET = 7;

/** What of an arrangement is taken: all of it, a player's, a use's, or one cell. */
export type TakenPart = { readonly useId?: string | undefined; readonly playerId?: string | undefined };

/** Cells by use and player, in the order of the sheet; where there is none, nothing is taken. */
export type TakenCells = { readonly cells: readonly (readonly (ArrangeCell | undefined)[])[] };

type Fields = Partial<Omit<Cell, "id" | "useId" | "playerId">>;

/** What a cell of an arrangement says on the sheet, its pattern and line apart. */
function arrangedFields(cell: ArrangeCell, bars: number): Fields {
  const cleared: Fields = {
    strumId: null,
    shortStrumId: null,
    fillStrumId: null,
    riffId: null,
    phrases: null,
    doubles: null,
    moved: null,
    lineWay: null,
    lineFill: null,
  };
  if (!plays(cell))
    return {
      ...cleared,
      role: "out",
      light: 0,
      technique: null,
      strings: null,
      style: null,
      bars: null,
      fret: null,
    };
  const idea = ideaOf(cell.idea);
  return {
    ...cleared,
    role: cell.role,
    light: cell.light,
    technique: cell.technique,
    strings: cell.strings.length > 0 ? [...cell.strings] : null,
    style: cell.voicing,
    bars: cell.entryBar > 1 ? [[cell.entryBar - 1, bars]] : null,
    fret: idea?.place === "high" && cell.strings.length > 0 && cell.line === null ? HIGH_FRET : null,
    doubles: cell.double ?? null,
  };
}

/**
 * Takes an arrangement over, or a part of it, in one act: roles, light, bars, techniques, strings and voicings onto the sheet;
 * the patterns of its ideas among the song's; and a line drawn up from the chords where an idea is one, once for each section.
 * @param keeps whether a place stays as it is
 */
export function takeArrangement(
  body: VersionBody,
  sheet: BandSheet,
  index: CellIndex,
  { cells }: TakenCells,
  {
    label,
    taken,
    keeps,
    makeId,
  }: {
    readonly label: string;
    readonly taken: TakenPart;
    readonly keeps: (place: SheetPlace) => boolean;
    readonly makeId: MakeId;
  },
): VersionCommand {
  const steps: VersionStep[] = [];
  const strums: Record<string, StrumRow> = { ...body.strums };
  const patternId = (pattern: Omit<LibraryPattern, "id">): string => {
    const known = strumLike({ strums }, pattern);
    if (known?.anchor === "chord") return known.id;
    const row = strumRow({ strums }, pattern, makeId);
    strums[row.id] = row;
    steps.push(add("strums", row));
    return row.id;
  };
  const lines = new Map<string, string | null>();
  const riffs: Pick<Riff, "order">[] = Object.values(body.riffs);
  const lineId = (cell: ArrangeCell, at: SheetRow, player: Player): string | null => {
    const key = [player.id, at.section.id, cell.idea, cell.strings.join()].join("|");
    const known = lines.get(key);
    if (known !== undefined) return known;
    const drawn = drawnUp(body, at, player, cell);
    lines.set(key, null);
    if (!drawn || drawn.notes.length === 0) return null;
    const name = `${ideaOf(cell.idea)?.words ?? cell.idea}, ${at.label}`.slice(0, 80);
    const own = { name, tuning: [...player.tuning], capo: drawn.capo, ticks: drawn.ticks };
    const riff = lineToAdd(body, at.use, own, makeId, drawn.more);
    const row = { ...riff, originId: null, order: orderAtEnd(riffs) };
    riffs.push(row);
    steps.push(add("riffs", row));
    for (const note of drawn.notes) steps.push(add("riffNotes", { ...note, id: makeId(), riffId: riff.id }));
    lines.set(key, riff.id);
    return riff.id;
  };
  const changes = sheet.rows.flatMap((row, at) =>
    arrangedPlayers(sheet).flatMap((player, who) => {
      const place = { useId: row.use.id, playerId: player.id };
      const isTaken =
        (taken.useId ?? place.useId) === place.useId && (taken.playerId ?? place.playerId) === place.playerId;
      const cell = cells[at]?.[who];
      if (!isTaken || !cell || keeps(place)) return [];
      const fields = arrangedFields(cell, row.bars);
      const riffId = cell.line ? lineId(cell, row, player) : null;
      const pattern = riffId === null ? strumOf(cell.pattern, player) : null;
      return [{ ...place, fields: { ...fields, riffId, strumId: pattern && patternId(pattern) } }];
    }),
  );
  return batch(label, [...steps, ...singles(setCells(index, label, changes, makeId))]);
}

/** The strokes of a figure for hands on strings; null for what has none. */
function strumOf(figure: Figure | null, player: Player): Omit<LibraryPattern, "id"> | null {
  if (!figure || (player.instrument !== "guitar" && player.instrument !== "bass")) return null;
  const { name, meter, subdivision, swing, text, kind } = figure;
  const strokes = { name, meter, subdivision, swing };
  // A bass is plucked downwards, note by note.
  return kind === "hits"
    ? { ...strokes, kind: "strum", text: text.replaceAll("x", "D") }
    : { ...strokes, kind, text };
}

type Drawn = {
  readonly notes: readonly TabNote[];
  readonly capo: number;
  readonly ticks: number;
  readonly more?: { readonly way: "on each root"; readonly home: string };
};

/** The line an idea is, from the chords of a use; null where it is none, or the neck has no place for it. */
function drawnUp(body: VersionBody, row: SheetRow, player: Player, cell: ArrangeCell): Drawn | null {
  const tuning = parseTuning(player.tuning);
  const chords = chordsOfRow(body, row);
  const [first] = chords;
  if (!cell.line || !tuning.ok || !first) return null;
  const part = row.parts.find((one) => one.player.id === player.id);
  const capo = part?.cell.capo.value ?? player.capo;
  const beat = ticksOfBeatUnit(beatUnitOf(row.passage.meter))!;
  const options = { neck: { tuning: tuning.value, capo }, scaleMm: scaleMmOf(player), level: player.level };
  const whole = { capo, ticks: row.passage.ticks };
  switch (cell.line.kind) {
    case "bass": {
      const notes = bassLine(chords, cell.line.way, beat, scaleOfRow(body, row).scale, options);
      return notes && { ...whole, notes };
    }
    case "lick": {
      const lick = rootLick(first.symbol, cell, options.neck, beat);
      return (
        lick && { notes: lick.notes, capo, ticks: 2 * beat, more: { way: "on each root", home: lick.home } }
      );
    }
    default: {
      const each =
        cell.line.each === "bar" ? ticksOfBar(row.passage.meter) : cell.line.each === "beat" ? beat : null;
      const line = chordLine(chords, cell.line.kind, {
        ...options,
        each,
        about: HIGH_FRET,
        strings: cell.strings,
      });
      return line && { ...whole, notes: line.notes };
    }
  }
}

/** A lick of root, fifth and octave by turns, in eighths, where the hand has it on three strings. Ours. */
function rootLick(
  symbol: string,
  { strings }: ArrangeCell,
  { tuning, capo }: LineNeck,
  beat: Ticks,
): { readonly notes: readonly TabNote[]; readonly home: string } | null {
  const read = parseChord(symbol);
  const low = strings[0];
  if (!read.ok || read.value.kind === "none" || low === undefined) return null;
  const open = (string: number) => tuning[string]! + capo;
  const root = open(low) + modulo(pitchClassOf(read.value.root) - open(low), 12);
  const spots = [0, 7, 12].map((up, at) => ({ string: low + at, fret: root + up - open(low + at) }));
  if (spots.some(({ string, fret }) => string >= tuning.length || fret < 0)) return null;
  const each = Math.round(beat / 2);
  const order = [0, 1, 2, 1] as const;
  return {
    home: symbol,
    notes: order.map((spot, at) => ({ ...PLAIN_NOTE, ...spots[spot]!, tick: at * each, ticks: each })),
  };
}
