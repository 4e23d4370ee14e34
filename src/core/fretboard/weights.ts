import type { Term } from "./terms";

/** What a unit of each term costs. Made by `scripts/fit-difficulty.ts`; ours, no source. */
export const WEIGHTS: Readonly<Record<Term, number>> = Object.freeze({
  fingers: 0.6,
  "little finger": 0.295,
  thumb: 1,
  "index barre": 0.599,
  "other barre": 0.9,
  "barre strings": 0.096,
  "span mm": 0.007,
  "stretch mm": 0.031,
  "across strings": 0.249,
  height: 0.378,
  "damped inside": 1.324,
  "left out low": 0.183,
  "left out high": 0.633,
  "fewer strings": 0.894,
  "omitted tones": 0.622,
  "open beside high": 1.01,
});
