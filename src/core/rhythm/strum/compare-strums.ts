import { fail, ok, type Result, type Ticks } from "../../../base";
import { ticksOfBar } from "../meter";
import type { Pattern } from "./pattern";
import { onsetsOf, ticksOfPattern } from "./times";

/** Two rhythms over one another, until both come round together. Ticks count from the start. */
export type RhythmMeeting = {
  readonly ticks: Ticks;
  readonly shared: number;
  readonly united: number;
  readonly both: readonly Ticks[];
  readonly onlyA: readonly Ticks[];
  readonly onlyB: readonly Ticks[];
  /** shared / united; 0 when neither plays. */
  readonly overlap: number;
};

export type MeetingProblem =
  | { readonly code: "meters" }
  /** One of them is free: it meets whatever it likes. */
  | { readonly code: "free" }
  | { readonly code: "never-together"; readonly ticks: Ticks };

/** The longest stretch compared, in bars of the first. */
const MOST_BARS = 256;

/** Compares sets of onsets that are already in one stretch. */
function meetOnsets(a: readonly Ticks[], b: readonly Ticks[], ticks: Ticks): RhythmMeeting {
  const [inA, inB] = [new Set(a), new Set(b)];
  const both = a.filter((tick) => inB.has(tick));
  const united = new Set([...a, ...b]).size;
  return {
    ticks,
    shared: both.length,
    united,
    both,
    onlyA: a.filter((tick) => !inB.has(tick)),
    onlyB: b.filter((tick) => !inA.has(tick)),
    overlap: united === 0 ? 0 : both.length / united,
  };
}

/**
 * Where two patterns meet and where only one fills. The shorter is repeated until both begin together again.
 * @returns an error for different bar lengths, a free pattern, or patterns that meet only after more than 256 bars
 */
export function comparePatterns(a: Pattern, b: Pattern): Result<RhythmMeeting, MeetingProblem> {
  if (ticksOfBar(a.meter) !== ticksOfBar(b.meter)) return fail({ code: "meters" });
  if (a.free || b.free) return fail({ code: "free" });
  const [lengthA, lengthB] = [ticksOfPattern(a), ticksOfPattern(b)];
  const ticks = leastCommonMultiple(lengthA, lengthB);
  if (ticks > MOST_BARS * ticksOfBar(a.meter)) return fail({ code: "never-together", ticks });
  return ok(meetOnsets(repeated(onsetsOf(a), lengthA, ticks), repeated(onsetsOf(b), lengthB, ticks), ticks));
}

const repeated = (onsets: readonly Ticks[], length: Ticks, until: Ticks): Ticks[] =>
  Array.from({ length: until / length }, (_, round) => onsets.map((tick) => tick + round * length)).flat();

const greatestCommonDivisor = (a: number, b: number): number =>
  b === 0 ? a : greatestCommonDivisor(b, a % b);
const leastCommonMultiple = (a: number, b: number): number => (a / greatestCommonDivisor(a, b)) * b;
