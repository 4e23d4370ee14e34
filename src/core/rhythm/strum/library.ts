import { unwrap } from "../../../base";
import type { Meter } from "../meter";
import { EVEN, type Pattern, type PatternKind, type Subdivision } from "./pattern";
import { readPattern } from "./written";

/** A pattern to start from: common figures of the hand under names of ours (common practice, no source). */
export type LibraryPattern = {
  readonly id: string;
  readonly name: string;
  readonly kind: PatternKind;
  readonly meter: Meter;
  readonly subdivision: Subdivision;
  readonly swing: number;
  readonly text: string;
};

const FOUR: Meter = Object.freeze({ beats: 4, unit: 4 });
const THREE: Meter = Object.freeze({ beats: 3, unit: 4 });
const SIX: Meter = Object.freeze({ beats: 6, unit: 8 });
const TWELVE: Meter = Object.freeze({ beats: 12, unit: 8 });
/** Triplet eighths: the first takes two thirds. */
const SHUFFLE = 0.667;
const LAZY = 0.6;

const strum = (
  id: string,
  name: string,
  meter: Meter,
  subdivision: Subdivision,
  text: string,
  swing = EVEN,
) => Object.freeze({ id, name, kind: "strum" as const, meter, subdivision, swing, text });
/** The swing of the hand, of which any stroke may be struck. */
const free = (id: string, name: string, meter: Meter, subdivision: Subdivision, text: string) =>
  Object.freeze({ id, name, kind: "free" as const, meter, subdivision, swing: EVEN, text });
const picked = (
  id: string,
  name: string,
  kind: "fingers" | "zones",
  meter: Meter,
  subdivision: Subdivision,
  text: string,
) => Object.freeze({ id, name, kind, meter, subdivision, swing: EVEN, text });

