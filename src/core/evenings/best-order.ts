/** Who must stand where in a running order; songs by their index in the list. */
type OrderPins = {
  readonly opens: number | null;
  readonly last: number | null;
  /** Pairs of songs of which the first comes anywhere before the second. */
  readonly before: readonly (readonly [first: number, second: number])[];
};

export type OrderCase = {
  /** Seconds of change-over from one song to another, `from` by `to`. */
  readonly seconds: readonly (readonly number[])[];
  /** Seconds of something else that lies after each place (a talk, a pause): so much of a change-over is covered. */
  readonly covered: readonly number[];
  readonly pins: OrderPins;
};

export type BestOrder = {
  /** Songs by their index, in the order to play them. */
  readonly order: readonly number[];
  /** Seconds of change-over nobody covers. */
  readonly seconds: number;
  readonly exact: boolean;
};

/** Up to so many songs every order is weighed. */
export const MOST_EXACT = 12;

/** What one change-over costs at a place. */
const gapAt = ({ seconds, covered }: OrderCase, from: number, to: number, place: number): number =>
  Math.max(0, seconds[from]![to]! - (covered[place] ?? 0));

/** Seconds of change-over of an order. @example secondsOf(asked, [0, 1, 2]) // => 45 */
export const secondsOf = (asked: OrderCase, order: readonly number[]): number =>
  order.slice(1).reduce((sum, to, place) => sum + gapAt(asked, order[place]!, to, place), 0);

/** Whether an order keeps every pin. */
export function keepsPins({ pins }: Pick<OrderCase, "pins">, order: readonly number[]): boolean {
  if (pins.opens !== null && order[0] !== pins.opens) return false;
  if (pins.last !== null && order.at(-1) !== pins.last) return false;
  return pins.before.every(([first, second]) => order.indexOf(first) < order.indexOf(second));
}

/**
 * The running order with the least change-over that keeps the pins; of equal ones the nearest to the present order, song by
 * song from the first. Exact up to {@link MOST_EXACT} songs; beyond, the best of moving single songs.
 * @returns null where no order keeps every pin
 * @example bestOrder({ seconds: [[0, 9], [3, 0]], covered: [], pins: { opens: null, last: null, before: [] } }) // => { order: [1, 0], seconds: 3, exact: true }
 */
export function bestOrder(asked: OrderCase): BestOrder | null {
  const count = asked.seconds.length;
  if (count === 0) return { order: [], seconds: 0, exact: true };
  return count <= MOST_EXACT ? byEverySet(asked) : byMoving(asked);
}

/** Every set of songs already played, by the one played last: the least that the rest still costs. */
function byEverySet(asked: OrderCase): BestOrder | null {
  const count = asked.seconds.length;
  const all = (1 << count) - 1;
  const needs = neededBefore(asked);
  const rest = new Float64Array((all + 1) * count).fill(Number.POSITIVE_INFINITY);
  const mayPlay = (song: number, played: number, place: number): boolean =>
    (played & (1 << song)) === 0 &&
    (needs[song]! & ~played) === 0 &&
    (asked.pins.opens === null || (place === 0) === (song === asked.pins.opens)) &&
    (asked.pins.last === null || (place === count - 1) === (song === asked.pins.last));
  const placeOf = (played: number): number => {
    let place = 0;
    for (let set = played; set !== 0; set &= set - 1) place++;
    return place;
  };
  for (let song = 0; song < count; song++) rest[all * count + song] = 0;
  for (let played = all - 1; played > 0; played--) {
    const place = placeOf(played);
    for (let last = 0; last < count; last++) {
      if ((played & (1 << last)) === 0) continue;
      let least = Number.POSITIVE_INFINITY;
      for (let next = 0; next < count; next++)
        if (mayPlay(next, played, place)) {
          const after = rest[(played | (1 << next)) * count + next]!;
          least = Math.min(least, after + gapAt(asked, last, next, place - 1));
        }
      rest[played * count + last] = least;
    }
  }
  const order: number[] = [];
  let played = 0;
  for (let place = 0; place < count; place++) {
    let best: { readonly song: number; readonly cost: number } | null = null;
    for (let song = 0; song < count; song++) {
      if (!mayPlay(song, played, place)) continue;
      const gap = place === 0 ? 0 : gapAt(asked, order[place - 1]!, song, place - 1);
      const cost = gap + rest[(played | (1 << song)) * count + song]!;
      if (Number.isFinite(cost) && (!best || cost < best.cost - 1e-9)) best = { song, cost };
    }
    if (!best) return null;
    order.push(best.song);
    played |= 1 << best.song;
  }
  return { order, seconds: secondsOf(asked, order), exact: true };
}

/** Which songs must have been played before each, as bits. */
function neededBefore({ seconds, pins }: OrderCase): number[] {
  const needs = seconds.map(() => 0);
  for (const [first, second] of pins.before) needs[second]! |= 1 << first;
  return needs;
}

/** Moves single songs as long as that makes it better, from an order that keeps the pins. */
function byMoving(asked: OrderCase): BestOrder | null {
  const first = pinnedOrder(asked);
  if (!first) return null;
  let [order, best] = [first, secondsOf(asked, first)];
  for (let grew = true; grew; ) {
    grew = false;
    for (let from = 0; from < order.length; from++)
      for (let to = 0; to < order.length; to++) {
        const moved = order.toSpliced(from, 1).toSpliced(to, 0, order[from]!);
        const seconds = secondsOf(asked, moved);
        if (seconds >= best - 1e-9 || !keepsPins(asked, moved)) continue;
        [order, best, grew] = [moved, seconds, true];
      }
  }
  return { order, seconds: best, exact: false };
}

/** The present order as far as the pins allow; null where they exclude each other. */
function pinnedOrder({ seconds, pins }: OrderCase): number[] | null {
  const left = seconds.map((_, song) => song);
  const order: number[] = [];
  while (left.length > 0) {
    const at = left.findIndex(
      (song) =>
        (order.length > 0 || pins.opens === null || song === pins.opens) &&
        (song !== pins.last || left.length === 1) &&
        pins.before.every(([first, second]) => second !== song || order.includes(first)),
    );
    if (at < 0) return null;
    order.push(...left.splice(at, 1));
  }
  return keepsPins({ pins }, order) ? order : null;
}
