import type { Ticks } from "../../../base";
import { type MakeId, orderBetween, ordersFor, placeAt, removalOf } from "../../../document";
import type { ShapeSpot } from "../read/choices";
import type { Outline, OutlineLine } from "../read/outline";
import { type CellIndex, cellKey } from "../read/resolve-cells";
import type { Choice } from "../schema/chosen-shapes";
import { DOCUMENTS, type VersionBody, type VersionTables } from "../schema/documents";
import { type Cell, EMPTY_CELL } from "../schema/parts";
import { PLAIN_USE, type SectionKind } from "../schema/sections";
import type { VersionCommand, VersionStep } from "./edits";
import { add, batch, remove, set } from "./makers";

/** The order of a new last row. */
export const orderAtEnd = (rows: readonly { readonly order: string }[]): string =>
  orderBetween(
    rows.reduce<string | null>((last, row) => (last === null || row.order > last ? row.order : last), null),
    null,
  );

/** Puts a row before another of the same ordered list, or last. */
export function moveBefore<Name extends string>(
  table: Name,
  rows: readonly { id: string; order: string }[],
  id: string,
  beforeId: string | null,
) {
  const others = rows.filter((row) => row.id !== id);
  const at = beforeId === null ? others.length : others.findIndex((row) => row.id === beforeId);
  return placeAt(table, id, orderBetween(others[at - 1]?.order ?? null, others[at]?.order ?? null));
}

/** Adds a use of a section at the end of the form. */
export const addUse = (body: VersionBody, sectionId: string, makeId: MakeId): VersionStep =>
  add("uses", {
    id: makeId(),
    originId: null,
    sectionId,
    order: orderAtEnd(Object.values(body.uses)),
    repeat: 1,
    ...PLAIN_USE,
  });

/** The edits that remove a row of a version and all that hangs on it. */
export const removalIn = (body: VersionBody, table: keyof VersionTables, id: string): VersionStep[] =>
  removalOf(DOCUMENTS.version, body, table, id);

const removeAll = (
  label: string,
  body: VersionBody,
  table: keyof VersionTables,
  id: string,
): VersionCommand => batch(label, removalIn(body, table, id));

/** Takes a use out of the form with what was written for it. */
export const removeUse = (body: VersionBody, useId: string): VersionCommand =>
  removeAll("Take a section out of the form", body, "uses", useId);

/** Removes a section with its lines, and its uses from the form. */
export const removeSection = (body: VersionBody, sectionId: string): VersionCommand =>
  removeAll("Remove a section", body, "sections", sectionId);

/** Removes a line with its chords and words. */
export const removeLine = (body: VersionBody, lineId: string): VersionCommand =>
  removeAll("Remove a line", body, "lines", lineId);

/** Removes a chord with the shapes chosen for it. */
export const removeChord = (body: VersionBody, chordId: string): VersionCommand =>
  removeAll("Remove a chord", body, "chords", chordId);

/** Adds an empty section at the end, and a use of it. */
export function addSection(
  body: VersionBody,
  label: string,
  kind: SectionKind,
  makeId: MakeId,
): VersionCommand {
  const sectionId = makeId();
  return batch("Add a section", [
    add("sections", {
      id: sectionId,
      originId: null,
      order: orderAtEnd(Object.values(body.sections)),
      label,
      kind,
      pickup: 0,
      energy: null,
      bass: null,
      melodyRange: null,
    }),
    add("lines", {
      id: makeId(),
      originId: null,
      sectionId,
      exceptionId: null,
      order: ordersFor(1)[0]!,
    }),
    addUse(body, sectionId, makeId),
  ]);
}

export const addLine = (outline: Outline, sectionId: string, makeId: MakeId): VersionCommand =>
  add("lines", {
    id: makeId(),
    originId: null,
    sectionId,
    exceptionId: null,
    order: orderAtEnd((outline.byId.get(sectionId)?.lines ?? []).map(({ line }) => line)),
  });

/** Puts a chord under a word (or where nothing is sung, last in the line). */
export function addChord(
  line: OutlineLine,
  symbol: string,
  ticks: Ticks,
  wordId: string | null,
  makeId: MakeId,
): VersionCommand {
  const at =
    wordId === null ? Number.POSITIVE_INFINITY : line.words.find(({ word }) => word.id === wordId)!.at;
  const index = line.chords.findIndex((placed) => placed.at > at);
  const before = index < 0 ? line.chords.at(-1) : line.chords[index - 1];
  const after = index < 0 ? undefined : line.chords[index];
  return add("chords", {
    id: makeId(),
    originId: null,
    lineId: line.line.id,
    order: orderBetween(before?.chord.order ?? null, after?.chord.order ?? null),
    symbol,
    ticks,
    wordId,
    offset: 0,
    sourceId: null,
    sure: true,
    guessed: false,
  });
}

