/** Someone who plays in an evening. */
export type StagePerson = { readonly person: string; readonly name: string; readonly instrument: string };

/** A player's own words at a section. */
export type StageNote = { readonly versionId: string; readonly useId: string; readonly text: string };

/** The longest note of one's own, in characters. */
export const LONGEST_NOTE = 200;
