import {
  isPlaying,
  type SplitCase,
  type SplitCell,
  type SplitGrid,
  type SplitSection,
  type SplitTerm,
  type SplitWeights,
} from "./case";

/** Semitones two ranges share; 0 where one of them is none. */
export function sharedSemitones(
  a: Pick<SplitCell, "low" | "high">,
  b: { readonly low: number | null; readonly high: number | null },
): number {
  if (a.low === null || a.high === null || b.low === null || b.high === null) return 0;
  return Math.max(0, Math.min(a.high, b.high) - Math.max(a.low, b.low));
}

/** Onsets two cells share among all of both. */
export function sharedOnsets(a: readonly number[], b: readonly number[]): number {
  const inB = new Set(b);
  const shared = a.filter((tick) => inB.has(tick)).length;
  const united = a.length + b.length - shared;
  return united === 0 ? 0 : shared / united;
}

/** Whether a pair is left out where rhythms are compared: one of them carries, or doubles the other on purpose. */
const excepted = (a: SplitCell, b: SplitCell, idA: string, idB: string): boolean =>
  a.role === "carry" || b.role === "carry" || a.double === idB || b.double === idA;

/** How much light a section has, 0 to 4, with the light of all who play. */
export const lightOf = (lamps: readonly number[]): number =>
  Math.round(4 * (1 - lamps.reduce((dark, lamp) => dark * (1 - lamp / 8), 1)));

/** Bars of a section in which both play. */
const barsTogether = (section: SplitSection, a: SplitCell, b: SplitCell): number =>
  Math.max(0, section.bars - Math.max(a.entryBar, b.entryBar) + 1);

/** What each counted thing amounts to in one section. */
function sectionValues(
  split: SplitCase,
  section: SplitSection,
  cells: readonly SplitCell[],
): Omit<SplitWeights, "change"> {
  let [register, rhythm, voice] = [0, 0, 0];
  for (const [at, a] of cells.entries()) {
    if (!isPlaying(a)) continue;
    if (section.voice && a.role !== "bass") voice += sharedSemitones(a, section.voice) * section.bars;
    for (let other = at + 1; other < cells.length; other++) {
      const b = cells[other]!;
      if (!isPlaying(b)) continue;
      const bars = barsTogether(section, a, b);
      register += sharedSemitones(a, b) * bars;
      if (!excepted(a, b, split.players[at]!.id, split.players[other]!.id))
        rhythm += sharedOnsets(a.onsets, b.onsets) * bars;
    }
  }
  const energy = Math.abs(section.energy - lightOf(cells.map((cell) => cell.lamp))) * section.bars;
  const idle = cells.reduce((sum, cell) => sum + (isPlaying(cell) ? cell.entryBar - 1 : section.bars), 0);
  return { register, rhythm, bass: missingBassBars(section, cells), voice, energy, idle };
}

/** Bars with a chord that no bass carries where the section needs one. */
export function missingBassBars(section: SplitSection, cells: readonly SplitCell[]): number {
  if (section.bass === "free") return 0;
  const from = Math.min(...cells.map((cell) => (cell.role === "bass" ? cell.entryBar : Infinity)));
  return section.chordBars.filter((bar) => bar + 1 < from).length;
}

/** What changes for one player between two sections: a new technique, other strings, a new role. */
export function changeBetween(before: SplitCell, after: SplitCell): number {
  if (!isPlaying(before) || !isPlaying(after)) return 0;
  return (
    (before.technique === after.technique ? 0 : 1) +
    (before.strings.join() === after.strings.join() ? 0 : 1) +
    (before.role === after.role ? 0 : 0.5)
  );
}

export const changesInto = (before: readonly SplitCell[], after: readonly SplitCell[]): number =>
  after.reduce((sum, cell, at) => sum + changeBetween(before[at]!, cell), 0);

const WORDS: Readonly<Record<keyof SplitWeights, (value: number) => string>> = Object.freeze({
  register: (value) => `${plain(value)} semitone-bars in which two players lie in one register`,
  rhythm: (value) => `${plain(value)} bars’ worth of the same strokes by two players`,
  bass: (value) => `${plain(value)} bars without a bass`,
  voice: (value) => `${plain(value)} semitone-bars inside the voice’s register`,
  energy: (value) => `${plain(value)} steps of light too little or too much, by bars`,
  change: (value) => `${plain(value)} changes of technique, strings or role`,
  idle: (value) => `${plain(value)} bars in which players don’t play`,
});

const plain = (value: number): string => String(Math.round(value * 100) / 100);

/** Every term of a split, by section; left out where nothing counts against it. */
export function termsOf(split: SplitCase, grid: SplitGrid): SplitTerm[] {
  return split.sections.flatMap((section, at) => {
    const cells = grid[at]!;
    const before = grid[at - 1];
    const change = before ? changesInto(before, cells) : 0;
    const values = { ...sectionValues(split, section, cells), change };
    return Object.entries(values).flatMap(([key, value]): SplitTerm[] => {
      const name = key as keyof SplitWeights;
      const weight = split.weights[name];
      return value === 0 || (name === "idle" && weight === 0)
        ? []
        : [{ section: section.id, name, value, weight, words: WORDS[name](value) }];
    });
  });
}

/** Σ weight × value. */
export const scoreOf = (terms: readonly Pick<SplitTerm, "value" | "weight">[]): number =>
  terms.reduce((sum, { value, weight }) => sum + value * weight, 0);
