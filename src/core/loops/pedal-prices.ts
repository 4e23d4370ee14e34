/**
 * What sets the pedals of a box apart from plain ones, on which each track's own pedal lets it in and takes it out at one
 * press. Null where no pedal does that by itself.
 */
export type PedalPrices = {
  /** By track: what it costs on top that a press lets it in, and that one takes it out. */
  readonly start: readonly (number | null)[];
  readonly stop: readonly (number | null)[];
  /** What the pedal for all costs on top. */
  readonly startAll: number;
  readonly stopAll: number;
  /** Neighbouring tracks whose pedals one foot presses at once, as one press. */
  readonly pairs: readonly (readonly [number, number])[];
};

/** What a press costs on top where no pedal does it: more than any way round. From us, no source. */
export const NO_PEDAL = 50;

/** Whether any track may stand for any other: no pair of them is special, and all cost the same. */
export const isAlike = ({ start, stop, pairs }: PedalPrices): boolean =>
  pairs.length === 0 && [start, stop].every((prices) => prices.every((price) => price === prices[0]));

/** Whether two tracks may stand for each other. */
export const isTwin = ({ start, stop, pairs }: PedalPrices, a: number, b: number): boolean =>
  start[a] === start[b] && stop[a] === stop[b] && !pairs.some((pair) => pair.includes(a) || pair.includes(b));
