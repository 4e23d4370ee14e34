import { type EvidenceBar, soundOf } from "./evidence-bars";

/**
 * How unlike two chords are, 0 to 1: three quarters for tones that are not shared, one quarter for another bass.
 * A chord that cannot be read is unlike everything but itself.
 * @example unlikeness("C", "Am7") // three of four tones shared, another bass
 */
export function unlikeness(a: string, b: string): number {
  if (a === b) return 0;
  const [one, two] = [soundOf(a), soundOf(b)];
  if (one === "unknown" || two === "unknown") return 1;
  if (one === null || two === null) return one === two ? 0 : 1;
  const shared = one.classes.filter((tone) => two.classes.includes(tone)).length;
  const tones = 1 - (2 * shared) / (one.classes.length + two.classes.length);
  return 0.75 * tones + (one.bass === two.bass ? 0 : 0.25);
}

/** Whether two chords hold the same tones and only the bass can tell their names apart. */
export function fitsTwoNames(a: string, b: string): boolean {
  const [one, two] = [soundOf(a), soundOf(b)];
  if (one === "unknown" || two === "unknown" || one === null || two === null || one.root === two.root)
    return false;
  const same = (from: readonly number[], to: readonly number[]) => from.every((tone) => to.includes(tone));
  return same(one.classes, two.classes) && same(two.classes, one.classes);
}

/** A stretch of a bar in which no source changes its chord. */
export type Slice = { readonly from: number; readonly to: number };

const EPSILON = 1e-6;

/** The stretches that bars laid over each other are cut into; without a chord in any there is one. */
export function slicesOf(bars: readonly (EvidenceBar | null)[]): Slice[] {
  const cuts = new Set([0, 1]);
  for (const bar of bars) for (const { from, to } of bar?.chords ?? []) cuts.add(round(from)).add(round(to));
  const sorted = [...cuts].filter((cut) => cut >= 0 && cut <= 1).sort((x, y) => x - y);
  return sorted.slice(1).map((to, index) => ({ from: sorted[index]!, to }));
}

const round = (share: number): number => Math.round(share * 1e4) / 1e4;

/** The chord of a bar that sounds in a slice, or null. */
export const chordAt = (bar: EvidenceBar | null, slice: Slice) =>
  bar?.chords.find((chord) => chord.from <= slice.from + EPSILON && chord.to >= slice.to - EPSILON - 1e-4) ??
  null;

/** How unlike two bars are, 0 to 1, by the share of the bar each difference lasts. */
export function barUnlikeness(a: EvidenceBar, b: EvidenceBar): number {
  let sum = 0;
  for (const slice of slicesOf([a, b])) {
    const [one, two] = [chordAt(a, slice), chordAt(b, slice)];
    const cost = one && two ? unlikeness(one.symbol, two.symbol) : one === two ? 0 : 1;
    sum += cost * (slice.to - slice.from);
  }
  return sum;
}
