import { WEIGHTS } from "./weights";

/** One line whose beats are guessed. */
export type LineToGuess = {
  /** The share of the line's syllables that is sung before each chord, 0 to 1; the first is 0. */
  readonly shares: readonly number[];
  /** How many syllables are sung from the first chord on. */
  readonly syllables: number;
};

/** A metre as guesses see it: beats a bar, and whether half a bar is a place to change at. */
export type BarOfBeats = { readonly beats: number; readonly hasHalf: boolean };

export type GuessedBeats = { readonly beats: readonly number[]; readonly cost: number };

/** Beats a chord may last, besides whole bars. */
const LASTING: readonly number[] = [0.5, 1, 2, 3, 4, 6, 8];

/** An even share stands unless the syllables are further from it than this, as a share of the line. */
const FAR = 0.25;

/**
 * What may be done with a line of so many beats, worked out once: all places and lengths are counted in steps of a beat, or of
 * half a beat where there are more chords than every other beat takes: else one between beats costs more than it can save.
 */
type Room = {
  readonly places: number;
  readonly step: number;
  /** What a chord costs that begins at each place, whatever is sung there. */
  readonly begins: Float64Array;
  readonly lengths: readonly { readonly steps: number; readonly cost: number }[];
};

/**
 * Shares lines of one metre among their chords at the least cost: evenly, unless their syllables lie quite otherwise; then as
 * near to them as chords that begin on strong beats allow. Exact, by dynamic programming over half beats.
 */
export class LineGuesser {
  private readonly rooms = new Map<number, Room>();
  private readonly known = new Map<string, GuessedBeats | null>();

  constructor(private readonly bar: BarOfBeats) {}

  /**
   * @param beats the length of the line
   * @returns null where its chords do not fit
   * @example new LineGuesser({ beats: 4, hasHalf: true }).guess({ shares: [0, 0.5], syllables: 8 }, 8)?.beats // => [4, 4]
   */
  guess({ shares }: LineToGuess, beats: number): GuessedBeats | null {
    const count = shares.length;
    if (count === 0 || count > 2 * beats) return null;
    const even = this.evenShare(shares, beats);
    // Whatever is not even costs at least that much.
    if (even && even.cost <= WEIGHTS.uneven) return even;
    const free = this.nearest(shares, beats);
    if (!even) return free;
    return !free || even.cost <= free.cost ? even : free;
  }

  private evenShare(shares: readonly number[], beats: number): GuessedBeats | null {
    const { bar } = this;
    const count = shares.length;
    const each = beats / count;
    if (!canLast(each, bar)) return null;
    if (isFar(shares)) return null;
    let cost = count * lengthCost(each, bar);
    for (let at = 1; at < count; at++) cost += placeCost(at * each, bar);
    return { beats: shares.map(() => each), cost };
  }

  /** Lines are often sung alike: what one came to is remembered. */
  private nearest(shares: readonly number[], beats: number): GuessedBeats | null {
    const key = `${beats} ${shares.join(" ")}`;
    let found = this.known.get(key);
    if (found === undefined) {
      found = this.nearestShare(shares, beats);
      this.known.set(key, found);
    }
    return found;
  }

  /** The cheapest share of all, over every place each chord may begin at. */
  private nearestShare(shares: readonly number[], beats: number): GuessedBeats | null {
    const count = shares.length;
    const { places, step, begins, lengths } = this.roomOf(beats, 2 * count > beats ? 0.5 : 1);
    // cost[at] is that of the chords so far, the next beginning at that place; lasts[chord][at] how long the one before it does.
    let cost = new Float64Array(places + 1).fill(Number.POSITIVE_INFINITY);
    cost[0] = 0;
    const lasts: Int32Array[] = [];
    const syllable = WEIGHTS.syllable * (isFar(shares) ? WEIGHTS.far : 1);
    for (let chord = 0; chord < count; chord++) {
      const next = new Float64Array(places + 1).fill(Number.POSITIVE_INFINITY);
      const last = new Int32Array(places + 1);
      const isLast = chord === count - 1;
      const share = isLast ? 0 : shares[chord + 1]! * places;
      for (let at = 0; at < places; at++) {
        const before = cost[at]!;
        if (before === Number.POSITIVE_INFINITY) continue;
        for (const { steps, cost: own } of lengths) {
          const end = at + steps;
          if (end > places) break;
          if (isLast && end < places) continue;
          const begin = isLast ? 0 : begins[end]! + (syllable * Math.abs(end - share)) / places;
          const sum = before + own + begin;
          if (sum < next[end]! - 1e-9) {
            next[end] = sum;
            last[end] = steps;
          }
        }
      }
      lasts.push(last);
      cost = next;
    }
    const sum = cost[places]!;
    if (sum === Number.POSITIVE_INFINITY) return null;
    const found: number[] = [];
    for (let chord = count - 1, at = places; chord >= 0; chord--) {
      const steps = lasts[chord]![at]!;
      found.unshift(steps * step);
      at -= steps;
    }
    return { beats: found, cost: sum + (count > 1 ? WEIGHTS.uneven : 0) };
  }

  private roomOf(beats: number, step: number): Room {
    const key = beats / step + (step === 1 ? 0 : 0.5);
    const known = this.rooms.get(key);
    if (known) return known;
    const { bar } = this;
    const places = beats / step;
    const lengths = Array.from({ length: places }, (_, at) => at + 1)
      .filter((steps) => canLast(steps * step, bar))
      .map((steps) => ({ steps, cost: lengthCost(steps * step, bar) }));
    const begins = Float64Array.from({ length: places + 1 }, (_, at) =>
      at === 0 ? 0 : placeCost(at * step, bar) + WEIGHTS.deep * depthOf(at / places),
    );
    const room = { places, step, begins, lengths };
    this.rooms.set(key, room);
    return room;
  }
}

/** Whether the syllables of a line lie quite otherwise than an even share. */
const isFar = (shares: readonly number[]): boolean =>
  shares.some((share, at) => Math.abs(share - at / shares.length) > FAR);

const canLast = (beats: number, bar: BarOfBeats): boolean =>
  LASTING.includes(beats) || (beats >= bar.beats && beats % bar.beats === 0);

/** What a chord costs that begins so far into the line. */
function placeCost(at: number, bar: BarOfBeats): number {
  const within = at % bar.beats;
  if (within === 0) return 0;
  if (within % 1 !== 0) return WEIGHTS.off;
  return bar.hasHalf && within === bar.beats / 2 ? WEIGHTS.half : WEIGHTS.beat;
}

/** What a chord costs that lasts so long: bars and halves of them are doubled and halved, seldom parted in three. */
function lengthCost(beats: number, bar: BarOfBeats): number {
  return Number.isInteger(Math.log2(beats / bar.beats)) ? 0 : WEIGHTS.odd;
}

/** How often a line is halved until a place in it is met: 0 in its middle, 1 at a quarter. */
function depthOf(share: number): number {
  let [depth, parts] = [0, 2];
  while (depth < 4 && !Number.isInteger(share * parts)) [depth, parts] = [depth + 1, parts * 2];
  return depth;
}
