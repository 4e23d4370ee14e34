import type { MakeId } from "../../../document";
import type { LibraryPattern } from "../../rhythm";
import { type CellIndex, cellKey } from "../read/resolve-cells";
import type { VersionBody } from "../schema/documents";
import { type Cell, EMPTY_CELL, type Riff, type RiffNote, type StrumRow } from "../schema/parts";
import { orderAtEnd, removalIn } from "./commands";
import type { VersionCommand, VersionStep } from "./edits";
import { add, batch, set } from "./makers";

type CellFields = Partial<Omit<Cell, "id" | "useId" | "playerId">>;

/** Fields for one cell of the sheet. */
export type CellChange = {
  readonly useId: string;
  readonly playerId: string;
  readonly fields: CellFields;
};

const one = (index: CellIndex, { useId, playerId, fields }: CellChange, makeId: MakeId): VersionStep => {
  const cell = index.cells.get(cellKey(useId, playerId));
  return cell
    ? set("cells", cell.id, fields)
    : add("cells", { id: makeId(), useId, playerId, ...EMPTY_CELL, ...fields });
};

/** Sets fields of several cells at once, making those that are not there yet. */
export const setCells = (
  index: CellIndex,
  label: string,
  changes: readonly CellChange[],
  makeId: MakeId,
): VersionCommand =>
  batch(
    label,
    changes.map((change) => one(index, change, makeId)),
  );

/** A cell as it is copied: what it says of its own. */
export type CopiedCell = CellFields;

export function copyCell(index: CellIndex, useId: string, playerId: string): CopiedCell {
  const cell = index.cells.get(cellKey(useId, playerId));
  if (!cell) return { ...EMPTY_CELL };
  const { id: _id, useId: _use, playerId: _player, ...fields } = cell;
  return fields;
}

/** A place on the sheet: a use and a player. */
export type SheetPlace = { readonly useId: string; readonly playerId: string };

/**
 * Pastes a block of copied cells over a selection: laid from its first cell, and repeated where the selection is
 * larger. Fields a copied cell leaves open are left open here too.
 * @param copied rows of cells
 * @param at the selection, rows of places; where it is smaller than the block the block runs over, as far as `sheet` goes
 */
export function pasteCells(
  index: CellIndex,
  copied: readonly (readonly CopiedCell[])[],
  selection: {
    readonly row: number;
    readonly column: number;
    readonly rows: number;
    readonly columns: number;
  },
  sheet: readonly (readonly SheetPlace[])[],
  makeId: MakeId,
): VersionCommand {
  const [height, width] = [copied.length, copied[0]?.length ?? 0];
  const changes: CellChange[] = [];
  const rows = Math.max(height, selection.rows - (selection.rows % Math.max(1, height)));
  const columns = Math.max(width, selection.columns - (selection.columns % Math.max(1, width)));
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const place = sheet[selection.row + row]?.[selection.column + column];
      const fields = copied[row % height]?.[column % width];
      if (place && fields) changes.push({ ...place, fields: { ...fields } });
    }
  return setCells(index, "Paste parts", changes, makeId);
}

/** Fills a selection's columns down from its first row. */
export function fillDown(
  index: CellIndex,
  places: readonly (readonly SheetPlace[])[],
  makeId: MakeId,
): VersionCommand {
  const [first, ...rest] = places;
  const copied = (first ?? []).map(({ useId, playerId }) => copyCell(index, useId, playerId));
  return setCells(
    index,
    "Fill parts down",
    rest.flatMap((row) => row.map((place, column) => ({ ...place, fields: { ...copied[column]! } }))),
    makeId,
  );
}

/** Empties cells: they inherit everything again. */
export const clearCells = (index: CellIndex, places: readonly SheetPlace[]): VersionCommand =>
  batch(
    "Let parts follow again",
    places.flatMap(({ useId, playerId }): VersionStep[] => {
      const cell = index.cells.get(cellKey(useId, playerId));
      return cell ? [{ type: "remove", table: "cells", id: cell.id }] : [];
    }),
  );

/** A pattern of the song like one of the library, if it has one already. */
export const strumLike = (
  body: Pick<VersionBody, "strums">,
  pattern: Omit<LibraryPattern, "id">,
): StrumRow | null =>
  Object.values(body.strums).find(
    (row) =>
      row.pattern === pattern.text &&
      row.kind === pattern.kind &&
      row.subdivision === pattern.subdivision &&
      row.swing === pattern.swing &&
      row.meterBeats === pattern.meter.beats &&
      row.meterUnit === pattern.meter.unit &&
      row.gate === "",
  ) ?? null;

