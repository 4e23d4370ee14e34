import type { Kind } from "./body";

/** Tables and fields that came after form 1, with what a row without them means. */
export type AddedFields = Readonly<Record<string, Readonly<Record<string, unknown>>>>;

/** A use of a section without any exception of its own. */
export const PLAIN_USE = Object.freeze({
  label: null,
  vocals: true,
  shift: 0,
  bpm: null,
  meterBeats: null,
  meterUnit: null,
  energy: null,
  bass: null,
});

const { energy: _energy, bass: _bass, ...USE_IN_FORM_2 } = PLAIN_USE;

/**
 * Form 2: exceptions at uses, extras of a sheet, sources with a text, what the shelf tells of a song. Bodies are
 * lifted by it, and rows in edits of the log that were written before.
 */
export const ADDED_FIELDS: Readonly<Partial<Record<Kind, AddedFields>>> = Object.freeze({
  version: {
    version: { writtenCapo: 0 },
    sources: { kind: "sheet", text: "" },
    lines: { exceptionId: null },
    uses: USE_IN_FORM_2,
    exceptions: {},
    extras: {},
  },
  song: { song: { composer: "", copyright: "", rehearsed: null, archived: false } },
});
