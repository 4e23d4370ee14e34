import type { BOX_CHANGES, BOX_LANDINGS } from "../../song/schema";

/** A box with memories, as far as the plan needs to know it. */
export type ToneBoard = {
  readonly slotsPerBank: number;
  /** How long it is silent at a bank change, ms. */
  readonly gapMs: number;
  /** On the slot saved with the bank, or on the slot number in use. */
  readonly landing: (typeof BOX_LANDINGS)[number];
  /** Armed first and let go on a second press, or at once. */
  readonly change: (typeof BOX_CHANGES)[number];
  /** How many banks may be used; null is no limit. */
  readonly maxBanks: number | null;
};

/** A section of the song on one tone. */
export type ToneSection = {
  readonly id: string;
  readonly tone: string;
  /** How long the player is silent just before it, ms. */
  readonly restBeforeMs: number;
};

/** A tone that must stand in a slot; bank and slot are counted from 0. */
export type TonePin = { readonly tone: string; readonly bank: number; readonly slot: number };

export type ToneCase = {
  readonly board: ToneBoard;
  readonly sections: readonly ToneSection[];
  readonly pins: readonly TonePin[];
  /** Search steps after which the best found so far is taken. */
  readonly budget?: number | undefined;
};

/** The five figures of a plan, the weightiest first. */
export type ToneCost = {
  /** Bank changes that are heard: in no rest long enough, or landing on another tone first. */
  readonly exposed: number;
  readonly bankChanges: number;
  readonly presses: number;
  readonly bankCount: number;
  /** Slots that hold a tone. */
  readonly filled: number;
};

/** What stands in the way of any plan. */
export type ToneProblem =
  | {
      readonly code: "too-many-tones";
      readonly tones: number;
      readonly banks: number;
      readonly slots: number;
    }
  | { readonly code: "pins-leave-no-room"; readonly tones: number; readonly places: number }
  | { readonly code: "pin-bank"; readonly pin: number; readonly banks: number }
  | { readonly code: "pin-slot"; readonly pin: number; readonly slots: number }
  | { readonly code: "pin-tone"; readonly pin: number }
  | { readonly code: "pin-taken"; readonly pin: number; readonly by: string }
  | { readonly code: "pin-twice"; readonly pin: number };

/** The tones of a case in the order they come. */
export const tonesOf = (sections: readonly Pick<ToneSection, "tone">[]): string[] => [
  ...new Set(sections.map(({ tone }) => tone)),
];

/** The fault of a pin, or of what is left beside the pins; null where a plan is possible. */
export function problemOf({ board, sections, pins }: ToneCase): ToneProblem | null {
  const { slotsPerBank: slots, maxBanks } = board;
  const tones = tonesOf(sections);
  for (const [pin, { tone, bank, slot }] of pins.entries()) {
    const before = pins.slice(0, pin).filter((one) => one.bank === bank);
    const there = before.find((one) => one.slot === slot);
    if (!tones.includes(tone)) return { code: "pin-tone", pin };
    if (maxBanks !== null && bank >= maxBanks) return { code: "pin-bank", pin, banks: maxBanks };
    if (slot >= slots) return { code: "pin-slot", pin, slots };
    if (there) return { code: "pin-taken", pin, by: there.tone };
    if (before.some((one) => one.tone === tone)) return { code: "pin-twice", pin };
  }
  if (maxBanks === null) return null;
  if (maxBanks * slots < tones.length)
    return { code: "too-many-tones", tones: tones.length, banks: maxBanks, slots };
  const left = tones.filter((tone) => !pins.some((pin) => pin.tone === tone)).length;
  const places = maxBanks * slots - pins.length;
  return left > places ? { code: "pins-leave-no-room", tones: left, places } : null;
}

/** Whether a rest is long enough for the box's gap. */
export const isCovered = (board: ToneBoard, section: ToneSection): boolean =>
  section.restBeforeMs >= board.gapMs;

/** Presses of a bank change that lands on the wanted tone. */
export const pressesOfChange = (board: ToneBoard): number => (board.change === "direct" ? 1 : 2);
