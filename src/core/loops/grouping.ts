import { passesOf } from "./build";
import { divides, type LoopCase, type LoopLayer } from "./loop-case";
import { isAlike, isTwin, type PedalPrices } from "./pedal-prices";

/**
 * Layers that share tracks: one mask of layer indexes a track, in the order of their first layers. Where it matters which
 * track is which, one mask for every track of the box, 0 for those without.
 */
export type Blocks = readonly number[];

const countOf = (blocks: Blocks): number => blocks.filter((block) => block !== 0).length;

/** The lengths of two layers that can't share a track because neither goes into the other. */
export type BadPair = { readonly a: LoopLayer; readonly b: LoopLayer };

/**
 * Groups layers step by step: layer `i` joins a track in use or opens the next one. Every grouping the rules allow
 * is met exactly once, in list order: sharing with the first track first.
 */
export class Grouping {
  private readonly lengths: readonly number[];
  private readonly pins: readonly (number | null)[];
  /** By candidate length: which layers go into it. */
  private readonly fitting: readonly number[];
  private readonly everyLayer: number;
  /** What pedals cost, where it matters which track is which. */
  private readonly placed: PedalPrices | null;
  /** No layer placed yet. */
  readonly none: Blocks;

  /** The fewest tracks in use that will do: where each pass has its own while tracks last, that many. */
  private least: number;

  constructor(private readonly asked: Pick<LoopCase, "layers" | "pins" | "looper" | "spread">) {
    const { prices, tracks } = asked.looper;
    this.placed = prices && !isAlike(prices) ? prices : null;
    this.none = this.placed ? Array.from({ length: tracks }, () => 0) : [];
    this.lengths = asked.layers.map(({ bars }) => bars);
    this.pins = asked.layers.map(({ id }) => (Object.hasOwn(asked.pins, id) ? asked.pins[id]! : null));
    this.fitting = this.lengths.map((longest) =>
      this.lengths.reduce((mask, bars, at) => (divides(bars, longest) ? mask | (1 << at) : mask), 0),
    );
    this.everyLayer = (1 << this.lengths.length) - 1;
    this.least = asked.spread ? Math.min(tracks, passesOf(asked.layers).length) : 0;
  }

  /** Whether these layers, with any of `mayJoin` added, can share a track: some length there holds all of them. */
  private holds(block: number, mayJoin: number): boolean {
    return this.fitting.some((fits, at) => ((block | mayJoin) & (1 << at)) !== 0 && (fits & block) === block);
  }

  pinOf(block: number): number | null {
    for (let at = 0; at < this.pins.length; at++)
      if (block & (1 << at) && this.pins[at] !== null) return this.pins[at]!;
    return null;
  }

  /** @param isPlaced whether each block stands on its own track already */
  private pinsAgree(blocks: Blocks, isPlaced: boolean): boolean {
    const seen = new Set<number>();
    for (const [place, block] of blocks.entries()) {
      let own: number | null = null;
      for (let at = 0; at < this.pins.length; at++) {
        const pin = block & (1 << at) ? this.pins[at]! : null;
        if (pin === null) continue;
        if ((own !== null && own !== pin) || (isPlaced && pin !== place)) return false;
        own = pin;
      }
      if (own !== null && seen.has(own)) return false;
      if (own !== null) seen.add(own);
    }
    return true;
  }

  /**
   * The groupings that follow when layer `at` is added.
   * @param from the first layer that was added: earlier ones are left out and may still join
   */
  next(blocks: Blocks, at: number, from = 0): Blocks[] {
    const found: Blocks[] = [];
    const rest = this.everyLayer & ~((1 << (at + 1)) - (1 << from));
    const bit = 1 << at;
    const keep = (next: Blocks, changed: number) => {
      if (this.holds(changed, rest) && this.pinsAgree(next, this.placed !== null)) found.push(next);
    };
    const left = this.lengths.length - at - 1;
    const mayShare = countOf(blocks) + left >= this.least;
    for (const [index, block] of blocks.entries())
      if (block !== 0 && mayShare) keep(blocks.with(index, block | bit), block | bit);
    for (const next of this.opened(blocks, bit)) keep(next, bit);
    return found;
  }

