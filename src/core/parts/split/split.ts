import { isPlaying, type Proposal, SCHOOLS, type School, type SplitCase, type SplitCell } from "./case";
import { bestChain, type Chain } from "./chain";
import { entriesOf } from "./entries";
import { bestLamps } from "./lamps";
import { polish } from "./polish";
import { violationsOf } from "./split-rules";
import { scoreOf, termsOf } from "./split-score";
import { crowdCost, LAST_BAR, leaderOf, type SplitTable, tableOf } from "./split-table";

/** States a block may have for an exact search of all players at once. */
const MOST_STATES = 60_000;
/** States of two players together that are searched with the sum of light. */
const MOST_PAIR_STATES = 4_000;

/** A plan this near to what every plan must cost is as good as any. */
const AS_GOOD = 1e-6;

/** One proposal of each school. */
export const splitSong = (split: SplitCase): Proposal[] => SCHOOLS.map((school) => splitBy(split, school));

/**
 * The proposal of one school: techniques, registers and roles by the least score, then light and entries.
 * Few players are searched all at once, which is exact; more are improved two at a time through the whole song until
 * no two of them can do better.
 */
export function splitBy(split: SplitCase, school: School): Proposal {
  const table = tableOf(split, school);
  const rows = school === "layered build" ? 4 * split.players.length + 1 : 1;
  const states = table.options.reduce((product, options) => product * options.length, rows);
  const exact = states <= MOST_STATES;
  const everybody = split.players.map((_, player) => player);
  const nobody = split.sections.map(() => everybody.map(() => 0));
  const least = exact ? 0 : lowerBound(table, nobody);
  const chain = exact
    ? bestChain(table, { players: everybody, others: nobody })
    : improved(table, nobody, least);
  const cells = cellsOf(table, chain);
  // What the search found is what any plan must cost; a layered build may have to wait somewhere besides.
  const found = scoreOf(termsOf(split, cells));
  const asked = school === "layered build" && enterLate(split, cells);
  polish(split, school, cells);
  const terms = termsOf(split, cells);
  const score = scoreOf(terms);
  return {
    school,
    cells,
    terms,
    score,
    violations: violationsOf(split, school, cells),
    exact: exact && !(asked && table.waits),
    bound: Math.min(score, exact ? found : least),
  };
}

/**
 * Improves one player, then two at a time, from several orders of the players; done once a plan costs no more than
 * every plan must.
 */
function improved(table: SplitTable, nobody: Chain["picks"], least: number): Chain {
  const players = table.split.players.map((_, player) => player);
  const { players: people } = table.split;
  const leader = leaderOf(people);
  const bassist = people.some((one) => one.instrument === "bass");
  const rank = (player: number): number => {
    const { instrument } = people[player]!;
    if (instrument === "bass") return 0;
    if (player === leader) return 2;
    // Without a bass somebody else is asked for it before the leader.
    const mayHaveBass = !bassist && (instrument === "guitar" || instrument === "keys");
    return mayHaveBass ? 1 : instrument === "drums" ? 4 : 3;
  };
  const natural = [...players].sort((a, b) => rank(a) - rank(b));
  const orders = [natural, [...natural.slice(0, 2), ...natural.slice(2).reverse()]];
  const improve = (order: readonly number[]): Chain => {
    let chain: Chain = { picks: nobody, sums: null, cost: Number.POSITIVE_INFINITY };
    const tryBlock = (block: readonly number[]): boolean => {
      const next = bestChain(table, { players: block, others: chain.picks });
      const better = next.cost < chain.cost - 1e-10;
      if (better) chain = next;
      return better;
    };
    const rows = table.school === "layered build" ? 4 * players.length + 1 : 1;
    const fits = (block: readonly number[]) =>
      block.reduce((product, player) => product * table.options[player]!.length, rows) <= MOST_PAIR_STATES;
    const pairs = order.flatMap((a, at) => order.slice(at + 1).map((b) => [a, b] as const)).filter(fits);
    let first = true;
    for (let better = true; better; first = false) {
      better = false;
      for (const player of order) better = tryBlock([player]) || better;
      for (const pair of first || better ? pairs : []) better = tryBlock(pair) || better;
    }
    return chain;
  };
  let best = improve(orders[0]!);
  for (const order of orders.slice(1)) {
    if (best.cost <= least + AS_GOOD) break;
    const other = improve(order);
    if (other.cost < best.cost) best = other;
  }
  return best;
}

/**
 * What any plan must cost: the most of what one player must through the song, whatever the others do; or what all
 * sections must by how many play, whoever they are.
 */
function lowerBound(table: SplitTable, nobody: Chain["picks"]): number {
  const { sections, players, weights } = table.split;
  const alone = players.map(
    (_, player) => bestChain(table, { players: [player], others: nobody, relaxed: true }).cost,
  );
  const crowds = sections.map(({ bars }, section) =>
    Math.min(
      ...Array.from(
        { length: players.length + 1 },
        (_, playing) =>
          crowdCost(table, section, playing, true, true, null) +
          weights.idle * bars * (players.length - playing),
      ),
    ),
  );
  return Math.max(
    0,
    ...alone,
    crowds.reduce((sum, cost) => sum + cost, 0),
  );
}

/** Cells with light and entries from the picks of a search. */
function cellsOf({ split, options, waits }: SplitTable, chain: Chain): SplitCell[][] {
  return split.sections.map((section, at) => {
    const cells = chain.picks[at]!.map((option, player) => options[player]![option]!);
    const playing = cells.filter(isPlaying);
    const lamps = [...bestLamps(playing.length, section.energy, chain.sums?.[at] ?? null)!.lamps];
    // The brightest light is whose the section is.
    const order = [...playing].sort((a, b) => Number(b.role === "carry") - Number(a.role === "carry"));
    const entries = waits
      ? cells.map((cell) => (cell.entryBar === LAST_BAR ? section.bars : 1))
      : entriesOf(cells, section, split.weights);
    return cells.map((cell, player): SplitCell => {
      if (!isPlaying(cell)) return cell;
      return { ...cell, lamp: lamps[order.indexOf(cell)]!, entryBar: entries[player]! };
    });
  });
}

/**
 * A layered build has somebody come in halfway: the last in the list who can, where the song begins to grow.
 * @returns whether that had to be added
 */
function enterLate(split: SplitCase, grid: SplitCell[][]): boolean {
  if (grid.some((cells) => cells.some((cell) => cell.entryBar > 1))) return false;
  for (const [at, section] of split.sections.entries()) {
    const cells = grid[at]!;
    if (section.bars < 2) continue;
    const free = (cell: SplitCell) =>
      isPlaying(cell) &&
      (section.bass === "free" ||
        cell.role !== "bass" ||
        cells.filter((one) => one.role === "bass").length > 1);
    const player = cells.findLastIndex(free);
    if (player < 0) continue;
    cells[player] = { ...cells[player]!, entryBar: Math.floor(section.bars / 2) + 1 };
    return true;
  }
  return false;
}
