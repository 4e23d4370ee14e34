import { fail, ok, type Result } from "../../../base";
import { type Bank, Banks } from "./bank";
import { type Found, searchTones } from "./bank-search";
import { packCost, radixOf, unpackCost } from "./cost";
import { floorOf } from "./floor";
import {
  isCovered,
  pressesOfChange,
  problemOf,
  type ToneCase,
  type ToneCost,
  type TonePin,
  type ToneProblem,
  tonesOf,
} from "./sound-case";
import type { Step } from "./step";

/** A bank as it is saved. */
export type ToneBank = {
  readonly slots: readonly (string | null)[];
  /** The slot it opens on, from 0; null where it is never entered after the start, or the slot number in use stays. */
  readonly landing: number | null;
};

/** What the foot does before a section. */
export type ToneStep = {
  readonly section: string;
  readonly bank: number;
  readonly slot: number;
  /** In the words on the pedals, counted from 1: "arm bank 2", "go", "slot 1". */
  readonly presses: readonly string[];
  /** The section after whose start the bank may be armed; null where nothing is armed. */
  readonly armFrom: string | null;
  readonly exposed: boolean;
};

/** Where each tone is saved, and the way through the song. */
export type ToneWay = { readonly banks: readonly ToneBank[]; readonly steps: readonly ToneStep[] };

export type TonePlan = ToneWay &
  ToneCost & {
    readonly exact: boolean;
    /** Where the search was given up: no plan is better than this. */
    readonly bound?: ToneCost;
  };

/**
 * Puts the tones of a song into banks of slots and finds the way through them: fewest exposed changes, then bank changes,
 * presses, banks, filled slots. A tone may stand in several banks; a bank may also be changed between two sections of
 * one tone, where a rest covers it.
 *
 * Exact for 24 sections, 10 tones and 8 slots without a limit of banks; with a tight limit, or beyond `budget` search
 * steps, the best plan found with a bound.
 * @example planTones({ board, sections, pins: [] }) // => { ok: true, value: { banks: [{ slots: ["verse", "chorus"], landing: null }], … } }
 */
export function planTones(asked: ToneCase): Result<TonePlan, ToneProblem> {
  const problem = problemOf(asked);
  if (problem) return fail(problem);
  const { board, sections, pins } = asked;
  const names = tonesOf(sections);
  const numbers = new Map(names.map((name, number) => [name, number]));
  const tones = sections.map(({ tone }) => numbers.get(tone)!);
  const radix = radixOf(sections.length, pins.length);
  const banks = new Banks(board.slotsPerBank, names.length);
  const start = pinnedBanks(pins, numbers, banks);
  const floor = floorOf(board, sections, tones, radix);
  const found = searchTones(asked, tones, floor, radix, start, banks);
  const way = wayOf(asked, found.last, names, tones);
  const cost = costOfWay(asked, way);
  return ok({
    ...way,
    ...cost,
    ...sureness(found, packCost(cost, radix), () => unpackCost(found.bound, radix)),
  });
}

function sureness(
  { exact, bound }: Found,
  cost: number,
  unpack: () => ToneCost,
): Pick<TonePlan, "exact" | "bound"> {
  return exact || cost <= bound ? { exact: true } : { exact: false, bound: unpack() };
}

/** The banks that pins begin, by their place in the list. */
function pinnedBanks(pins: readonly TonePin[], numbers: ReadonlyMap<string, number>, banks: Banks): Bank[] {
  const begun = new Map<number, Bank>();
  for (const { tone, bank, slot } of pins) {
    const number = numbers.get(tone)!;
    const before = begun.get(bank) ?? banks.empty(bank);
    begun.set(bank, banks.withSlot(banks.withTone(before, number), number, slot));
  }
  return [...begun].sort(([a], [b]) => a - b).map(([, bank]) => bank);
}

