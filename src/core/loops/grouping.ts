import { divides, type LoopCase, type LoopLayer } from "./loop-case";

/** Layers that share tracks: one mask of layer indexes a track, in the order of their first layers. */
export type Blocks = readonly number[];

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

  constructor(private readonly asked: Pick<LoopCase, "layers" | "pins" | "looper">) {
    this.lengths = asked.layers.map(({ bars }) => bars);
    this.pins = asked.layers.map(({ id }) => (Object.hasOwn(asked.pins, id) ? asked.pins[id]! : null));
    this.fitting = this.lengths.map((longest) =>
      this.lengths.reduce((mask, bars, at) => (divides(bars, longest) ? mask | (1 << at) : mask), 0),
    );
    this.everyLayer = (1 << this.lengths.length) - 1;
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

  private pinsAgree(blocks: Blocks): boolean {
    const seen = new Set<number>();
    for (const block of blocks) {
      let own: number | null = null;
      for (let at = 0; at < this.pins.length; at++) {
        const pin = block & (1 << at) ? this.pins[at]! : null;
        if (pin === null) continue;
        if (own !== null && own !== pin) return false;
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
      if (this.holds(changed, rest) && this.pinsAgree(next)) found.push(next);
    };
    for (const [index, block] of blocks.entries()) keep(blocks.with(index, block | bit), block | bit);
    if (blocks.length < this.asked.looper.tracks) keep([...blocks, bit], bit);
    return found;
  }

  /** Whether a whole grouping is allowed: what was let through in hope must hold now. */
  isWhole(blocks: Blocks): boolean {
    return blocks.every((block) => this.holds(block, 0));
  }

  /**
   * Some grouping, or null where there is none. The longest layers are placed first: a shorter one joins a track whose
   * longest it goes into, or opens one, so that what can't be is found out early. Without pins, layers whose length goes
   * into no other one's each need a track, and the others join them.
   */
  first(): Blocks | null {
    const order = this.lengths.map((_, at) => at).sort((a, b) => this.lengths[b]! - this.lengths[a]!);
    const isFree = this.pins.every((pin) => pin === null);
    const seek = (blocks: Blocks, at: number): Blocks | null => {
      const layer = order[at];
      if (layer === undefined) return blocks;
      const bit = 1 << layer;
      const joined = blocks.flatMap((block, index) =>
        this.holds(block | bit, 0) ? [blocks.with(index, block | bit)] : [],
      );
      const opened = blocks.length < this.asked.looper.tracks ? [[...blocks, bit]] : [];
      for (const next of isFree && joined.length > 0 ? joined.slice(0, 1) : [...joined, ...opened]) {
        const found = this.pinsAgree(next) ? seek(next, at + 1) : null;
        if (found) return found;
      }
      return null;
    };
    return seek([], 0)?.toSorted((a, b) => (a & -a) - (b & -b)) ?? null;
  }

  /** Two layers that can't stand on one track, for telling why there is no grouping. @param among which pairs are asked */
  badPair(among: (a: LoopLayer, b: LoopLayer) => boolean = () => true): BadPair | null {
    const { layers } = this.asked;
    for (const [at, a] of layers.entries())
      for (const b of layers.slice(at + 1))
        if (!divides(a.bars, b.bars) && !divides(b.bars, a.bars) && among(a, b)) return { a, b };
    return null;
  }

  /** The track of each block: pinned ones where they are pinned, the others on the first free ones. */
  tracksOf(blocks: Blocks): number[] {
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
