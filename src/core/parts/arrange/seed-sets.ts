import type { SetQuestion, SetTable } from "./set-table";

const cheapest = (costs: Float64Array): number => costs.indexOf(Math.min(...costs));

/** A set by the places of its options in the table. */
export type Seed = { readonly set: Int16Array; readonly cost: number };

/** Sets found by changing one player after another, best first: where the search need not look for worse ones. */
export function seedsOf(question: SetQuestion, table: SetTable, sets: number): readonly Seed[] {
  const costOf = (set: Int16Array) => costOfSet(question, table, set);
  const sizes = table.options.map(({ length }) => length);
  // Where ideas are to be kept it begins with all of them kept.
  const start = table.traits.map(({ kept }, place) =>
    Math.max(0, kept ? kept.indexOf(1) : cheapest(table.own[place]!)),
  );
  let set = Int16Array.from(start);
  let cost = costOf(set);
  for (let better = true; better; ) {
    better = false;
    for (const [place, size] of sizes.entries())
      for (let option = 0; option < size; option++) {
        const other = set.with(place, option);
        const now = costOf(other);
        if (now >= cost) continue;
        [set, cost, better] = [other, now, true];
      }
  }
  const around = sizes.flatMap((size, place) =>
    Array.from({ length: size }, (_, option) => set.with(place, option))
      .filter((other) => other[place] !== set[place])
      .map((other): Seed => ({ set: other, cost: costOf(other) })),
  );
  return [{ set, cost }, ...around]
    .filter((one) => Number.isFinite(one.cost))
    .sort((one, other) => one.cost - other.cost)
    .slice(0, sets);
}

/** What a whole set costs; for ever where it keeps too few or has too many. */
function costOfSet(question: SetQuestion, table: SetTable, set: Int16Array): number {
  const { leastKept, mostKept, mostPlaying } = question;
  const { own, traits, tables, options, isVoice, crowds } = table;
  const size = options.length;
  let [cost, heard, sounding, kept] = [0, 0, 0, 0];
  let [bass, carry, lead] = [question.noBass === 0, question.noCarrier === 0, question.noLead === 0];
  for (let place = 0; place < size; place++) {
    const option = set[place]!;
    const trait = traits[place]!;
    cost += own[place]![option]!;
    for (let later = place + 1; later < size; later++)
      cost += tables[place]![later]![option * options[later]!.length + set[later]!]!;
    sounding += trait.plays[option]!;
    if (!isVoice[place]) heard += trait.plays[option]!;
    kept += trait.kept?.[option] ?? 0;
    bass ||= trait.bass[option] === 1;
    carry ||= trait.carry[option] === 1;
    lead ||= trait.lead[option] === 1;
  }
  if (kept < leastKept || kept > mostKept || (mostPlaying !== null && sounding > mostPlaying))
    return Number.POSITIVE_INFINITY;
  const missing =
    (bass ? 0 : question.noBass) + (carry ? 0 : question.noCarrier) + (lead ? 0 : question.noLead);
  return cost + crowds[heard]! + missing;
}