/** Names places and presses of a finished search: banks and slots in the order they come into use. */
function wayOf(asked: ToneCase, last: Step, names: readonly string[], tones: readonly number[]): ToneWay {
  const { board, sections } = asked;
  const { family } = last;
  const used: number[] = new Array(sections.length);
  for (let step: Step | null = last; step; step = step.before) used[step.at] = step.current;
  const placeOf = placesOf(family, used);
  const count = Math.max(...placeOf) + 1;
  const order = family.map((_, index) => tones.filter((__, at) => used[at] === index));
  const slots = family.map((bank, index) => fillSlots(bank, order[index]!));
  const landings = family.map((bank, index) => {
    if (board.landing === "same-slot") return null;
    const entries = used.flatMap((one, at) =>
      at > 0 && one === index && used[at - 1] !== index ? [tones[at]!] : [],
    );
    return entries.length === 0 ? null : slots[index]!.indexOf(bank.landing ?? entries[0]!);
  });
  const banks = Array.from({ length: count }, (_, place): ToneBank => {
    const index = placeOf.indexOf(place);
    if (index < 0) return { slots: new Array<null>(board.slotsPerBank).fill(null), landing: null };
    const named = slots[index]!.map((tone) => (tone === null ? null : names[tone]!));
    return { slots: named, landing: landings[index]! };
  });
  const places = sections.map((_, at) => ({
    bank: placeOf[used[at]!]!,
    slot: slots[used[at]!]!.indexOf(tones[at]!),
  }));
  return { banks, steps: stepsThrough(asked, banks, places) };
}

/** Where each bank stands in the list: where pins put it, the others in the free places by their first use. */
function placesOf(family: readonly Bank[], used: readonly number[]): number[] {
  const places: number[] = family.map(({ place }) => place ?? -1);
  const taken = new Set(places);
  let free = 0;
  for (const index of used) {
    if (places[index]! >= 0) continue;
    while (taken.has(free)) free++;
    places[index] = free++;
  }
  return places;
}

function fillSlots(bank: Bank, order: readonly number[]): (number | null)[] {
  const slots = [...bank.slots];
  for (const tone of new Set([...order, ...bank.tones]))
    if (!slots.includes(tone)) slots[slots.indexOf(null)] = tone;
  return slots;
}

/**
 * The presses through given places, one for each section.
 * @throws where a place does not hold the tone of its section
 */
export function stepsThrough(
  asked: Pick<ToneCase, "board" | "sections">,
  banks: readonly ToneBank[],
  places: readonly { readonly bank: number; readonly slot: number }[],
): ToneStep[] {
  const { board, sections } = asked;
  let pressedAt = 0;
  return sections.map((section, at): ToneStep => {
    const { bank, slot } = places[at]!;
    if (banks[bank]?.slots[slot] !== section.tone)
      throw new Error(`Expected ${section.tone} in bank ${bank}, slot ${slot}.`);
    const before = places[at - 1] ?? { bank, slot };
    const plain = { section: section.id, bank, slot, armFrom: null, exposed: false };
    if (before.bank === bank) {
      if (before.slot === slot) return { ...plain, presses: [] };
      pressedAt = at;
      return { ...plain, presses: [`slot ${slot + 1}`] };
    }
    const lands = board.landing === "saved" ? banks[bank]!.landing : before.slot;
    const isRight = lands === slot;
    const armed = board.change === "arm-go";
    const armFrom = armed ? sections[pressedAt]!.id : null;
    pressedAt = at;
    return {
      ...plain,
      presses: [
        ...(armed ? [`arm bank ${bank + 1}`, "go"] : [`bank ${bank + 1}`]),
        ...(isRight ? [] : [`slot ${slot + 1}`]),
      ],
      armFrom,
      exposed: !isRight || !isCovered(board, section),
    };
  });
}

/** Counts the five figures of a way anew from its banks and places alone. */
export function costOfWay({ board, sections }: Pick<ToneCase, "board" | "sections">, way: ToneWay): ToneCost {
  const cost = { exposed: 0, bankChanges: 0, presses: 0 };
  for (const [at, { bank, slot }] of way.steps.entries()) {
    const before = way.steps[at - 1];
    if (!before) continue;
    if (before.bank === bank) {
      if (before.slot !== slot) cost.presses++;
      continue;
    }
    const lands = board.landing === "saved" ? way.banks[bank]!.landing : before.slot;
    cost.bankChanges++;
    cost.presses += pressesOfChange(board) + (lands === slot ? 0 : 1);
    if (lands !== slot || !isCovered(board, sections[at]!)) cost.exposed++;
  }
  const filled = way.banks.map(({ slots }) => slots.filter((tone) => tone !== null).length);
  return {
    ...cost,
    bankCount: filled.filter((count) => count > 0).length,
    filled: filled.reduce((sum, count) => sum + count, 0),
  };
}
