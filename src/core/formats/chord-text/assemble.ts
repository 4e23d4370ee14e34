import { arrange, type Draft, hasChords, keyOfSheet } from "../draft";
import { type ChordSheet, EMPTY_SHEET, type SheetExtra, type SheetProblem } from "../sheet";
import type { Meta } from "./meta";

/**
 * Makes a sheet of what a reader of text has found: sections each once, the form, and the key, given or found by the
 * chords.
 * @param known what the caller knows over what the text says
 * @returns the sheet, with a problem where it has no chords
 */
export function assemble(
  drafts: readonly Draft[],
  meta: Meta,
  head: readonly SheetExtra[],
  known: { readonly key?: string | undefined; readonly meter?: ChordSheet["meter"] | undefined },
  problems: readonly SheetProblem[],
): ChordSheet {
  const arranged = arrange(drafts);
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
    meter: known.meter ?? meta.meter,
    key: given ?? guessed?.key ?? null,
    keySure: given !== null || (guessed?.sure ?? false),
    problems: [...problems, ...silent],
  };
}
