import { isPlaying, type School, type SplitCase, type SplitCell } from "./case";
import { bestLamps } from "./lamps";
import { optionsOf } from "./split-options";
import { isTwice, SPARSE_ENERGY, SPARSE_PLAYERS } from "./split-rules";
import { changeBetween, sharedOnsets, sharedSemitones } from "./split-score";

/** What breaking a rule costs a search: more than any plan that keeps them. */
const BREACH = 1e6;
/** Makes equal plans differ by what a school likes; too small to outweigh any term. */
const LIKING = 1e-9;

/** Options of a player by kind: technique, strings and role; and what a change costs, kind before × kinds + kind after. */
export type OptionKinds = { readonly kindOf: Int16Array; readonly costs: Float64Array };

/** The entry of an option that waits for a section's last bar, whichever that is. */
export const LAST_BAR = Number.POSITIVE_INFINITY;

/**
 * A case as numbers: what each player could do, what two of them cost together, and what a change costs.
 *
 * A cost falls evenly with every bar somebody waits, so that in a best plan everybody comes in at the first bar or at
 * the last. Where waiting costs nothing, whoever clashes waits: pairs are then counted for one bar, and who it is that
 * waits is chosen afterwards (`entries.ts`). Where it costs something each option stands twice, from the first bar and
 * for the last one only, and a pair is counted for the bars it shares.
 */
export type SplitTable = {
  readonly split: SplitCase;
  readonly school: School;
  readonly options: readonly (readonly SplitCell[])[];
  /** Whether options that wait stand beside those that don't. */
  readonly waits: boolean;
  /** By pair of players: cost in a bar, by option of the first × options of the second + option of the second. */
  readonly pairs: readonly (readonly Float64Array[])[];
  /** By player: options alike in all a change is charged for. */
  readonly kinds: readonly OptionKinds[];
  /** By section and player: what an option costs there by itself. */
  readonly alone: readonly (readonly Float64Array[])[];
};

export function tableOf(split: SplitCase, school: School): SplitTable {
  const { weights, sections, players } = split;
  const waits = weights.idle > 0;
  const options = players.map((player) => {
    const own = optionsOf(split, player);
    const late = own.filter(isPlaying).map((cell) => ({ ...cell, entryBar: LAST_BAR }));
    return waits ? [...own, ...late] : own;
  });
  const pairs = players.map((_, a) =>
    players.map((__, b) => {
      if (b <= a) return new Float64Array(0);
      const costs = new Float64Array(options[a]!.length * options[b]!.length);
      for (const [i, one] of options[a]!.entries())
        for (const [j, other] of options[b]!.entries())
          costs[i * options[b]!.length + j] = pairCost(one, other, weights);
      return costs;
    }),
  );
  const kinds = options.map((own) => kindsOf(own, weights.change));
  const who = { leader: leaderOf(players), bassist: players.some((one) => one.instrument === "bass") };
  const alone = sections.map((section) =>
    options.map((own, player) =>
      Float64Array.from(own, (cell, at) => {
        const inVoice =
          section.voice && cell.role !== "bass" ? sharedSemitones(cell, section.voice) * section.bars : 0;
        const idle = !isPlaying(cell) ? section.bars : cell.entryBar === LAST_BAR ? section.bars - 1 : 0;
        return (
          weights.voice * inVoice +
          weights.idle * idle +
          LIKING * (unlikely(split, who, player, cell, section) + at / 1000)
        );
      }),
    ),
  );
  return { split, school, options, waits, pairs, kinds, alone };
}

function kindsOf(options: readonly SplitCell[], weight: number): OptionKinds {
  const firsts: SplitCell[] = [];
  const byKey = new Map<string, number>();
  const kindOf = Int16Array.from(options, (cell) => {
    const key = `${cell.technique} ${cell.strings.join()} ${cell.role}`;
    const known = byKey.get(key);
    if (known !== undefined) return known;
    byKey.set(key, firsts.length);
    return firsts.push(cell) - 1;
  });
  const costs = Float64Array.from({ length: firsts.length ** 2 }, (_, at) => {
    const [before, after] = [firsts[Math.floor(at / firsts.length)]!, firsts[at % firsts.length]!];
    return weight * changeBetween(before, after);
  });
  return { kindOf, costs };
}

/** Whose song it is: who sings and plays, else the first who plays chords. -1 for nobody. */
export function leaderOf(players: SplitCase["players"]): number {
  const singer = players.findIndex((one) => one.sings && one.instrument !== "voice");
  if (singer >= 0) return singer;
  return players.findIndex((one) => one.instrument === "guitar" || one.instrument === "keys");
}

/** How unlikely a leader would ask this of a player, where nothing else decides. */
function unlikely(
  split: SplitCase,
  { leader, bassist }: { readonly leader: number; readonly bassist: boolean },
  player: number,
  cell: SplitCell,
  section: SplitCase["sections"][number],
): number {
  const own = split.players[player]!;
  if (cell.role === "bass" && bassist && own.instrument !== "bass") return 5;
  if (cell.role === "bass" && player === leader && split.players.length > 1) return 2;
  if (cell.role === "carry") return player === leader ? 0 : 1;
  if (cell.role === "line" && own.sings && section.voice) return 2;
  if (player === leader) return cell.role === "out" ? 4 : 0.5;
  return own.instrument === "bass" && cell.role === "out" && section.bass === "needed" ? 3 : 0;
}

/** What two cells cost together in a bar both play. */
export function pairCost(a: SplitCell, b: SplitCell, weights: SplitCase["weights"]): number {
  if (!isPlaying(a) || !isPlaying(b)) return 0;
  const carrying = a.role === "carry" || b.role === "carry";
  const broken = isTwice(a, b) || (a.role === "carry" && b.role === "carry") ? BREACH : 0;
  const rhythm = carrying ? 0 : sharedOnsets(a.onsets, b.onsets);
  return weights.register * sharedSemitones(a, b) + weights.rhythm * rhythm + broken;
}

/** What a section costs by how many play, and whether somebody has the bass and somebody carries. */
export function crowdCost(
  table: SplitTable,
  section: number,
  playing: number,
  bass: boolean,
  carried: boolean,
  sum: number | null,
): number {
  const { split, school } = table;
  const { energy, bars, bass: wanted, chordBars } = split.sections[section]!;
  const lamps = bestLamps(playing, energy, sum);
  if (!lamps) return Number.POSITIVE_INFINITY;
  let cost = split.weights.energy * lamps.distance * bars + LIKING * 3 * dislike(table, section, playing);
  if (wanted === "needed" && !bass) cost += BREACH + split.weights.bass * chordBars.length;
  if (school === "carry and colour" && !carried) cost += BREACH;
  if (school === "sparse" && energy <= SPARSE_ENERGY && playing > SPARSE_PLAYERS)
    cost += BREACH * (playing - SPARSE_PLAYERS);
  return cost;
}

/** How far a number of players is from what a school would like where nothing else decides. */
function dislike({ split, school }: SplitTable, section: number, playing: number): number {
  const all = split.players.length;
  switch (school) {
    case "layered build":
      return Math.abs(playing - Math.max(1, Math.round((all * (section + 1)) / split.sections.length)));
    case "carry and colour":
      return all - playing;
    case "sparse":
      return Math.abs(
        playing - (split.sections[section]!.energy <= SPARSE_ENERGY ? SPARSE_PLAYERS : SPARSE_PLAYERS + 1),
      );
  }
}
