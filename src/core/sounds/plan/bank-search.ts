import type { Bank, Banks } from "./bank";
import type { Radix } from "./cost";
import { type Floor, floorThrough } from "./floor";
import { Heap } from "./heap";
import { withSlots } from "./slots";
import type { ToneCase } from "./sound-case";
import type { Step } from "./step";

export type Found = {
  readonly last: Step;
  readonly exact: boolean;
  /** No plan costs less than this. */
  readonly bound: number;
};

/** Search steps where none are given: under two seconds. */
const USUAL_BUDGET = 25_000;
/** After so many steps a good plan is made by hand, so that what can't beat it is left out. */
const PATIENCE = 1000;
/** How many partial plans go on side by side in such a plan. */
const BEAM = 100;

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
  const context = { asked, tones, floor, radix, banks };
  if (asked.board.landing === "saved") return search(new Ways({ ...context, minds: "landing" }), start);
  if (asked.board.maxBanks === null) {
    // Mostly the slots can be arranged afterwards so that every landing is right: then that plan is the best.
    const loose = new Ways({ ...context, minds: "nothing" });
    const arranged = searchEqual(loose, start, (last) => withSlots(last, tones, banks));
    if (arranged) return arranged;
  }
  return search(new Ways({ ...context, minds: "slots" }), start);
}

/** @param isEnough whether a cheapest plan will do; else the next one that costs as much is looked at. Without it any will */
function search(ways: Ways, start: readonly Bank[], isEnough?: (last: Step) => boolean): Found {
  const { asked, tones, radix } = ways.context;
  const budget = asked.budget ?? USUAL_BUDGET;
  const end = tones.length - 1;
  const queue = new Heap<Step>((a, b) => a.total < b.total || (a.total === b.total && a.at > b.at));
  const cheapest = new Map<string, number>();
  let known: Step | null = null;
  /** What costs more than this is left out. */
  let ceiling = Number.POSITIVE_INFINITY;
  const offer = (step: Step): void => {
    if (step.total > ceiling) return;
    const key = keyOf(step);
    if ((cheapest.get(key) ?? Number.POSITIVE_INFINITY) <= step.total) return;
    cheapest.set(key, step.total);
    queue.push(step);
  };
  const firsts = [...ways.first(start)];
  // With a fresh bank at hand at every change the floor is met, so that only banks and slots are left to save.
  if (asked.board.maxBanks === null) {
    const least = Math.min(...firsts.map(({ total }) => total));
    ceiling = (Math.floor(least / radix.press) + 1) * radix.press - radix.slot;
  }
  for (const step of firsts) offer(step);
  let best: Step | null = null;
  for (let steps = 0; ; steps++) {
    const step = queue.pop();
    if (known && !isEnough && (!step || step.total >= known.total))
      return { last: known, exact: true, bound: known.total };
    if (best && (!step || step.total > best.total)) return { last: best, exact: true, bound: best.total };
    if (!step) throw new Error("Expected every case without a problem to have a plan.");
    if (step.at === end) {
      best ??= step;
      if (isEnough?.(step) ?? true) return { last: step, exact: true, bound: step.total };
      continue;
    }
    if (steps === Math.min(PATIENCE, budget)) {
      known = beam(ways, start, tones.length);
      ceiling = Math.min(ceiling, known.total - (isEnough ? 0 : radix.slot));
    }
    if (steps === budget && known) return { last: known, exact: false, bound: step.total };
    if (cheapest.get(keyOf(step))! === step.total) for (const next of ways.next(step)) offer(next);
  }
}

/** How many plans of one cost are looked at for one whose slots can be arranged. */
const MOST_EQUAL = 200;

/** The first of the cheapest plans that can be arranged; null where none of those found can. */
function searchEqual(ways: Ways, start: readonly Bank[], arrange: (last: Step) => Step | null): Found | null {
  let looked = 0;
  let arranged: Step | null = null;
  const found = search(ways, start, (last) => {
    arranged = arrange(last);
    return arranged !== null || ++looked >= MOST_EQUAL;
  });
  return arranged && found.exact ? { ...found, last: arranged } : null;
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

/** A number as one sign of a text; halves of signs are left out. */
const HALVES = 0xd800;
const sign = (number: number): number => (number < HALVES ? number : number + 0x800);

/** Two partial plans with one key leave the same choices at the same further cost. */
function keyOf({ at, current, family }: Step): string {
  const all = family.map(({ index }) => sign(index)).sort((a, b) => a - b);
  return String.fromCodePoint(at, sign(family[current]!.index), ...all);
}

type Context = {
  readonly asked: ToneCase;
  readonly tones: readonly number[];
  readonly floor: Floor;
  readonly radix: Radix;
  readonly banks: Banks;
  /** What a landing depends on: the slot a bank opens on, the slot numbers, or, to begin with, nothing. */
  readonly minds: "landing" | "slots" | "nothing";
};

/** The ways on from a partial plan. */
class Ways {
  readonly #floors = new Map<number, number>();
  readonly #count: number;
  readonly asked: ToneCase;
  readonly tones: readonly number[];
  readonly floor: Floor;
  readonly radix: Radix;
  readonly banks: Banks;

  constructor(readonly context: Context) {
    ({
      asked: this.asked,
      tones: this.tones,
      floor: this.floor,
      radix: this.radix,
      banks: this.banks,
    } = context);
    this.#count = new Set(this.tones).size;
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
    if (this.context.minds === "nothing") return;
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
    if (this.context.minds === "nothing") {
      yield [left, bank];
      return;
    }
    if (this.context.minds === "landing") {
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
