import { type BandSheet, type TakenCells, takeArrangement } from "@/core/parts";
import { indexCells, outlineOf } from "@/core/song/read";
import { DOCUMENTS, type VersionBody } from "@/core/song/schema";
import { applyEdit } from "@/document";

/**
 * A song as it would be with cells of an arrangement taken over: nothing of it is kept.
 * @param cells by use and player, in the order of the sheet; where there is none the song stays as it is
 * @returns null where they can't be taken
 */
export function withCells(
  body: VersionBody,
  sheet: BandSheet,
  cells: TakenCells["cells"],
): VersionBody | null {
  let made = 0;
  const makeId = () => `taken${made++}`;
  const taking = takeArrangement(body, sheet, indexCells(body, outlineOf(body)), { cells }, "taken", makeId);
  const applied = applyEdit(DOCUMENTS.version, body, taking);
  return applied.ok ? applied.value.body : null;
}
