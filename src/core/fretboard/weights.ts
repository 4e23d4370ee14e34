import type { Term } from "./difficulty";

/** What a unit of each term costs. Made by `scripts/fit-difficulty.ts`; ours, no source. */
export const WEIGHTS: Readonly<Record<Term, number>> = Object.freeze({
  fingers: 1,
  "little finger": 0.4,
  thumb: 1,
  "index barre": 1,
  "other barre": 1.5,
  "barre strings": 0.25,
  "span mm": 0.01,
  "stretch mm": 0.03,
  height: 0.25,
  "damped inside": 1,
  "left out low": 0.2,
  "left out high": 0.5,
  "fewer strings": 0.7,
  "omitted tones": 0.5,
  "open beside high": 0.4,
});