/** A new pattern of the song, as a row. */
export const strumRow = (
  body: Pick<VersionBody, "strums">,
  pattern: Omit<LibraryPattern, "id">,
  makeId: MakeId,
): StrumRow => ({
  id: makeId(),
  originId: null,
  order: orderAtEnd(Object.values(body.strums)),
  name: pattern.name,
  kind: pattern.kind,
  meterBeats: pattern.meter.beats,
  meterUnit: pattern.meter.unit as StrumRow["meterUnit"],
  subdivision: pattern.subdivision,
  swing: pattern.swing,
  pattern: pattern.text,
  gate: "",
  anchor: "chord",
});

/** The patterns a cell has room for: the usual one, that for short chords, the fill before a change. */
export type PatternField = "strumId" | "shortStrumId" | "fillStrumId";

/**
 * Gives cells a pattern that may not be the song's yet, of the library or joined of others: the song's own copy of it, made
 * when there is none.
 * @param field which of their patterns it becomes
 */
export function takePattern(
  body: VersionBody,
  index: CellIndex,
  pattern: Omit<LibraryPattern, "id"> & { readonly anchor?: StrumRow["anchor"] },
  places: readonly SheetPlace[],
  makeId: MakeId,
  field: PatternField = "strumId",
): VersionCommand {
  const { anchor = "chord" } = pattern;
  const alike = strumLike(body, pattern);
  const known = alike?.anchor === anchor ? alike : null;
  const row = known ?? { ...strumRow(body, pattern, makeId), anchor };
  return batch("Choose a pattern", [
    ...(known ? [] : [add("strums", row)]),
    ...places.map((place) => one(index, { ...place, fields: { [field]: row.id } }, makeId)),
  ]);
}

/** Removes a pattern; cells that play it follow their technique again. */
export const removeStrum = (body: VersionBody, id: string): VersionCommand =>
  batch("Remove a pattern", removalIn(body, "strums", id));

/** Removes a line with its notes; cells that play it let it go. */
export const removeRiff = (body: VersionBody, id: string): VersionCommand =>
  batch("Remove a line", removalIn(body, "riffs", id));

type NewNote = Omit<RiffNote, "id" | "riffId">;

/** Adds a line with its notes under an id of the caller's, and gives it to cells. */
export function addRiff(
  body: VersionBody,
  index: CellIndex,
  riff: Omit<Riff, "originId" | "order">,
  notes: readonly NewNote[],
  places: readonly SheetPlace[],
  makeId: MakeId,
): VersionCommand {
  const { id } = riff;
  return batch("Add a line", [
    add("riffs", { ...riff, originId: null, order: orderAtEnd(Object.values(body.riffs)) }),
    ...notes.map((note) => add("riffNotes", { ...note, id: makeId(), riffId: id })),
    ...places.map((place) => one(index, { ...place, fields: { riffId: id } }, makeId)),
  ]);
}

/**
 * Puts other notes in place of a line's, with other settings where given. Notes that stay as they are keep their
 * rows, so that two people can write one line.
 */
export function setRiffNotes(
  body: Pick<VersionBody, "riffNotes">,
  riffId: string,
  notes: readonly NewNote[],
  makeId: MakeId,
  settings: Partial<Omit<Riff, "id" | "originId" | "order">> = {},
): VersionCommand {
  const key = (note: NewNote): string =>
    [
      note.tick,
      note.ticks,
      note.string,
      note.fret,
      note.art,
      note.bend,
      note.ring,
      note.short,
      note.optional,
      note.round,
      note.times,
      note.weight,
      note.stroke,
      note.finger,
    ].join();
  const wanted = new Map<string, NewNote[]>();
  for (const note of notes) wanted.set(key(note), [...(wanted.get(key(note)) ?? []), note]);
  const gone: VersionStep[] = [];
  for (const note of Object.values(body.riffNotes)) {
    if (note.riffId !== riffId) continue;
    const same = wanted.get(key(note));
    if (same && same.length > 0) same.pop();
    else gone.push({ type: "remove", table: "riffNotes", id: note.id });
  }
  const fresh = [...wanted.values()]
    .flat()
    .map((note) => add("riffNotes", { ...note, id: makeId(), riffId }));
  const told = Object.keys(settings).length > 0 ? [set("riffs", riffId, settings)] : [];
  return batch("Change a line", [...told, ...gone, ...fresh]);
}

/** Lets a finding stand, with a reason, at each of its places. */
export const dismiss = (findings: readonly string[], reason: string, makeId: MakeId): VersionCommand =>
  batch(
    "Let it stand",
    findings.map((finding) => add("dismissals", { id: makeId(), finding, reason })),
  );
