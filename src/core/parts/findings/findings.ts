import type { BandSheet, SheetRow } from "../band";
import type { ShapePlan } from "../shape-plan";
import { changeFindings, oneChordFindings } from "./hands";
import { lineFindings } from "./line-findings";
import {
  bassFindings,
  carryFindings,
  handFindings,
  pickedFindings,
  twiceFindings,
  voiceFindings,
} from "./row-findings";
import type { SheetFinding } from "./sheet-finding";
import { idleFindings, lightFindings } from "./song-findings";

/** Findings of rows that have not changed: a row is the same object only while nothing in it has. */
const known = new WeakMap<SheetRow, readonly SheetFinding[]>();

function rowFindings(row: SheetRow): readonly SheetFinding[] {
  const before = known.get(row);
  if (before) return before;
  const found = [
    ...bassFindings(row),
    ...carryFindings(row),
    ...twiceFindings(row),
    ...pickedFindings(row),
    ...voiceFindings(row),
    ...handFindings(row),
    ...lineFindings(row),
  ];
  known.set(row, found);
  return found;
}

/**
 * Everything on the sheet that may go wrong, song first, then place by place.
 * @param plans shapes planned for each player, as far as they are known yet; changes are judged by them
 * @example findingsOf(bandSheet(body), new Map(), 666)
 */
export function findingsOf(
  sheet: BandSheet,
  plans: ReadonlyMap<string, ShapePlan>,
  beatMs: number,
): SheetFinding[] {
  const idle = idleFindings(sheet);
  const quick = changeFindings(sheet, plans, beatMs);
  const rows = sheet.rows.flatMap((row) => [
    ...rowFindings(row),
    ...quick.filter((one) => one.useId === row.use.id),
  ]);
  const trouble = new Set(
    [...idle, ...rows]
      .filter(({ kind }) => kind === "quick-change" || kind === "above-level" || kind === "idle")
      .flatMap(({ playerIds }) => playerIds),
  );
  return [...lightFindings(sheet), ...idle, ...oneChordFindings(sheet, plans, trouble), ...rows];
}
