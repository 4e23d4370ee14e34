import { compareCosts } from "../../src/core/sounds/plan/cost";
import { costOfWay, type ToneBank, type ToneWay } from "../../src/core/sounds/plan/plan-sounds";
import type { ToneCase, ToneCost } from "../../src/core/sounds/plan/sound-case";

type Place = { readonly bank: number; readonly slot: number };

/** Every order of the members. */
function orders<Item>(items: readonly Item[]): Item[][] {
  if (items.length === 0) return [[]];
  return items.flatMap((item, at) => orders(items.toSpliced(at, 1)).map((rest) => [item, ...rest]));
}

/**
 * The cheapest plan by trying everything: each section in each bank, the tones a bank then needs in each arrangement of
 * its slots, each slot it may open on. For small cases in tests.
 * @returns null where no plan is possible
 */
export function slowTones(asked: ToneCase): ToneCost | null {
  const { board, sections, pins } = asked;
  const pinned = Math.max(-1, ...pins.map(({ bank }) => bank)) + 1;
  const most = Math.min(board.maxBanks ?? Number.POSITIVE_INFINITY, sections.length + pinned);
  let best: ToneCost | null = null;
  if (pinned > most) return null;

  const judge = (used: readonly number[], banks: readonly (string | null)[][]): void => {
    const steps = sections.map(({ tone }, at) => {
      const place: Place = { bank: used[at]!, slot: banks[used[at]!]!.indexOf(tone) };
      return { ...place, section: "", presses: [], armFrom: null, exposed: false };
    });
    const land = (at: number, open: readonly ToneBank[]): void => {
      if (at < banks.length) {
        const slots = banks[at]!;
        const landings =
          board.landing === "saved" ? slots.flatMap((tone, slot) => (tone === null ? [] : [slot])) : [];
        for (const landing of landings.length === 0 ? [null] : landings)
          land(at + 1, [...open, { slots, landing }]);
        return;
      }
      const way: ToneWay = { banks: open, steps };
      const cost = costOfWay(asked, way);
      if (!best || compareCosts(cost, best) < 0) best = cost;
    };
    land(0, []);
  };

  const arrange = (used: readonly number[], count: number): void => {
    const needs = Array.from({ length: count }, (_, bank) => {
      const own = pins.filter((pin) => pin.bank === bank);
      const rest = new Set(sections.filter((__, at) => used[at] === bank).map(({ tone }) => tone));
      for (const { tone } of own) rest.delete(tone);
      return { own, rest: [...rest] };
    });
    if (needs.some(({ own, rest }) => own.length + rest.length > board.slotsPerBank)) return;
    const fill = (bank: number, banks: readonly (string | null)[][]): void => {
      if (bank === count) {
        judge(used, banks);
        return;
      }
      const { own, rest } = needs[bank]!;
      const slots = Array.from(
        { length: board.slotsPerBank },
        (_, slot) => own.find((pin) => pin.slot === slot)?.tone ?? null,
      );
      const free = slots.flatMap((tone, slot) => (tone === null ? [slot] : []));
      const tried = new Set<string>();
      const chosen = board.landing === "saved" ? [free] : orders(free);
      for (const order of chosen) {
        const places = order.slice(0, rest.length);
        if (tried.has(places.join())) continue;
        tried.add(places.join());
        const filled = [...slots];
        for (const [at, slot] of places.entries()) filled[slot] = rest[at]!;
        fill(bank + 1, [...banks, filled]);
      }
    };
    fill(0, []);
  };

  const assign = (used: readonly number[], count: number): void => {
    if (used.length === sections.length) arrange(used, count);
    else
      for (let bank = 0; bank <= Math.min(count, most - 1); bank++)
        assign([...used, bank], Math.max(count, bank + 1));
  };
  assign([], pinned);
  return best;
}
