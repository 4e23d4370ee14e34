/** Someone who plays in an evening. */
export type StagePerson = { readonly person: string; readonly name: string; readonly instrument: string };

/** The instruments somebody who does not know the songs can play along on. */
export const COLD_INSTRUMENTS = ["guitar", "bass"] as const;
export type ColdInstrument = (typeof COLD_INSTRUMENTS)[number];

/** Who plays along without knowing the songs: no player of any song, and as many as like. */
const COLD_PEOPLE: readonly StagePerson[] = Object.freeze(
  COLD_INSTRUMENTS.map((instrument) => ({ person: `cold ${instrument}`, name: "Joining cold", instrument })),
);

/** The instrument of somebody who joins cold; null for everybody else. */
export const coldInstrumentOf = (person: string): ColdInstrument | null =>
  COLD_INSTRUMENTS.find((instrument) => person === `cold ${instrument}`) ?? null;

/** Whoever plays in none of the songs and leads them, or reads along; as many as like. */
export const READING_ALONG: StagePerson = Object.freeze({
  person: "reading along",
  name: "Reading along",
  instrument: "",
});

/** Whom as many as like may be. */
export const OPEN_TO_MANY: readonly StagePerson[] = Object.freeze([READING_ALONG, ...COLD_PEOPLE]);

/** Whether somebody has a part of their own. */
export const isOnePerson = (person: string): boolean => !OPEN_TO_MANY.some((one) => one.person === person);

/** A player's own words at a section. */
export type StageNote = { readonly versionId: string; readonly useId: string; readonly text: string };

/** The longest note of one's own, in characters. */
export const LONGEST_NOTE = 200;