export const STRUM_LIBRARY: readonly LibraryPattern[] = Object.freeze([
  strum("44-whole", "one a bar, left to ring", FOUR, 2, "D3 . . . . . . ."),
  strum("44-half", "two a bar", FOUR, 2, "D3 . . . D . . ."),
  strum("44-quarters", "quarters, all down", FOUR, 2, "D . D . D . D ."),
  strum("44-eighths", "straight eighths", FOUR, 2, "D3 U D U D3 U D U"),
  strum("44-eighths-down", "eighths, all down", FOUR, 2, "D3 D D D D3 D D D"),
  strum("44-skip", "skip the three", FOUR, 2, "D . D U . U D U"),
  strum("44-skip-back", "skip the three, backbeat", FOUR, 2, "D . D3 U . U D3 U"),
  strum("44-offbeats", "offbeats only", FOUR, 2, "- U - U - U - U"),
  strum("44-backbeat", "two and four, choked", FOUR, 2, "- - D3 - - - D3 -"),
  strum("44-dead-back", "eighths with a dead backbeat", FOUR, 2, "D U x U D U x U"),
  strum("44-stop", "hit and stop", FOUR, 2, "D3 - - - - - - -"),
  strum("44-half-eighths", "half a bar: down, down up", FOUR, 2, "D . D U"),
  strum("44-half-sync", "half a bar: down up, up", FOUR, 2, "D U . U"),
  strum("44-sixteenths", "straight sixteenths", FOUR, 4, "D3 U D U D U D U D3 U D U D U D U"),
  strum("44-gallop", "gallop", FOUR, 4, "D3 . D U D . D U D3 . D U D . D U"),
  strum("44-sixteenths-push", "sixteenths, leaning forward", FOUR, 4, "D3 . . U . U D . D3 . . U . U D U"),
  strum("44-sixteenths-light", "sixteenths, few of them", FOUR, 4, "D . . . D . . U . U . U D . . ."),
  strum("44-half-sixteenths", "half a bar in sixteenths", FOUR, 4, "D . D U . U D U"),
  strum("44-shuffle", "shuffled eighths", FOUR, 2, "D3 U D U D3 U D U", SHUFFLE),
  strum("44-shuffle-skip", "shuffled, skip the three", FOUR, 2, "D . D U . U D U", SHUFFLE),
  strum("44-lazy", "leaning sixteenths", FOUR, 4, "D . D U . U D U D . D U . U D U", LAZY),
  strum("44-triplets", "triplets", FOUR, 3, "D3 U D D U D D3 U D D U D"),
  strum("44-two-bars", "two bars, the second answers", FOUR, 2, "D . D U . U D U D . D U D U D U"),
  strum("34-whole", "one a bar, left to ring", THREE, 2, "D3 . . . . ."),
  strum("34-quarters", "quarters, all down", THREE, 2, "D3 . D . D ."),
  strum("34-waltz", "low, then two light", THREE, 2, "D3 . D1 . D1 ."),
  strum("34-waltz-up", "waltz with ups", THREE, 2, "D3 . D U D U"),
  strum("34-eighths", "straight eighths", THREE, 2, "D3 U D U D U"),
  strum("34-late", "two and three only", THREE, 2, "- . D . D U"),
  strum("34-sixteenths", "sixteenths", THREE, 4, "D3 . D U D . D U D . D U"),
  strum("34-shuffle", "swung waltz", THREE, 2, "D3 . D U D U", SHUFFLE),
  strum("68-whole", "one a bar, left to ring", SIX, 3, "D3 . . . . ."),
  strum("68-two", "two a bar", SIX, 3, "D3 . . D . ."),
  strum("68-eighths", "straight eighths", SIX, 3, "D3 U D D3 U D"),
  strum("68-rocking", "rocking", SIX, 3, "D3 . U D . U"),
  strum("68-half", "half a bar: down, down up", SIX, 3, "D . U"),
  strum("68-late", "answers to the beat", SIX, 3, "- U U - U U"),
  strum("68-sixteenths", "sixteenths", SIX, 6, "D3 . D U D U D3 . D U D U"),
  strum("128-whole", "one a bar, left to ring", TWELVE, 3, "D3 . . . . . . . . . . ."),
  strum("128-four", "four a bar", TWELVE, 3, "D3 . . D . . D3 . . D . ."),
  strum("128-rocking", "rocking", TWELVE, 3, "D . U D3 . U D . U D3 . U"),
  strum("128-eighths", "straight eighths", TWELVE, 3, "D3 U D D U D D3 U D D U D"),
  strum("128-half", "half a bar: slow and rocking", TWELVE, 3, "D3 . . D . U"),
  strum("44-skip-open", "skip the three, open on the way", FOUR, 2, "D . D U . U D Uo"),
  strum("34-open", "waltz, open on the way", THREE, 2, "D3 . D U D Uo"),
  strum("68-open", "rocking, open on the way", SIX, 3, "D3 . U D . Uo"),
  strum("44-fill-quick", "fill: four quick strokes", FOUR, 4, "D U D U3"),
  strum("44-fill-downs", "fill: two downs", FOUR, 2, "D3 D3"),
  strum("34-fill-quick", "fill: four quick strokes", THREE, 4, "D U D U3"),
  strum("68-fill-quick", "fill: three strokes", SIX, 3, "D U D3"),
  free("44-free", "free, in eighths", FOUR, 2, "D U D U D U D U"),
  free("44-free-sixteenths", "free, in sixteenths", FOUR, 4, "D U D U D U D U D U D U D U D U"),
  free("34-free", "free, in eighths", THREE, 2, "D U D U D U"),
  free("68-free", "free, in eighths", SIX, 3, "D U D U D U"),
  free("128-free", "free, in eighths", TWELVE, 3, "D U D U D U D U D U D U"),
  picked("44-turns", "thumb by turns", "fingers", FOUR, 2, "pm . p i p m p i"),
  picked("44-roll", "roll up and down", "fingers", FOUR, 2, "p i m a m i m i"),
  picked("44-pluck", "thumb, then three together", "fingers", FOUR, 2, "p . ima . p . ima ."),
  picked("44-half-roll", "half a bar: thumb and three", "fingers", FOUR, 2, "p i m a"),
  picked("34-roll", "waltz roll", "fingers", THREE, 2, "p i m a m i"),
  picked("34-pluck", "thumb, three, three", "fingers", THREE, 2, "p . ima . ima ."),
  picked("68-roll", "roll in six", "fingers", SIX, 3, "p i m a m i"),
  picked("128-roll", "roll in twelve", "fingers", TWELVE, 3, "p i m a m i p i m a m i"),
  picked("44-low-high", "low, then high", "zones", FOUR, 2, "L3 . H . L . H ."),
  picked("44-climb", "climbing zones", "zones", FOUR, 2, "L M H M L M H M"),
  picked("34-low-high", "low, high, high", "zones", THREE, 2, "L3 . H . H ."),
  picked("68-climb", "climbing zones in six", "zones", SIX, 3, "L M H L M H"),
]);

/** A library pattern as values. */
export const patternOf = (
  one: Pick<LibraryPattern, "meter" | "subdivision" | "swing" | "text" | "kind">,
): Pattern => unwrap(readPattern(one));
