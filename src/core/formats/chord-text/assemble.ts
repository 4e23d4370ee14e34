import { COMMON_TIME } from "../../rhythm";
import { arrange, type Draft, hasChords, keyOfSheet } from "../draft";
import { readBeats } from "../guess/apply";
import { type ChordSheet, EMPTY_SHEET, type SheetExtra, type SheetLine, type SheetProblem } from "../sheet";
import type { Meta } from "./meta";
import type { ReadOptions } from "./read-options";
import { readShapes } from "./shapes";

/**
 * Makes a sheet of what a reader of text has found: sections each once, the form, and the key, given or found by the
 * chords.
 * @param known what the caller knows over what the text says
 * @param open lines of whose beats nothing is written
 * @param capoLine the line that names the capo, from 1
 * @returns the sheet, with a problem where it has no chords
 */
export function assemble(
  drafts: readonly Draft[],
  meta: Meta,
  head: readonly SheetExtra[],
  known: Pick<ReadOptions, "key" | "meter" | "reading" | "shapes">,
  problems: readonly SheetProblem[],
  open: ReadonlySet<SheetLine>,
  capoLine = 1,
): ChordSheet {
  const { shapeKey, ...fields } = meta;
  const meter = known.meter ?? meta.meter;
  const { sheet: arranged, readings } = readBeats(
    arrange(drafts),
    meter ?? COMMON_TIME,
    (line) => open.has(line),
    known.reading,
  );
  const said = { key: known.key ?? meta.key, capo: meta.capo, shapeKey, capoLine };
  const { key, keySure, shapes, problem } = readShapes(arranged, said, keyOfSheet(arranged), known.shapes);
  const silent: SheetProblem[] = hasChords(arranged)
    ? []
    : [{ code: "no-chords", line: 1, column: 1, text: "" }];
  return {
    ...EMPTY_SHEET,
    ...fields,
    ...arranged,
    extras: [...head, ...arranged.extras],
    meter,
    readings,
    key,
    keySure,
    shapes,
    problems: [
      ...problems,
      ...arranged.unlined.map(
        ({ label, line }): SheetProblem => ({
          code: "empty-heading",
          line,
          column: 1,
          text: label,
          suggestions: [],
        }),
      ),
      ...(problem ? [problem] : []),
      ...silent,
    ],
  };
}
