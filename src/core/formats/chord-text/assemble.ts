import { COMMON_TIME } from "../../rhythm";
import { arrange, type Draft, hasChords, keyOfSheet } from "../draft";
import { readBeats } from "../guess/apply";
import { type ChordSheet, EMPTY_SHEET, type SheetExtra, type SheetLine, type SheetProblem } from "../sheet";
import type { Meta } from "./meta";
import type { ReadOptions } from "./read-options";

/**
 * Makes a sheet of what a reader of text has found: sections each once, the form, and the key, given or found by the
 * chords.
 * @param known what the caller knows over what the text says
 * @param open lines of whose beats nothing is written
 * @returns the sheet, with a problem where it has no chords
 */
export function assemble(
  drafts: readonly Draft[],
  meta: Meta,
  head: readonly SheetExtra[],
  known: Pick<ReadOptions, "key" | "meter" | "reading">,
  problems: readonly SheetProblem[],
  open: ReadonlySet<SheetLine>,
): ChordSheet {
  const meter = known.meter ?? meta.meter;
  const { sheet: arranged, readings } = readBeats(
    arrange(drafts),
    meter ?? COMMON_TIME,
    (line) => open.has(line),
    known.reading,
  );
  const guessed = keyOfSheet(arranged);
  const given = known.key ?? meta.key;
  const silent: SheetProblem[] = hasChords(arranged)
    ? []
    : [{ code: "no-chords", line: 1, column: 1, text: "" }];
  return {
    ...EMPTY_SHEET,
    ...meta,
    ...arranged,
    extras: [...head, ...arranged.extras],
    meter,
    readings,
    key: given ?? guessed?.key ?? null,
    keySure: given !== null || (guessed?.sure ?? false),
    problems: [...problems, ...silent],
  };
}
