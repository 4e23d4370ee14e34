import { type Board, pairKey } from "./board";
import { type ArrangeCell, plays } from "./case";

/** Who does what in one use, by player: places in the board's options. */
export type Picks = Int16Array;

export type SetQuestion = {
  readonly board: Board;
  readonly at: number;
  /** By player: the options, and what each costs by itself, coming from where the song is. */
  readonly options: readonly Int16Array[];
  readonly own: readonly Float64Array[];
  /** By player and option: whether it keeps the idea of the round before; null where there is none. */
  readonly kept: readonly Uint8Array[] | null;
  /** At least and at most so many keep theirs. */
  readonly leastKept: number;
  readonly mostKept: number;
  /** What so many playing cost; voices are not counted. */
  readonly crowd: (playing: number) => number;
  /** At most so many play, voices too; null for any number. */
  readonly mostPlaying: number | null;
  /** What no carrier costs, what a lead not sung costs, and a missing bass. */
  readonly noCarrier: number;
  readonly noLead: number;
  readonly noBass: number;
};

export type SetFound = { readonly picks: Picks; readonly cost: number };

export type SetWidths = {
  /** So many of the best sets. */
  readonly sets: number;
  /** So many options a player, those cheapest by themselves. */
  readonly options: number;
  /** So many steps of one search. */
  readonly nodes: number;
};

/** What is asked of each option, looked up once a search. */
type Traits = {
  readonly plays: Uint8Array;
  readonly bass: Uint8Array;
  readonly carry: Uint8Array;
  readonly lead: Uint8Array;
  readonly kept: Uint8Array | null;
};

/**
 * The cheapest sets for one use, best first, by branch and bound: players one after another, each option with what it costs
 * beside those already set; a branch ends where what it has, and the least that all others could still add, is no better
 * than the last of the best.
 * @returns `whole` is false where widths left something out that might have been among them
 */
