import { type MakeId, singles } from "../../../document";
import type { LibraryPattern } from "../../rhythm";
import {
  add,
  batch,
  orderAtEnd,
  removalIn,
  type SheetPlace,
  setCells,
  strumLike,
  strumRow,
  type VersionCommand,
  type VersionStep,
} from "../../song/edit";
import { type CellIndex, cellKey, notesOfRiff } from "../../song/read";
import type { Cell, Player, Riff, StrumRow, VersionBody } from "../../song/schema";
import type { BandSheet, SheetRow } from "../band";
import { lineToAdd } from "../new-line";
import { type ArrangeCell, plays } from "./case";
import { HIGH_FRET } from "./cells";
import { areAlike, drawnUp, isDrawnUp, nameOfDrawn } from "./draw-line";
import type { Figure } from "./figures";
import { ideaOf } from "./ideas";
import { arrangedPlayers } from "./of-song";

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
 * @param label what the act is called
 */
export function takeArrangement(
  body: VersionBody,
  sheet: BandSheet,
  index: CellIndex,
  { cells }: TakenCells,
  label: string,
  makeId: MakeId,
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
    const name = nameOfDrawn(cell.idea, at.label);
    const alike = Object.values(body.riffs).find(
      (one) =>
        one.name === name &&
        one.capo === drawn.capo &&
        one.tuning.join() === drawn.tuning.join() &&
        areAlike(drawn.notes, notesOfRiff(body, one.id)),
    );
    if (alike) {
      lines.set(key, alike.id);
      return alike.id;
    }
    const own = { name, tuning: [...drawn.tuning], capo: drawn.capo, ticks: drawn.ticks };
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
      const planned = cells[at]?.[who];
      // What goes round is a layer of the looper: the hands play what lies over it.
      const cell = planned?.over ?? planned;
      if (!cell) return [];
      const fields = arrangedFields(cell, row.bars);
      const riffId = cell.line ? lineId(cell, row, player) : null;
      const pattern = riffId === null ? strumOf(cell.pattern, player) : null;
      return [{ ...place, fields: { ...fields, riffId, strumId: pattern && patternId(pattern) } }];
    }),
  );
  const gone = unplayed(body, sheet, index, changes);
  return batch(label, [
    ...gone.flatMap((id) => removalIn(body, "riffs", id)),
    ...steps,
    ...singles(setCells(index, label, changes, makeId)),
  ]);
}

/** Lines that were drawn up for an idea and that nobody plays once some cells have changed. */
function unplayed(
  body: VersionBody,
  sheet: BandSheet,
  index: CellIndex,
  changes: readonly (SheetPlace & { readonly fields: Fields })[],
): string[] {
  const changed = new Set(changes.map(({ useId, playerId }) => cellKey(useId, playerId)));
  const played = new Set([
    ...changes.map(({ fields }) => fields.riffId),
    ...[...index.cells].flatMap(([key, { riffId }]) => (changed.has(key) ? [] : [riffId])),
  ]);
  const drawn = sheet.rows.flatMap((row) =>
    row.parts.flatMap((part) =>
      part.riff && changed.has(cellKey(row.use.id, part.player.id)) && isDrawnUp(body, row, part)
        ? [part.riff.id]
        : [],
    ),
  );
  return [...new Set(drawn)].filter((id) => !played.has(id));
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
