import type { Bank, Banks } from "./bank";
import type { Step } from "./step";

/** Tones of banks that must have one slot number between them, and those that may not. */
type Group = { readonly banks: Set<number>; slot: number | null };

/** Steps after which arranging slots is given up. */
const MOST_TRIES = 20_000;

/**
 * Arranges the slots of a plan that was made without minding them, so that every bank change lands right on a box that
 * keeps its slot number: the tone that is left and the one that is entered have one number.
 * @returns the plan's last step with every slot settled; null where that can't be
 */
export function withSlots(last: Step, tones: readonly number[], banks: Banks): Step | null {
  const used: number[] = [];
  for (let step: Step | null = last; step; step = step.before) used[step.at] = step.current;
  const groups = grouped(last.family, used, tones);
  if (!groups || !settle(groups, banks.slotsPerBank)) return null;
  let family = last.family;
  for (const [key, group] of groups.byTone) {
    const [bank, tone] = key.split(" ").map(Number) as [number, number];
    family = family.with(bank, banks.withSlot(family[bank]!, tone, group.slot!));
  }
  return { ...last, family };
}

type Groups = { readonly byTone: Map<string, Group>; readonly all: readonly Group[] };

/** One group for each tone of each bank, joined where a bank change needs one number; null where a bank meets itself. */
function grouped(family: readonly Bank[], used: readonly number[], tones: readonly number[]): Groups | null {
  const byTone = new Map<string, Group>();
  for (const [index, bank] of family.entries())
    for (const tone of bank.tones) {
      const pinned = bank.slots.indexOf(tone);
      byTone.set(`${index} ${tone}`, { banks: new Set([index]), slot: pinned < 0 ? null : pinned });
    }
  for (let at = 1; at < used.length; at++) {
    const [from, to] = [used[at - 1]!, used[at]!];
    if (from === to) continue;
    const a = byTone.get(`${from} ${tones[at - 1]}`)!;
    const b = byTone.get(`${to} ${tones[at]}`)!;
    if (a === b) continue;
    const meets = [...b.banks].some((bank) => a.banks.has(bank));
    const differ = a.slot !== null && b.slot !== null && a.slot !== b.slot;
    if (meets || differ) return null;
    for (const bank of b.banks) a.banks.add(bank);
    a.slot ??= b.slot;
    for (const [key, group] of byTone) if (group === b) byTone.set(key, a);
  }
  return { byTone, all: [...new Set(byTone.values())] };
}

/** Gives every group a number that no other group of its banks has. */
function settle({ all }: Groups, slots: number): boolean {
  const taken = new Map<number, Set<number>>();
  const slotsOf = (bank: number): Set<number> => {
    const found = taken.get(bank) ?? new Set<number>();
    taken.set(bank, found);
    return found;
  };
  for (const { banks, slot } of all)
    if (slot !== null)
      for (const bank of banks) {
        if (slotsOf(bank).has(slot)) return false;
        slotsOf(bank).add(slot);
      }
  const open = all.filter(({ slot }) => slot === null).sort((a, b) => b.banks.size - a.banks.size);
  let tries = 0;
  const place = (at: number): boolean => {
    const group = open[at];
    if (!group) return true;
    for (let slot = 0; slot < slots; slot++) {
      if (++tries > MOST_TRIES) return false;
      if ([...group.banks].some((bank) => slotsOf(bank).has(slot))) continue;
      group.slot = slot;
      for (const bank of group.banks) slotsOf(bank).add(slot);
      if (place(at + 1)) return true;
      for (const bank of group.banks) slotsOf(bank).delete(slot);
      group.slot = null;
    }
    return false;
  };
  return place(0);
}