export function bestSets(
  question: SetQuestion,
  widths: SetWidths,
): { readonly sets: readonly SetFound[]; readonly whole: boolean } {
  const { board, at, mostKept, leastKept, crowd, mostPlaying } = question;
  const { players, uses } = board.asked;
  const { bars } = uses[at]!;
  const size = players.length;
  const order = [...question.options.keys()].sort(
    (a, b) => question.options[a]!.length - question.options[b]!.length || a - b,
  );
  let whole = true;
  const chosen = order.map((who) => {
    const picked = narrowed(question, who, widths.options);
    if (picked.length < question.options[who]!.length) whole = false;
    return picked;
  });
  const options = order.map((who, place) => chosen[place]!.map((index) => question.options[who]![index]!));
  const traits = order.map((who, place) => traitsOf(question, who, options[place]!, chosen[place]!));
  const isVoice = order.map((who) => players[who]!.instrument === "voice");
  const tables = order.map((a, i) =>
    order.map((b, j) => (j > i ? tableOf(board, a, b, options[i]!, options[j]!, bars) : null)),
  );
  // By depth and player what each option costs so far: its own, and beside all who are set.
  const costs = order.map((_, depth) =>
    order.map((who, place) =>
      depth === 0
        ? Float64Array.from(chosen[place]!, (index) => question.own[who]![index]!)
        : new Float64Array(options[place]!.length),
    ),
  );
  /** From a place on: whether somebody could still have the bass, and how many could keep their idea. */
  const after = order.map((_, place) => ({
    bass: traits.slice(place).some(({ bass }) => bass.includes(1)),
    carry: traits.slice(place).some(({ carry }) => carry.includes(1)),
    lead: traits.slice(place).some(({ lead }) => lead.includes(1)),
    kept: traits.slice(place).filter(({ kept }) => kept?.includes(1)).length,
  }));
  after.push({ bass: false, carry: false, lead: false, kept: 0 });
  const crowds = Array.from({ length: size + 1 }, (_, playing) => crowd(playing));
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
    const next = after[place + 1]!;
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
  /** What a whole set costs; for ever where it keeps too few or has too many. */
  const costOf = (set: Int16Array): number => {
    let [cost, heard, sounding, kept] = [0, 0, 0, 0];
    let [bass, carry, lead] = [question.noBass === 0, question.noCarrier === 0, question.noLead === 0];
    for (let place = 0; place < size; place++) {
      const option = set[place]!;
      const trait = traits[place]!;
      cost += costs[0]![place]![option]!;
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
  };
  const seeds = seedsOf(
    options.map(({ length }) => length),
    traits.map(({ kept }, place) => Math.max(0, kept ? kept.indexOf(1) : cheapest(costs[0]![place]!))),
    costOf,
    widths.sets,
  );
  const last = seeds.length === widths.sets ? seeds.at(-1)!.cost : Number.POSITIVE_INFINITY;
  limit = last + Math.abs(last) * 1e-9 + 1e-9;
  go(0, 0, 0, 0, 0, question.noBass === 0, question.noCarrier === 0, question.noLead === 0);
  // A search that was cut has not met all of them again.
  if (nodes > widths.nodes) for (const { set, cost } of seeds) add(set, cost);
  return { sets: best, whole };
}

const cheapest = (costs: Float64Array): number => costs.indexOf(Math.min(...costs));

type Seed = { readonly set: Int16Array; readonly cost: number };

/** Sets found by changing one player after another, best first: where the search need not look for worse ones. */
function seedsOf(
  sizes: readonly number[],
  start: readonly number[],
  costOf: (set: Int16Array) => number,
  sets: number,
): readonly Seed[] {
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

/** The options to be tried: the cheapest by themselves, and always the cheapest out, bass, carrier and keeper of an idea. */
function narrowed(question: SetQuestion, who: number, width: number): number[] {
  const own = question.own[who]!;
  const places = [...own.keys()].sort((a, b) => own[a]! - own[b]! || a - b);
  if (places.length <= width) return places;
  const cells = question.board.options[who]!;
  const cellAt = (place: number): ArrangeCell => cells[question.options[who]![place]!]!;
  const always = [
    places.find((place) => !plays(cellAt(place))),
    places.find((place) => cellAt(place).role === "bass"),
    places.find((place) => cellAt(place).role === "carry"),
    places.find((place) => question.kept?.[who]?.[place] === 1),
  ];
  return [...new Set([...places.slice(0, width - 4), ...always.flatMap((place) => place ?? [])])];
}

function traitsOf(
  { board, kept }: SetQuestion,
  who: number,
  options: readonly number[],
  places: readonly number[],
): Traits {
  const cells = options.map((option) => board.options[who]![option]!);
  const flags = (is: (cell: ArrangeCell) => boolean) => Uint8Array.from(cells, (cell) => Number(is(cell)));
  const sings = board.asked.players[who]!.instrument === "voice";
  return {
    plays: flags(plays),
    bass: flags(({ role }) => role === "bass"),
    carry: flags(({ role }) => role === "carry"),
    lead: flags(({ role }) => sings && role === "carry"),
    kept: kept ? Uint8Array.from(places, (place) => kept[who]![place]!) : null,
  };
}

/** What each pair of the options tried costs through the whole use. */
function tableOf(
  board: Board,
  a: number,
  b: number,
  own: readonly number[],
  others: readonly number[],
  bars: number,
): Float64Array {
  const [first, second] = a < b ? [a, b] : [b, a];
  const { eachBar, once } = board.pairs.get(pairKey(first, second))!;
  const width = board.options[second]!.length;
  const table = new Float64Array(own.length * others.length);
  for (const [i, one] of own.entries())
    for (const [j, other] of others.entries()) {
      const key = a < b ? one * width + other : other * width + one;
      table[i * others.length + j] = eachBar[key]! * bars + once[key]!;
    }
  return table;
}
