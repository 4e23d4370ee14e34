import { compareCosts, costOfWay, stepsThrough, type ToneBank, type ToneCase, type TonePlan } from "../plan";

/**
 * The cheapest way through banks that are given: which bank each section is played in, and the slot each bank opens on.
 * Slots a bank opens on are settled one bank after the other until nothing gets cheaper.
 * @returns null where a section's tone stands nowhere
 */
export function bestInBanks(
  asked: ToneCase,
  slots: readonly (readonly (string | null)[])[],
): TonePlan | null {
  const { board, sections } = asked;
  if (sections.some(({ tone }) => !slots.some((bank) => bank.includes(tone)))) return null;
  const landings = slots.map((bank) =>
    board.landing === "saved" ? bank.findIndex((one) => one !== null) : null,
  );
  let best = wayThrough(asked, slots, landings);
  for (let grew = board.landing === "saved"; grew; ) {
    grew = false;
    for (const [bank, held] of slots.entries())
      for (const [slot, tone] of held.entries()) {
        if (tone === null || landings[bank] === slot) continue;
        const tried = wayThrough(asked, slots, landings.with(bank, slot));
        if (compareCosts(tried, best) >= 0) continue;
        landings[bank] = slot;
        best = tried;
        grew = true;
      }
  }
  return best;
}

/** The cheapest bank for each section, given the slots banks open on. */
function wayThrough(
  asked: ToneCase,
  slots: readonly (readonly (string | null)[])[],
  landings: readonly (number | null)[],
): TonePlan {
  const { board, sections } = asked;
  type Way = { readonly cost: number; readonly banks: readonly number[] };
  const [exposed, change, press] = [1e8, 1e4, 1];
  let ways = new Map<number, Way>();
  for (const [at, section] of sections.entries()) {
    const next = new Map<number, Way>();
    for (const [bank, held] of slots.entries()) {
      const slot = held.indexOf(section.tone);
      if (slot < 0) continue;
      if (at === 0) {
        next.set(bank, { cost: 0, banks: [bank] });
        continue;
      }
      for (const [from, way] of ways) {
        const last = slots[from]!.indexOf(sections[at - 1]!.tone);
        const lands = board.landing === "saved" ? landings[bank] : last;
        const isRight = lands === slot;
        const step =
          from === bank
            ? last === slot
              ? 0
              : press
            : change +
              (board.change === "direct" ? 1 : 2) * press +
              (isRight ? 0 : press) +
              (isRight && section.restBeforeMs >= board.gapMs ? 0 : exposed);
        const cost = way.cost + step;
        const known = next.get(bank);
        if (!known || cost < known.cost) next.set(bank, { cost, banks: [...way.banks, bank] });
      }
    }
    ways = next;
  }
  const found = [...ways.values()].reduce((least, way) => (way.cost < least.cost ? way : least));
  const entered = new Set(found.banks.filter((bank, at) => at > 0 && bank !== found.banks[at - 1]));
  const banks = slots.map(
    (held, bank): ToneBank => ({ slots: held, landing: entered.has(bank) ? landings[bank]! : null }),
  );
  const places = found.banks.map((bank, at) => ({ bank, slot: slots[bank]!.indexOf(sections[at]!.tone) }));
  const steps = stepsThrough(asked, banks, places);
  return { banks, steps, ...costOfWay(asked, { banks, steps }), exact: false };
}
