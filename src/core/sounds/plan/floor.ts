import type { Bank } from "./bank";
import type { Radix } from "./cost";
import { isCovered, pressesOfChange, type ToneBoard, type ToneSection } from "./sound-case";

/**
 * The least that the rest of a song costs in exposed changes, bank changes and presses, were there a fresh bank at every
 * change. It is never more than what a real plan costs from there on, and without a limit of banks it is what one costs.
 */
export type Floor = {
  /** What the change into a section costs when it lands on its tone. */
  readonly change: readonly number[];
  /** What staying in the bank costs at a section. */
  readonly stay: readonly number[];
  /** @param held the tones of the bank in which section `at` is played */
  readonly from: (at: number, held: ReadonlySet<number>) => number;
};

/**
 * @param tones the tone of each section, as a number
 * @returns costs packed by `radix`
 */
export function floorOf(
  board: ToneBoard,
  sections: readonly ToneSection[],
  tones: readonly number[],
  radix: Radix,
): Floor {
  const count = sections.length;
  const change = sections.map((section) => {
    const exposed = isCovered(board, section) ? 0 : radix.exposed;
    return exposed + radix.bankChanges + pressesOfChange(board) * radix.press;
  });
  const stay = tones.map((tone, at) => (at > 0 && tones[at - 1] !== tone ? radix.press : 0));
  /** What a song costs from the section a fresh bank begins with. */
  const fresh = new Array<number>(count + 1).fill(0);
  const from = (at: number, held: ReadonlySet<number>): number => {
    const inBank = new Set(held);
    let [staying, least] = [0, Number.POSITIVE_INFINITY];
    for (let next = at + 1; next < count; next++) {
      least = Math.min(least, staying + change[next]! + fresh[next]!);
      inBank.add(tones[next]!);
      if (inBank.size > board.slotsPerBank) return least;
      staying += stay[next]!;
    }
    return Math.min(least, staying);
  };
  for (let at = count - 1; at >= 0; at--) fresh[at] = from(at, new Set([tones[at]!]));
  return { change, stay, from };
}

/**
 * The least that the rest costs where a limit of banks leaves no place for another copy: a tone that some bank holds is
 * found in the banks that hold it, any other may still come to every bank with room. Stronger there than {@link Floor}.
 */
export function floorThrough(
  { change, stay }: Pick<Floor, "change" | "stay">,
  tones: readonly number[],
  from: { readonly at: number; readonly current: number; readonly family: readonly Bank[] },
  rules: {
    readonly slotsPerBank: number;
    readonly hasFresh: boolean;
    /** What landing on another tone adds at a section. */
    readonly wrong: (at: number) => number;
  },
): number {
  const { at: first, current, family } = from;
  const count = family.length + (rules.hasFresh ? 1 : 0);
  const hasRoom = family.map((bank) => bank.tones.size < rules.slotsPerBank);
  const placed = new Set(family.flatMap((bank) => [...bank.tones]));
  let after = new Array<number>(count).fill(0);
  for (let at = tones.length - 1; at > first; at--) {
    const tone = tones[at]!;
    const mayAdd = !placed.has(tone);
    let [least, second, at1] = [Number.POSITIVE_INFINITY, Number.POSITIVE_INFINITY, -1];
    const through = new Array<number>(count);
    for (let bank = 0; bank < count; bank++) {
      const own = family[bank];
      const holds = own ? own.tones.has(tone) || (mayAdd && hasRoom[bank]!) : mayAdd;
      through[bank] = holds ? after[bank]! : Number.POSITIVE_INFINITY;
      const lands = !own || own.landing === null || own.landing === tone;
      const entered = through[bank]! + change[at]! + (lands ? 0 : rules.wrong(at));
      if (entered < least) [second, least, at1] = [least, entered, bank];
      else if (entered < second) second = entered;
    }
    after = through.map((cost, bank) => Math.min(cost + stay[at]!, bank === at1 ? second : least));
  }
  return after[current]!;
}
