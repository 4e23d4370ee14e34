/** What makes a shape hard, one number each; `WEIGHTS` says what a unit costs. */
export const TERMS = [
  "fingers",
  "little finger",
  "thumb",
  "index barre",
  "other barre",
  "barre strings",
  "span mm",
  "stretch mm",
  "across strings",
  "height",
  "damped inside",
  "left out low",
  "left out high",
  "fewer strings",
  "omitted tones",
  "open beside high",
] as const;
export type Term = (typeof TERMS)[number];
