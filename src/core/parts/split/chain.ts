import { mayNotFall } from "./split-rules";
import { crowdCost, LAST_BAR, type OptionKinds, type SplitTable } from "./split-table";

/** An option of each player in each section, and the sum of light there where a school bounds it. */
export type Chain = {
  readonly picks: readonly (readonly number[])[];
  readonly sums: readonly number[] | null;
  /** Of the whole plan, those outside the block included. */
  readonly cost: number;
};

/** Who is free in a search, and what the others do. */
export type Block = {
  readonly players: readonly number[];
  /** By section and player; those of the block are not looked at. */
  readonly others: readonly (readonly number[])[];
  /** Counts on others doing whatever is cheapest, at no cost: for lower bounds. */
  readonly relaxed?: boolean;
};

/** States of a block's players together: mixed digits, the last player's fastest. */
type States = {
  readonly count: number;
  readonly sizes: readonly number[];
  readonly strides: readonly number[];
  readonly digits: readonly Int16Array[];
  /** How many play × 4, + 2 where somebody has the bass, + 1 where somebody carries. */
  readonly crowd: Uint8Array;
  /** What the block's players cost each other once a section, and in each of its bars. */
  readonly once: Float64Array;
  readonly eachBar: Float64Array;
};

function statesOf(table: SplitTable, players: readonly number[]): States {
  const sizes = players.map((player) => table.options[player]!.length);
  const count = sizes.reduce((product, size) => product * size, 1);
  const strides = sizes.map((_, at) => sizes.slice(at + 1).reduce((product, size) => product * size, 1));
  const digits = sizes.map((size, at) => {
    const own = new Int16Array(count);
    for (let state = 0; state < count; state++) own[state] = Math.floor(state / strides[at]!) % size;
    return own;
  });
  const crowd = new Uint8Array(count);
  const [once, eachBar] = [new Float64Array(count), new Float64Array(count)];
  for (let state = 0; state < count; state++) {
    let [playing, flags] = [0, 0];
    for (const [at, player] of players.entries()) {
      const option = digits[at]![state]!;
      const { role } = table.options[player]![option]!;
      if (role !== "out") playing++;
      if (role === "bass" && isThere(table, player, option)) flags |= 2;
      if (role === "carry") flags |= 1;
      for (let before = 0; before < at; before++) {
        const other = digits[before]![state]!;
        const cost = costOfPair(table, players[before]!, other, player, option);
        if (isShared(table, players[before]!, other, player, option)) eachBar[state]! += cost;
        else once[state]! += cost;
      }
    }
    crowd[state] = playing * 4 + flags;
  }
  return { count, sizes, strides, digits, crowd, once, eachBar };
}

/** What two options cost in a bar. */
function costOfPair(table: SplitTable, a: number, optionA: number, b: number, optionB: number): number {
  return a < b
    ? table.pairs[a]![b]![optionA * table.options[b]!.length + optionB]!
    : table.pairs[b]![a]![optionB * table.options[a]!.length + optionA]!;
}

/** Whether an option plays from the first bar on. */
const isThere = (table: SplitTable, player: number, option: number): boolean =>
  table.options[player]![option]!.entryBar !== LAST_BAR;

/** Whether two options are counted for every bar of a section, and not for one: see {@link SplitTable}. */
const isShared = (table: SplitTable, a: number, optionA: number, b: number, optionB: number): boolean =>
  table.waits && isThere(table, a, optionA) && isThere(table, b, optionB);

/** By section: what each state costs there, one row a sum of light (or one row for any). */
function sectionCosts(
  table: SplitTable,
  block: Block,
  states: States,
  section: number,
  sums: readonly (number | null)[],
): Float64Array {
  const { players, others, relaxed = false } = block;
  const rest = table.split.players.map((_, player) => player).filter((player) => !players.includes(player));
  const around = relaxed ? [] : rest;
  const fixed = around.map((player) => ({ player, option: others[section]![player]! }));
  const roles = fixed.map(({ player, option }) => table.options[player]![option]!.role);
  const inFixed = roles.filter((role) => role !== "out").length;
  const { bars } = table.split.sections[section]!;
  const solo = players.map((player) => {
    const own = Float64Array.from(table.alone[section]![player]!);
    for (let option = 0; option < own.length; option++)
      for (const other of fixed)
        own[option]! +=
          costOfPair(table, player, option, other.player, other.option) *
          (isShared(table, player, option, other.player, other.option) ? bars : 1);
    return own;
  });
  const base = Float64Array.from(states.once);
  for (let state = 0; state < states.count; state++) base[state]! += states.eachBar[state]! * bars;
  for (const [at, digits] of states.digits.entries()) {
    const own = solo[at]!;
    for (let state = 0; state < states.count; state++) base[state]! += own[digits[state]!]!;
  }
  const costs = new Float64Array(states.count * sums.length);
  const bassFixed = fixed.some(
    ({ player, option }, at) => roles[at] === "bass" && isThere(table, player, option),
  );
  const carriedFixed = roles.includes("carry");
  for (const [row, sum] of sums.entries()) {
    // What a section costs by its crowd is one of few numbers.
    const crowds = Float64Array.from({ length: 4 * (players.length + 1) }, (_, crowd) => {
      const playing = crowd >> 2;
      const [bass, carried] = [(crowd & 2) > 0, (crowd & 1) > 0];
      const at = (more: number, helped: boolean) =>
        crowdCost(
          table,
          section,
          playing + inFixed + more,
          bass || bassFixed || helped,
          carried || carriedFixed || helped,
          sum,
        );
      if (!relaxed) return at(0, false);
      return Math.min(...Array.from({ length: rest.length + 1 }, (_unused, more) => at(more, more > 0)));
    });
    for (let state = 0; state < states.count; state++)
      costs[row * states.count + state] = base[state]! + crowds[states.crowd[state]!]!;
  }
  return costs;
}

