import { type Chord, moveChord } from "../chord";
import { type Key, moveKey, type Tuning, tuningShift } from "../pitch";
import { type FingeringOptions, fingerings } from "./fingerings";
import type { Level } from "./level";

export type CapoTableOptions = {
  readonly tuning: Tuning;
  readonly maxCapo?: number | undefined;
  readonly level?: Level | undefined;
  readonly scaleMm?: number | undefined;
};

/** One line of the capo table. `effort` is null when some shape has no fingering. */
export type CapoOption = {
  readonly capo: number;
  readonly shapeKey: Key;
  readonly chords: readonly { readonly symbol: string; readonly shape: string }[];
  readonly effort: number | null;
  readonly hardest: { readonly shape: string; readonly difficulty: number | null } | null;
};

/**
 * The key of the shapes: the sounding key less the capo and the tuning's even shift, well named.
 * @example formatKey(shapeKeyAt(F, 3, standard)) // => "D"
 */
export const shapeKeyAt = (key: Key, capo: number, tuning: Tuning): Key =>
  moveKey(key, -capo - tuningShift(tuning));

/**
 * For each capo the shapes a guitar plays and what they cost the hand: the mean difficulty of the
 * easiest fingering of each shape, weighted by beats, N.C. left out. Least effort first, then the
 * lower capo; last the capos where a shape has no fingering.
 */
export function capoTable(
  key: Key,
  chords: readonly { readonly chord: Chord; readonly beats: number }[],
  options: CapoTableOptions,
): CapoOption[] {
  const easiest = new Map<string, number | null>();
  const rows = Array.from({ length: (options.maxCapo ?? 9) + 1 }, (_, capo) =>
    capoOption(key, chords, capo, options, easiest),
  );
  return rows.sort((a, b) => {
    if (a.effort === null || b.effort === null)
      return Number(a.effort === null) - Number(b.effort === null) || a.capo - b.capo;
    return a.effort - b.effort || a.capo - b.capo;
  });
}

function capoOption(
  key: Key,
  chords: readonly { readonly chord: Chord; readonly beats: number }[],
  capo: number,
  options: CapoTableOptions,
  easiest: Map<string, number | null>,
): CapoOption {
  const shapeKey = shapeKeyAt(key, capo, options.tuning);
  const named = chords.map(({ chord }) => ({ symbol: chord.symbol, shape: moveChord(chord, key, shapeKey) }));
  let cost = 0;
  let beats = 0;
  let playable = true;
  let hardest: CapoOption["hardest"] = null;
  for (const [index, item] of chords.entries()) {
    if (item.chord.kind === "none") continue;
    const id = `${capo} ${item.chord.symbol}`;
    if (!easiest.has(id)) easiest.set(id, easiestDifficulty(item.chord, capo, options));
    const difficulty = easiest.get(id)!;
    const shape = named[index]!.shape;
    if (difficulty === null) {
      if (playable) hardest = { shape, difficulty };
      playable = false;
      continue;
    }
    cost += difficulty * item.beats;
    beats += item.beats;
    if (playable && (hardest?.difficulty ?? -1) < difficulty) hardest = { shape, difficulty };
  }
  const effort = beats === 0 ? 0 : Math.round((cost / beats) * 1e6) / 1e6;
  return { capo, shapeKey, chords: named, effort: playable ? effort : null, hardest };
}

function easiestDifficulty(chord: Chord, capo: number, options: CapoTableOptions): number | null {
  const search: FingeringOptions = { ...options, capo, limit: 1 };
  return fingerings(chord, search).fingerings[0]?.difficulty ?? null;
}
