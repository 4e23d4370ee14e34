/**
 * How far another clock is ahead, told only by messages that were some time under way. A message that left the server
 * at `server` and came at `here` bounds it from below (it came later than it left), one that left here from above. The
 * clocks may drift: each slope within a bound gives an interval, and the middle of all that fit is taken.
 */
export type OffsetBounds = {
  /** Server's time less ours when one of the server's messages came, ms: the offset is at least this. */
  readonly least: readonly Bound[];
  /** Server's time less ours when one of our messages left, ms: the offset is at most this. */
  readonly most: readonly Bound[];
};

type Bound = { readonly at: number; readonly offset: number };

export const NO_BOUNDS: OffsetBounds = Object.freeze({ least: [], most: [] });

/** A clock of a phone or a computer drifts less than this. A quartz is told to be within 100; common practice, no source. */
const MOST_DRIFT = 400e-6;
/** Bounds older than this are let go, ms: a drift that changes with the warmth of a pocket is followed. */
const OLDEST_MS = 180_000;
const MOST_BOUNDS = 400;
const SLOPES = 81;
/** What a slope without any room weighs, ms. */
const LEAST_GAP_MS = 0.001;

/** A message of the server's that was stamped when it left. @param here our clock when it came, ms */
export function heardFrom(bounds: OffsetBounds, server: number, here: number): OffsetBounds {
  const heard = { at: here, offset: server - here };
  const all = { ...bounds, least: added(bounds.least, heard) };
  return bounds.most.length === 0 || offsetAt(all, here) ? all : { least: [heard], most: [] };
}

/**
 * An answer of the server's to a question that left at `asked` and was answered at `server`, both in ms. What contradicts
 * all that was known is believed: a clock was set, and everything before is let go.
 */
export function answeredAt(bounds: OffsetBounds, asked: number, server: number, here: number): OffsetBounds {
  const [low, high] = [
    { at: here, offset: server - here },
    { at: asked, offset: server - asked },
  ];
  const all = { least: added(bounds.least, low), most: added(bounds.most, high) };
  return offsetAt(all, here) ? all : { least: [low], most: [high] };
}

const added = (bounds: readonly Bound[], bound: Bound): Bound[] =>
  [...bounds.filter(({ at }) => at > bound.at - OLDEST_MS), bound].slice(-MOST_BOUNDS);

export type Offset = {
  /** What is added to our clock to have the server's, ms. */
  readonly offset: number;
  /** How much of it is added or lost with each ms of ours. */
  readonly drift: number;
  /** Our time at which `offset` holds. */
  readonly at: number;
  /** The truth lies at most this far from `offset`, ms. */
  readonly within: number;
};

/**
 * The offset at a moment; null before an answer has come, and where no drift within the bound fits what is known.
 * @param now our clock, ms
 * @example offsetAt(answeredAt(NO_BOUNDS, 1000, 5020, 1040), 1040)?.offset // => 4000
 */
export function offsetAt({ least, most }: OffsetBounds, now: number): Offset | null {
  if (least.length === 0 || most.length === 0) return null;
  let [weights, offsets, drifts] = [0, 0, 0];
  let [lowest, highest] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
  for (let step = 0; step < SLOPES; step++) {
    const drift = MOST_DRIFT * ((2 * step) / (SLOPES - 1) - 1);
    let [low, high] = [Number.NEGATIVE_INFINITY, Number.POSITIVE_INFINITY];
    for (const { at, offset } of least) low = Math.max(low, offset + drift * (now - at));
    for (const { at, offset } of most) high = Math.min(high, offset + drift * (now - at));
    const gap = high - low;
    const middle = (low + high) / 2;
    if (gap < 0) continue;
    const weight = gap + LEAST_GAP_MS;
    weights += weight;
    offsets += weight * middle;
    drifts += weight * drift;
    lowest = Math.min(lowest, low);
    highest = Math.max(highest, high);
  }
  if (weights === 0) return null;
  const offset = offsets / weights;
  return { offset, drift: drifts / weights, at: now, within: Math.max(highest - offset, offset - lowest) };
}

/** The server's time. @param now our clock, ms */
export const serverTime = ({ offset, drift, at }: Offset, now: number): number =>
  now + offset + drift * (now - at);

/** A clock that is right to this is asked calmly, ms: less than an ear tells apart. Ours, no source. */
const GOOD_MS = 8;

/**
 * How long until the clock is asked again, ms: often at first and on a line that carries messages unevenly, calmly on a
 * good one.
 * @param count how often it has been asked
 * @param within how far it may be off, ms; null while that is not known
 */
export function nextAskIn(count: number, within: number | null): number {
  if (within !== null && within < GOOD_MS) return 3000;
  return count < 30 ? 100 : 400;
}
