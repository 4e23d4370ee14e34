import type { Bank, Banks } from "./bank";
import type { Radix } from "./cost";
import { type Floor, floorThrough } from "./floor";
import { Heap } from "./heap";
import type { ToneCase } from "./tone-case";

/** A plan up to one section: the banks as far as they are filled, and the one in use. */
export type Step = {
  readonly at: number;
  /** Index in `family` of the bank in use. */
  readonly current: number;
  /** Every bank in use so far, by the order they were begun. */
  readonly family: readonly Bank[];
  readonly cost: number;
  /** How many of the song's tones no bank holds yet. */
  readonly missing: number;
  /** Slots filled in all banks. */
  readonly filled: number;
  /** Cost and the least the rest can cost. */
  readonly total: number;
  readonly before: Step | null;
};

export type Found = {
  readonly last: Step;
  readonly exact: boolean;
  /** No plan costs less than this. */
  readonly bound: number;
};

/** Search steps where none are given: under two seconds. */
export const USUAL_BUDGET = 25_000;
/** After so many steps a good plan is made by hand, so that what can't beat it is left out. */
const PATIENCE = 2000;
/** How many partial plans go on side by side in such a plan. */
const BEAM = 200;

/**
 * Looks for the cheapest plan, always going on with the partial plan that could still become the cheapest. Partial plans
 * that leave the same choices are looked at once. When the steps are used up, the best plan made by hand is given: the
 * most hopeful partial plans played to the end.
 * @param tones the tone of each section, as a number
 */
export function searchTones(
  asked: ToneCase,
  tones: readonly number[],
  floor: Floor,
  radix: Radix,
  start: readonly Bank[],
  banks: Banks,
): Found {
  const budget = asked.budget ?? USUAL_BUDGET;
  const ways = new Ways(asked, tones, floor, radix, banks);
  const queue = new Heap<Step>((a, b) => a.total < b.total || (a.total === b.total && a.at > b.at));
  const cheapest = new Map<string, number>();
  let known: Step | null = null;
  const offer = (step: Step): void => {
    if (known && step.total >= known.total) return;
    const key = keyOf(step);
    if ((cheapest.get(key) ?? Number.POSITIVE_INFINITY) <= step.total) return;
    cheapest.set(key, step.total);
    queue.push(step);
  };
  for (const step of ways.first(start)) offer(step);
  for (let steps = 0; ; steps++) {
    const step = queue.pop();
    if (known && (!step || step.total >= known.total))
      return { last: known, exact: true, bound: known.total };
    if (!step) throw new Error("Expected every case without a problem to have a plan.");
    if (step.at === tones.length - 1) return { last: step, exact: true, bound: step.total };
    if (steps === Math.min(PATIENCE, budget)) known = beam(ways, start, tones.length);
    if (steps === budget && known) return { last: known, exact: false, bound: step.total };
    if (cheapest.get(keyOf(step))! === step.total) for (const next of ways.next(step)) offer(next);
  }
}

/** Plays the most hopeful partial plans to the end, section by section. */
function beam(ways: Ways, start: readonly Bank[], sections: number): Step {
  let front = [...ways.first(start)];
  for (let at = 1; at < sections; at++) {
    const best = new Map<string, Step>();
    for (const step of front)
      for (const next of ways.next(step)) {
        const key = keyOf(next);
        const known = best.get(key);
        if (!known || next.total < known.total) best.set(key, next);
      }
    front = [...best.values()].sort((a, b) => a.total - b.total).slice(0, BEAM);
  }
  return front.reduce((least, step) => (step.total < least.total ? step : least));
}

/** Two partial plans with one key leave the same choices at the same further cost. */
function keyOf({ at, current, family }: Step): string {
  const all = family.map(({ index }) => index).sort((a, b) => a - b);
  return String.fromCodePoint(at, family[current]!.index, ...all);
}

/** The ways on from a partial plan. */
class Ways {
  readonly mindsSlots: boolean;
  readonly #floors = new Map<number, number>();
  readonly #count: number;

  constructor(
    readonly asked: ToneCase,
    readonly tones: readonly number[],
    readonly floor: Floor,
    readonly radix: Radix,
    readonly banks: Banks,
  ) {
    this.mindsSlots = asked.board.landing === "same-slot";
    this.#count = new Set(tones).size;
  }

  /** Where the first section may be played: the bank is set before the song. */
  *first(start: readonly Bank[]): Iterable<Step> {
    const filled = start.reduce((sum, bank) => sum + bank.tones.size, 0);
    const held = new Set(start.flatMap(({ tones }) => [...tones]));
    const cost = start.length * this.radix.bank + filled * this.radix.slot;
    const missing = this.#count - held.size;
    yield* this.#enter({ family: start, cost, filled, missing, at: -1, before: null, current: null }, 0);
  }

  *next(step: Step): Iterable<Step> {
    const at = step.at + 1;
    const tone = this.tones[at]!;
    const bank = step.family[step.current]!;
    if (bank.tones.has(tone) || this.banks.hasRoom(bank)) {
      const family = step.family.with(step.current, this.banks.withTone(bank, tone));
      const stays = this.#step(step, family, step.current, this.floor.stay[at]!, !bank.tones.has(tone));
      if (stays) yield stays;
    }
    yield* this.#enter(step, this.floor.change[at]!);
  }