/**
 * The best picks of a block's players through all sections, the others as they are: exact, by dynamic programming
 * over the states of the block. A change costs each player by itself, so that one player after another is moved.
 * In the layered build a state has its sum of light too, which may not fall where the energy does not.
 */
export function bestChain(table: SplitTable, block: Block): Chain {
  const { split, school } = table;
  const states = statesOf(table, block.players);
  const bounded = school === "layered build";
  const sums = bounded ? Array.from({ length: 4 * split.players.length + 1 }, (_, sum) => sum) : [null];
  const size = states.count * sums.length;
  const froms: Int32Array[] = [];
  let best = sectionCosts(table, block, states, 0, sums);
  for (let section = 1; section < split.sections.length; section++) {
    const from = new Int32Array(size);
    for (let at = 0; at < size; at++) from[at] = at;
    const mayFall = !mayNotFall(split.sections[section - 1]!, split.sections[section]!);
    let values: Float64Array = best;
    let origins: Int32Array = from;
    if (bounded) [values, origins] = acrossSums(values, origins, states.count, sums.length, mayFall);
    for (const [at, player] of block.players.entries())
      [values, origins] = acrossOptions(values, origins, table.kinds[player]!, states.strides[at]!);
    const costs = sectionCosts(table, block, states, section, sums);
    for (let state = 0; state < size; state++) costs[state]! += values[state]!;
    froms.push(origins);
    best = costs;
  }
  let at = 0;
  for (let state = 1; state < size; state++) if (best[state]! < best[at]!) at = state;
  const cost = best[at]! + (block.relaxed ? 0 : costOfOthers(table, block));
  const found: number[] = [at];
  for (const from of froms.toReversed()) {
    at = from[at]!;
    found.unshift(at);
  }
  const picks = found.map((state, section) => {
    const whole = [...block.others[section]!];
    for (const [index, player] of block.players.entries())
      whole[player] = states.digits[index]![state % states.count]!;
    return whole;
  });
  return { picks, sums: bounded ? found.map((state) => Math.floor(state / states.count)) : null, cost };
}

/** What those outside a block cost by themselves and each other: the same whatever the block does. */
function costOfOthers(table: SplitTable, { players, others }: Block): number {
  const rest = table.split.players.map((_, player) => player).filter((player) => !players.includes(player));
  let cost = 0;
  for (const [section, picks] of others.entries())
    for (const [at, player] of rest.entries()) {
      const option = picks[player]!;
      cost += table.alone[section]![player]![option]!;
      for (const other of rest.slice(at + 1)) {
        const bars = isShared(table, player, option, other, picks[other]!)
          ? table.split.sections[section]!.bars
          : 1;
        cost += bars * costOfPair(table, player, option, other, picks[other]!);
      }
      const before = others[section - 1];
      if (!before) continue;
      const { kindOf, costs } = table.kinds[player]!;
      cost += costs[kindOf[before[player]!]! * Math.sqrt(costs.length) + kindOf[option]!]!;
    }
  return cost;
}

/** The cheapest sum of light before: any, or one that is not higher. */
function acrossSums(
  values: Float64Array,
  origins: Int32Array,
  states: number,
  sums: number,
  mayFall: boolean,
): [Float64Array, Int32Array] {
  const [out, from] = [Float64Array.from(values), Int32Array.from(origins)];
  for (let at = states; at < states * sums; at++) {
    if (out[at - states]! >= out[at]!) continue;
    out[at] = out[at - states]!;
    from[at] = from[at - states]!;
  }
  for (let at = mayFall ? states * (sums - 1) - 1 : -1; at >= 0; at--) {
    if (out[at + states]! >= out[at]!) continue;
    out[at] = out[at + states]!;
    from[at] = from[at + states]!;
  }
  return [out, from];
}

/** Moves one player from every option to every other, by way of the kinds of option a change is charged between. */
function acrossOptions(
  values: Float64Array,
  origins: Int32Array,
  { kindOf, costs }: OptionKinds,
  stride: number,
): [Float64Array, Int32Array] {
  const [size, kinds] = [kindOf.length, Math.sqrt(costs.length)];
  const [out, from] = [new Float64Array(values.length), new Int32Array(values.length)];
  const [least, source] = [new Float64Array(kinds), new Int32Array(kinds)];
  const [moved, start] = [new Float64Array(kinds), new Int32Array(kinds)];
  for (let head = 0; head < values.length; head += size * stride)
    for (let tail = 0; tail < stride; tail++) {
      const base = head + tail;
      least.fill(Number.POSITIVE_INFINITY);
      for (let option = 0; option < size; option++) {
        const at = base + option * stride;
        const kind = kindOf[option]!;
        if (values[at]! >= least[kind]!) continue;
        least[kind] = values[at]!;
        source[kind] = at;
      }
      let floor = Number.POSITIVE_INFINITY;
      for (let kind = 0; kind < kinds; kind++) if (least[kind]! < floor) floor = least[kind]!;
      for (let after = 0; after < kinds; after++) {
        let best = least[after]!;
        let origin = source[after]!;
        // Nothing can be cheaper than staying at the cheapest of all.
        for (let before = 0; before < kinds && best > floor; before++) {
          const cost = least[before]! + costs[before * kinds + after]!;
          if (cost >= best) continue;
          best = cost;
          origin = source[before]!;
        }
        moved[after] = best;
        start[after] = origin;
      }
      for (let option = 0; option < size; option++) {
        const at = base + option * stride;
        const kind = kindOf[option]!;
        out[at] = moved[kind]!;
        from[at] = origins[start[kind]!]!;
      }
    }
  return [out, from];
}
