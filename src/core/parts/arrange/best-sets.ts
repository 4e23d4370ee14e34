import { seedsOf } from "./seed-sets";
import { type Picks, type SetQuestion, setTable } from "./set-table";

export type SetFound = { readonly picks: Picks; readonly cost: number };

export type SetWidths = {
  /** So many of the best sets. */
  readonly sets: number;
  /** So many options a player, those cheapest by themselves. */
  readonly options: number;
  /** So many steps of one search. */
  readonly nodes: number;
};

/**
 * The cheapest sets for one use, best first, by branch and bound: players one after another, each option with what it costs
 * beside those already set; a branch ends where what it has, and the least that all others could still add, is no better
 * than the last of the best.
 * @returns `whole` is false where widths left something out that might have been among them; no set of the options tried
 * costs less than `floor`
 */
export function bestSets(
  question: SetQuestion,
  widths: SetWidths,
): { readonly sets: readonly SetFound[]; readonly whole: boolean; readonly floor: number } {
  const { mostKept, leastKept, mostPlaying } = question;
  const table = setTable(question, widths.options);
  const { order, options, own: alone, traits, isVoice, tables, ahead, crowds } = table;
  const size = order.length;
  let { whole } = table;
  // By depth and place what each option costs so far: its own, and beside all who are set.
  const costs = order.map((_, depth) =>
    alone.map((own) => (depth === 0 ? own : new Float64Array(own.length))),
  );
  const best: SetFound[] = [];
  let limit = Number.POSITIVE_INFINITY;
  let nodes = 0;
  const stack = new Int16Array(size);
  const more = new Float64Array(size);

  const add = (set: Int16Array, cost: number): void => {
    const picks = new Int16Array(size);
    for (let place = 0; place < size; place++) picks[order[place]!] = options[place]![set[place]!]!;
    if (best.some((one) => one.picks.every((pick, who) => pick === picks[who]))) return;
    let to = best.length;
    while (to > 0 && best[to - 1]!.cost > cost) to--;
    best.splice(to, 0, { picks, cost });
    if (best.length > widths.sets) best.pop();
    if (best.length === widths.sets) limit = Math.min(limit, best.at(-1)!.cost);
  };

  /** The least all from a place on could add: each out or playing at their cheapest, so many playing as cost least. */
  const leastFrom = (depth: number, place: number, heard: number): number => {
    let sum = 0;
    let count = 0;
    for (let later = place; later < size; later++) {
      const now = costs[depth]![later]!;
      const sounds = traits[later]!.plays;
      let out = Number.POSITIVE_INFINITY;
      let playing = Number.POSITIVE_INFINITY;
      for (let option = 0; option < now.length; option++) {
        const cost = now[option]!;
        if (sounds[option] === 1) {
          if (cost < playing) playing = cost;
        } else if (cost < out) out = cost;
      }
      if (isVoice[later]) sum += Math.min(out, playing);
      else if (out === Number.POSITIVE_INFINITY) {
        sum += playing;
        heard++;
      } else {
        sum += out;
        if (playing === Number.POSITIVE_INFINITY) continue;
        // Sorted as they come, the cheapest to join first.
        const extra = playing - out;
        let to = count++;
        while (to > 0 && more[to - 1]! > extra) {
          more[to] = more[to - 1]!;
          to--;
        }
        more[to] = extra;
      }
    }
    let least = crowds[heard]!;
    let joined = 0;
    for (let others = 0; others < count; others++) {
      joined += more[others]!;
      const cost = joined + crowds[heard + others + 1]!;
      if (cost < least) least = cost;
    }
    return sum + least;
  };

  const go = (
    place: number,
    spent: number,
    heard: number,
    sounding: number,
    kept: number,
    bass: boolean,
    carry: boolean,
    lead: boolean,
  ): void => {
    if (place === size) {
      const cost =
        spent +
        crowds[heard]! +
        (bass ? 0 : question.noBass) +
        (carry ? 0 : question.noCarrier) +
        (lead ? 0 : question.noLead);
      if (cost < limit) add(stack, cost);
      return;
    }
    const own = costs[place]![place]!;
    const trait = traits[place]!;
    const next = ahead[place + 1]!;
    const children = [...own.keys()].sort((a, b) => own[a]! - own[b]! || a - b);
    for (const option of children) {
      const spentNow = spent + own[option]!;
      if (spentNow >= limit) break;
      const keeps = kept + (trait.kept?.[option] ?? 0);
      if (keeps > mostKept || keeps + next.kept < leastKept) continue;
      const playing = trait.plays[option]!;
      if (mostPlaying !== null && sounding + playing > mostPlaying) continue;
      if (++nodes > widths.nodes) {
        whole = false;
        return;
      }
      const nowHeard = heard + (isVoice[place] ? 0 : playing);
      const hasBass = bass || trait.bass[option] === 1;
      const hasCarry = carry || trait.carry[option] === 1;
      const hasLead = lead || trait.lead[option] === 1;
      for (let later = place + 1; later < size; later++) {
        const before = costs[place]![later]!;
        const now = costs[place + 1]![later]!;
        const table = tables[place]![later]!;
        const from = option * before.length;
        for (let other = 0; other < before.length; other++)
          now[other] = before[other]! + table[from + other]!;
      }
      const rest =
        leastFrom(place + 1, place + 1, nowHeard) +
        (hasBass || next.bass ? 0 : question.noBass) +
        (hasCarry || next.carry ? 0 : question.noCarrier) +
        (hasLead || next.lead ? 0 : question.noLead);
      if (spentNow + rest >= limit) continue;
      stack[place] = option;
      go(place + 1, spentNow, nowHeard, sounding + playing, keeps, hasBass, hasCarry, hasLead);
    }
  };
  const seeds = seedsOf(question, table, widths.sets);
  const last = seeds.length === widths.sets ? seeds.at(-1)!.cost : Number.POSITIVE_INFINITY;
  limit = last + Math.abs(last) * 1e-9 + 1e-9;
  const root = leastFrom(0, 0, 0);
  go(0, 0, 0, 0, 0, question.noBass === 0, question.noCarrier === 0, question.noLead === 0);
  // A search that was cut has not met all of them again.
  if (nodes > widths.nodes) for (const { set, cost } of seeds) add(set, cost);
  const floor = nodes > widths.nodes ? root : (best[0]?.cost ?? Number.POSITIVE_INFINITY);
  return { sets: best, whole, floor };
}