  /** Every bank a section may be played in that is not the one in use. */
  *#enter(step: Before, change: number): Iterable<Step> {
    const at = step.at + 1;
    const tone = this.tones[at]!;
    const limit = this.asked.board.maxBanks ?? Number.POSITIVE_INFINITY;
    for (const [index, bank] of step.family.entries()) {
      if (index === step.current) continue;
      const isNew = !bank.tones.has(tone);
      if (isNew && !this.banks.hasRoom(bank)) continue;
      yield* this.#land(step, index, this.banks.withTone(bank, tone), change, isNew);
    }
    if (step.family.length < limit) {
      const fresh = this.banks.withTone(this.banks.empty(null), tone);
      yield* this.#land(step, step.family.length, fresh, change + this.radix.bank, true);
    }
  }

  /** The ways to land in a bank: on the wanted tone, where that can be arranged, or on another. */
  *#land(step: Before, index: number, bank: Bank, cost: number, isNew: boolean): Iterable<Step> {
    const put = (landed: Bank): Bank[] =>
      index === step.family.length ? [...step.family, landed] : step.family.with(index, landed);
    const tone = this.tones[step.at + 1]!;
    if (step.current === null) {
      const only = this.#step(step, put(bank), index, cost, isNew);
      if (only) yield only;
      return;
    }
    for (const [left, landed] of this.#arranged(step.family, step.current, step.at, bank, tone)) {
      const right = this.#step(step, put(landed).with(step.current, left), index, cost, isNew);
      if (right) yield right;
    }
    const wrong = this.#step(step, put(bank), index, cost + this.#wrong(step.at + 1), isNew);
    if (wrong) yield wrong;
  }

  /** What landing on another tone adds to a bank change: a press, and it is heard. */
  readonly #wrong = (at: number): number =>
    (this.floor.change[at]! >= this.radix.exposed ? 0 : this.radix.exposed) + this.radix.press;

  /** The bank that is left and the one that is entered, with what makes the landing right settled. */
  *#arranged(
    family: readonly Bank[],
    current: number,
    at: number,
    bank: Bank,
    tone: number,
  ): Iterable<readonly [Bank, Bank]> {
    const left = family[current]!;
    if (!this.mindsSlots) {
      if (bank.landing === null || bank.landing === tone) yield [left, this.banks.withLanding(bank, tone)];
      return;
    }
    const leaving = this.tones[at]!;
    const from = left.slots.indexOf(leaving);
    const to = bank.slots.indexOf(tone);
    const fits = (slot: number) =>
      (from < 0 ? left.slots[slot] === null : slot === from) &&
      (to < 0 ? bank.slots[slot] === null : slot === to);
    let sawUntouched = false;
    for (let slot = 0; slot < this.banks.slotsPerBank; slot++) {
      if (!fits(slot)) continue;
      const untouched = family.every(({ slots }) => slots[slot] === null);
      if (untouched && sawUntouched) continue;
      sawUntouched ||= untouched;
      yield [this.banks.withSlot(left, leaving, slot), this.banks.withSlot(bank, tone, slot)];
    }
  }

  /** A partial plan one section longer; null where a limit of banks leaves no place for a tone still to come. */
  #step(before: Before, family: readonly Bank[], current: number, cost: number, isNew: boolean): Step | null {
    const { board } = this.asked;
    const at = before.at + 1;
    const tone = this.tones[at]!;
    const spent = before.cost + cost + (isNew ? this.radix.slot : 0);
    const filled = before.filled + (isNew ? 1 : 0);
    const isFirst = isNew && !before.family.some(({ tones }) => tones.has(tone));
    const missing = before.missing - (isFirst ? 1 : 0);
    const room = family.length * board.slotsPerBank - filled;
    const more = Math.max(0, Math.ceil((missing - room) / board.slotsPerBank));
    if (board.maxBanks !== null && family.length + more > board.maxBanks) return null;
    const isFull = board.maxBanks !== null && board.maxBanks * board.slotsPerBank === filled + missing;
    const rest = isFull ? this.#floorThrough(at, current, family) : 0;
    const least =
      Math.max(rest, this.#floorFrom(at, family[current]!)) +
      more * this.radix.bank +
      missing * this.radix.slot;
    return {
      at,
      current,
      family,
      cost: spent,
      missing,
      filled,
      total: spent + least,
      before: before.current === null ? null : (before as Step),
    };
  }

  #floorThrough(at: number, current: number, family: readonly Bank[]): number {
    const { slotsPerBank, maxBanks } = this.asked.board;
    const hasFresh = family.length < maxBanks!;
    const rules = { slotsPerBank, hasFresh, wrong: this.#wrong };
    return floorThrough(this.floor, this.tones, { at, current, family }, rules);
  }

  #floorFrom(at: number, bank: Bank): number {
    const key = bank.index * this.tones.length + at;
    const known = this.#floors.get(key);
    if (known !== undefined) return known;
    const least = this.floor.from(at, bank.tones);
    this.#floors.set(key, least);
    return least;
  }
}

/** A partial plan, or what there is before the first section. */
type Before =
  | Step
  | {
      readonly at: -1;
      readonly current: null;
      readonly family: readonly Bank[];
      readonly cost: number;
      readonly missing: number;
      readonly filled: number;
      readonly before: null;
    };
