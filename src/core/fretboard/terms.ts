/** What makes a shape hard for the hand, one number each. Their sum is the difficulty. */
export const HAND_TERMS = [
  "fingers",
  "little finger",
  "thumb",
  "index barre",
  "other barre",
  "barre strings",
  "span mm",
  "wide span mm",
  "stretch mm",
  "across strings",
  "height",
  "damped inside",
  "open beside high",
] as const;

/** What of a full shape of the chord does not sound, each from 0 to 1. */
export const MISSING_TERMS = [
  "fewer strings",
  "high strings left out",
  "bass higher",
  "nothing firm over the bass",
  "omitted tones",
] as const;

/** Choices a player would have to ask for, one price each. */
const UNUSUAL_TERMS = [
  "damped inside a strum",
  "flat finger",
  "open beside far frets",
  "colour over the bass",
  "foreign bass doubled",
  "fifth not over root",
  "power strings",
  "root with fifth",
  "neither third nor fifth",
  "not the root",
] as const;

export const TERMS = Object.freeze([...HAND_TERMS, ...MISSING_TERMS, ...UNUSUAL_TERMS]);
type HandTerm = (typeof HAND_TERMS)[number];
type MissingTerm = (typeof MISSING_TERMS)[number];
type UnusualTerm = (typeof UNUSUAL_TERMS)[number];
export type Term = HandTerm | MissingTerm | UnusualTerm;