  /** A layer on a track of its own: the next one, or any free one that no earlier free one can stand for. */
  private opened(blocks: Blocks, bit: number): Blocks[] {
    const { placed } = this;
    if (!placed) return blocks.length < this.asked.looper.tracks ? [[...blocks, bit]] : [];
    const free = blocks.flatMap((block, at) => (block === 0 ? [at] : []));
    const pinned = new Set(this.pins);
    const isSecond = (at: number) =>
      free.some((other) => other < at && isTwin(placed, other, at) && !pinned.has(other) && !pinned.has(at));
    return free.filter((at) => !isSecond(at)).map((at) => blocks.with(at, bit));
  }

  /** The tracks in use, as bits. */
  used(blocks: Blocks): number {
    return blocks.reduce((mask, block, at) => (block === 0 ? mask : mask | (1 << at)), 0);
  }

  /** Whether every layer has its place. */
  isFull(blocks: Blocks): boolean {
    return blocks.reduce((mask, block) => mask | block, 0) === this.everyLayer;
  }

  /** Whether a whole grouping is allowed: what was let through in hope must hold now. */
  isWhole(blocks: Blocks): boolean {
    return countOf(blocks) >= this.least && blocks.every((block) => block === 0 || this.holds(block, 0));
  }

  /**
   * Some grouping, or null where there is none. The longest layers are placed first: a shorter one joins a track whose
   * longest it goes into, or opens one, so that what can't be is found out early. Without pins, layers whose length goes
   * into no other one's each need a track, and the others join them.
   */
  first(): Blocks | null {
    const order = this.lengths.map((_, at) => at).sort((a, b) => this.lengths[b]! - this.lengths[a]!);
    const isFree = this.least === 0 && this.pins.every((pin) => pin === null);
    const seek = (blocks: Blocks, at: number): Blocks | null => {
      const layer = order[at];
      if (layer === undefined) return blocks.length >= this.least ? blocks : null;
      const bit = 1 << layer;
      const joined = blocks.flatMap((block, index) =>
        this.holds(block | bit, 0) ? [blocks.with(index, block | bit)] : [],
      );
      const opened = blocks.length < this.asked.looper.tracks ? [[...blocks, bit]] : [];
      const ways = this.least > 0 ? [...opened, ...joined] : [...joined, ...opened];
      for (const next of isFree && joined.length > 0 ? joined.slice(0, 1) : ways) {
        const found = this.pinsAgree(next, false) ? seek(next, at + 1) : null;
        if (found) return found;
      }
      return null;
    };
    let any = seek([], 0);
    // Pins and lengths may ask for sharing all the same.
    while (!any && this.least > 0) {
      this.least--;
      any = seek([], 0);
    }
    const found = any?.toSorted((a, b) => (a & -a) - (b & -b)) ?? null;
    if (!found || !this.placed) return found;
    const trackOf = this.onTracks(found);
    return this.none.map((_, track) => found[trackOf.indexOf(track)] ?? 0);
  }

  /** Two layers that can't stand on one track, for telling why there is no grouping. @param among which pairs are asked */
  badPair(among: (a: LoopLayer, b: LoopLayer) => boolean = () => true): BadPair | null {
    const { layers } = this.asked;
    for (const [at, a] of layers.entries())
      for (const b of layers.slice(at + 1))
        if (!divides(a.bars, b.bars) && !divides(b.bars, a.bars) && among(a, b)) return { a, b };
    return null;
  }

  /** The track of each block: its own where that matters, else as pinned, and the others on the first free ones. */
  tracksOf(blocks: Blocks): number[] {
    return this.placed ? [...blocks.keys()] : this.onTracks(blocks);
  }

  private onTracks(blocks: Blocks): number[] {
    const pinned = blocks.map((block) => this.pinOf(block));
    const taken = new Set(pinned);
    let free = 0;
    return pinned.map((pin) => {
      if (pin !== null) return pin;
      while (taken.has(free)) free++;
      taken.add(free);
      return free;
    });
  }
}
