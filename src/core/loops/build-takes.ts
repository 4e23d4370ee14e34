import { LONGEST_BUILD_SECONDS } from "./build";

/** Something that was recorded: on which track, and from when to when it was open, s of one clock. */
export type Take = {
  readonly layers: readonly string[];
  readonly track: number;
  readonly since: number;
  readonly until: number;
  /** Whether it came on top of what its track held. */
  readonly over: boolean;
};

/** What a take should have been. */
export type TakeAsked = {
  readonly bars: number;
  /** Seconds of a bar by the click. */
  readonly barSeconds: number;
  readonly beatsPerBar: number;
  /** A downbeat of the click, s. */
  readonly origin: number;
  /** Whether the box makes every track as long as the first. */
  readonly sharedLength: boolean;
};

/** The first take and its bars: it fixes length and tempo for all others. */
export type FirstTake = { readonly take: Take; readonly bars: number };

/** What became of a take. All seconds are above 0 where something came late. */
export type TakeVerdict = {
  /** How far its begin was from a downbeat, s. */
  readonly begun: number;
  /** How far its close was from the end of its bars, s. */
  readonly closed: number;
  /** Whether the error at the close is heard each time round: not on top of a track, nor where the box gives the length. */
  readonly isSeam: boolean;
  /** After so many passes the loop is a beat off the click; null where it holds, or it is not the loop's length that is off. */
  readonly beatOffAfter: number | null;
  /** Whether begin and close are near enough. */
  readonly isClean: boolean;
};

/** Nearer than this a seam is not heard, s. Ours, no source. */
export const CLEAN_SECONDS = 0.04;

/**
 * Judges a take at its close: the first against the click, every other against the first, for it is played along with that.
 * @param first null for the first take itself
 * @example judgeTake({ since: 0, until: 10.31, … }, { bars: 4, barSeconds: 2.609, … }, null)
 *   // => { closed: -0.12, isSeam: true, beatOffAfter: 5, … }
 */
export function judgeTake(take: Take, asked: TakeAsked, first: FirstTake | null): TakeVerdict {
  const bar = first ? (first.take.until - first.take.since) / first.bars : asked.barSeconds;
  const origin = first ? first.take.until : asked.origin;
  const begun = nearest(take.since - origin, bar);
  const closed = take.until - take.since - asked.bars * bar;
  const isSeam = !take.over && (first === null || !asked.sharedLength);
  const beat = bar / asked.beatsPerBar;
  const isHeld = Math.abs(closed) < CLEAN_SECONDS;
  return {
    begun,
    closed,
    isSeam,
    beatOffAfter: isSeam && !isHeld ? Math.max(1, Math.round(beat / Math.abs(closed))) : null,
    isClean: isHeld && Math.abs(begun) < CLEAN_SECONDS,
  };
}

/** How far something is from the nearest multiple. */
const nearest = (value: number, of: number): number => value - Math.round(value / of) * of;

/** How steadily somebody played inside a take. */
export type TakeDrift = {
  /** How much earlier or later the last beats came than the first ones, s; below 0 they run ahead. */
  readonly over: number;
  /** How far beats lie from that on the whole (root mean square), s. */
  readonly spread: number;
  readonly taps: number;
};

/** Fewer taps than this say nothing of drift. */
const FEWEST_TAPS = 4;

/**
 * Drift inside a take, from taps of its beats, apart from where it was opened and closed: a straight line through how far each tap
 * lies from its beat (least squares).
 * @param taps s, of one clock with the take
 * @returns null where there are too few taps
 */
export function driftInside(take: Take, taps: readonly number[], beatSeconds: number): TakeDrift | null {
  const inside = taps.filter((tap) => tap >= take.since - beatSeconds / 2 && tap <= take.until);
  if (inside.length < FEWEST_TAPS) return null;
  const points = inside.map((tap) => {
    const beat = Math.round((tap - take.since) / beatSeconds);
    return { x: beat, y: tap - take.since - beat * beatSeconds };
  });
  const mean = (values: readonly number[]) => values.reduce((sum, one) => sum + one, 0) / values.length;
  const [midX, midY] = [mean(points.map(({ x }) => x)), mean(points.map(({ y }) => y))];
  const wide = points.reduce((sum, { x }) => sum + (x - midX) ** 2, 0);
  const slope = wide === 0 ? 0 : points.reduce((sum, { x, y }) => sum + (x - midX) * (y - midY), 0) / wide;
  const rest = points.map(({ x, y }) => y - midY - slope * (x - midX));
  const beats = Math.max(...points.map(({ x }) => x)) - Math.min(...points.map(({ x }) => x));
  return {
    over: slope * beats,
    spread: Math.sqrt(mean(rest.map((one) => one ** 2))),
    taps: points.length,
  };
}

/** What taking a take back and doing it again costs, and whether it should be left out instead. */
export type AgainPrice = { readonly seconds: number; readonly isTooLong: boolean };

/**
 * The price of another try: of the first take a count-in and its bars, of any other the round that must come by first.
 * @param spent seconds of the build so far
 * @param left seconds of the build that are still to come
 */
export function priceOfAgain(
  asked: Pick<TakeAsked, "bars" | "barSeconds">,
  first: FirstTake | null,
  spent: number,
  left: number,
): AgainPrice {
  const wait = first ? first.take.until - first.take.since : asked.barSeconds;
  const bar = first ? wait / first.bars : asked.barSeconds;
  const seconds = wait + asked.bars * bar;
  return { seconds, isTooLong: first !== null && spent + seconds + left > LONGEST_BUILD_SECONDS };
}

const told = (seconds: number): string => `${Math.abs(seconds).toFixed(2)} s`;
const earlyOrLate = (seconds: number): string => `${told(seconds)} ${seconds < 0 ? "early" : "late"}`;

/**
 * A verdict in a sentence, with what it means for the loop.
 * @param bpm of the click
 * @example "closed 0.12 s early: the seam stumbles each time round, and against a click at 92 it is a beat ahead after 5 passes"
 */
export function tellTake(verdict: TakeVerdict, bpm: number): string {
  const { begun, closed, isSeam, beatOffAfter } = verdict;
  const begins = Math.abs(begun) < CLEAN_SECONDS ? "" : `begun ${earlyOrLate(begun)}`;
  if (Math.abs(closed) < CLEAN_SECONDS)
    return begins === ""
      ? "begun and closed on the beat"
      : `${begins}, closed after whole bars: it lies beside the beat`;
  const closes = `closed ${earlyOrLate(closed)}`;
  const means = isSeam
    ? `the seam stumbles each time round, and against a click at ${Math.round(bpm)} it is a beat ${closed < 0 ? "ahead" : "behind"} after ${beatOffAfter} ${beatOffAfter === 1 ? "pass" : "passes"}`
    : closed < 0
      ? "its last beats are missing"
      : "what you play after the bar lies over its beginning";
  return `${begins === "" ? "" : `${begins}, `}${closes}: ${means}`;
}

/** Drift in a sentence. @example "inside it you run ahead, by 0.09 s to its end" */
export function tellDrift({ over, spread }: TakeDrift): string {
  const steady = `beats ${Math.round(spread * 1000)} ms from even`;
  return Math.abs(over) < CLEAN_SECONDS
    ? `inside it you hold the tempo, ${steady}`
    : `inside it you ${over < 0 ? "run ahead" : "slow down"}, by ${told(over)} to its end, ${steady}`;
}