/**
 * Sets the words of a line. Words at the start and end that stay keep their ids; between them the old
 * words are rewritten in turn. A chord whose word is gone moves to the word now in its place.
 */
export function setWords(line: OutlineLine, text: string, makeId: MakeId): VersionCommand {
  const texts = text
    .split(/\s+/u)
    .filter((word) => word !== "")
    .map((word) => word.slice(0, 120));
  const old = line.words.map(({ word }) => word);
  let head = 0;
  while (head < old.length && head < texts.length && old[head]!.text === texts[head]) head++;
  let tail = 0;
  while (
    tail < old.length - head &&
    tail < texts.length - head &&
    old.at(-1 - tail)!.text === texts.at(-1 - tail)
  )
    tail++;
  const rewritten = Math.min(old.length, texts.length) - head - tail;
  const commands: VersionStep[] = [];
  for (let index = head; index < head + rewritten; index++) {
    commands.push(set("words", old[index]!.id, { text: texts[index]! }));
  }
  let before = old[head + rewritten - 1]?.order ?? null;
  const after = old[old.length - tail]?.order ?? null;
  const kept = old.slice(0, head + rewritten).map((word) => word.id);
  for (const fresh of texts.slice(head + rewritten, texts.length - tail)) {
    before = orderBetween(before, after);
    const id = makeId();
    kept.push(id);
    commands.push(add("words", { id, originId: null, lineId: line.line.id, order: before, text: fresh }));
  }
  const gone = old.slice(head + rewritten, old.length - tail);
  kept.push(...old.slice(old.length - tail).map((word) => word.id));
  for (const { chord } of line.chords) {
    const index = gone.findIndex((word) => word.id === chord.wordId);
    if (index >= 0) {
      const wordId = kept[Math.min(head + rewritten + index, kept.length - 1)] ?? null;
      commands.push(set("chords", chord.id, { wordId, offset: 0 }));
    }
  }
  return batch("Change words", [...commands, ...gone.map((word) => remove("words", word))]);
}

/** Sets fields of a cell of the sheet, making the cell when it is not there yet. */
export function setCell(
  index: CellIndex,
  useId: string,
  playerId: string,
  fields: Partial<Omit<Cell, "id" | "useId" | "playerId">>,
  makeId: MakeId,
): VersionCommand {
  const cell = index.cells.get(cellKey(useId, playerId));
  if (cell) return set("cells", cell.id, fields);
  return add("cells", { id: makeId(), useId, playerId, ...EMPTY_CELL, ...fields });
}

/** What a scope of a choice names of its spot. */
function namedBy(scope: Choice["scope"], spot: ShapeSpot) {
  const isChord = scope === "chord" || scope === "chord-in-use";
  return {
    chordId: isChord ? spot.chordId : null,
    useId: scope === "chord-in-use" ? spot.useId : null,
    sectionId: scope === "section" ? spot.sectionId : null,
    style: scope === "voicing" ? spot.style : null,
    strings: scope === "voicing" && spot.strings ? [...spot.strings] : null,
  };
}

/** Chooses a shape for a spot, in place of an earlier choice of the same scope. */
export function chooseShape(
  body: VersionBody,
  spot: ShapeSpot,
  scope: Choice["scope"],
  shape: Pick<Choice, "frets" | "fingers">,
  makeId: MakeId,
): VersionCommand {
  const named = namedBy(scope, spot);
  const earlier = Object.values(body.choices).filter(
    (one) =>
      one.playerId === spot.playerId &&
      one.scope === scope &&
      one.chordId === named.chordId &&
      one.useId === named.useId &&
      one.sectionId === named.sectionId &&
      one.style === named.style &&
      one.strings?.join() === named.strings?.join() &&
      (named.chordId !== null || (one.symbol === spot.symbol && one.capo === spot.capo)),
  );
  return batch("Choose a shape", [
    ...earlier.map((one) => remove("choices", one)),
    add("choices", {
      id: makeId(),
      playerId: spot.playerId,
      scope,
      ...named,
      symbol: spot.symbol,
      frets: [...shape.frets],
      fingers: [...shape.fingers],
      capo: spot.capo,
      tuning: [...spot.tuning],
    }),
  ]);
}

/** Removes a player with their cells and shapes. */
export const removePlayer = (body: VersionBody, playerId: string): VersionCommand =>
  removeAll("Remove a player", body, "players", playerId);
