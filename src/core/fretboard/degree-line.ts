import { type Chord, formatTone, type SoundingChord, toneName } from "../chord";
import { formatPitch, pitchClassOf, type Tuning } from "../pitch";
import { LAST_FRET } from "./neck";

type DegreeNote = {
  readonly symbol: string;
  /** As it was allowed: "3" for the flat third of a minor chord too. */
  readonly degree: string | null;
  readonly pitch: string | null;
  readonly string: number | null;
  readonly fret: number | null;
};

export type DegreeLine = {
  readonly notes: readonly DegreeNote[];
  /** Semitones moved over the whole line. */
  readonly movement: number;
};

export type DegreeLineOptions = {
  readonly tuning: Tuning;
  readonly capo?: number;
  /** The lowest and the highest pitch, MIDI. */
  readonly range: readonly [low: number, high: number];
  /** Degrees a note may be; "3" is also the minor third and "b7" only the flat seventh. */
  readonly allowed: readonly string[];
};

type Option = {
  readonly midi: number;
  readonly degree: string;
  readonly isRoot: boolean;
  readonly name: number;
  readonly string: number;
  readonly fret: number;
};

/** A way to an option: movement first, then roots, then how low it lies. */
type Way = {
  readonly movement: number;
  readonly roots: number;
  readonly height: number;
  readonly from: number;
};

const better = (a: Way, b: Way): boolean =>
  a.movement !== b.movement
    ? a.movement < b.movement
    : a.roots !== b.roots
      ? a.roots > b.roots
      : a.height < b.height;

/**
 * One chord tone for each change with the least total movement; of equal lines the one with more roots, then the
 * lower one. Each note is played at its lowest fret. No chord gives no note, and the line goes on from the one before.
 * @returns the line, or the index of the first chord that has no allowed tone in range on this neck
 * @example degreeLine([C, Am, F], { tuning, range: [48, 60], allowed: ["1", "3", "5"] })
 */
export function degreeLine(
  changes: readonly Chord[],
  { tuning, capo = 0, range, allowed }: DegreeLineOptions,
): { readonly ok: true; readonly value: DegreeLine } | { readonly ok: false; readonly problem: number } {
  const columns: { readonly index: number; readonly options: readonly Option[] }[] = [];
  for (const [index, chord] of changes.entries()) {
    if (chord.kind === "none") continue;
    const options = optionsOf(chord, tuning, capo, range, allowed);
    if (options.length === 0) return { ok: false, problem: index };
    columns.push({ index, options });
  }
  const ways: Way[][] = [];
  for (const [at, { options }] of columns.entries()) {
    const before = columns[at - 1]?.options ?? [];
    ways.push(
      options.map((option): Way => {
        const own = { roots: Number(option.isRoot), height: option.midi };
        if (at === 0) return { movement: 0, ...own, from: -1 };
        let best: Way | null = null;
        for (const [from, way] of ways[at - 1]!.entries()) {
          const next = {
            movement: way.movement + Math.abs(option.midi - before[from]!.midi),
            roots: way.roots + own.roots,
            height: way.height + own.height,
            from,
          };
          if (!best || better(next, best)) best = next;
        }
        return best!;
      }),
    );
  }
  const chosen = trace(ways);
  const notes = changes.map(({ symbol }, index): DegreeNote => {
    const at = columns.findIndex((column) => column.index === index);
    if (at < 0) return { symbol, degree: null, pitch: null, string: null, fret: null };
    const { degree, midi, name, string, fret } = columns[at]!.options[chosen[at]!]!;
    return { symbol, degree, pitch: formatPitch(midi, name), string, fret };
  });
  const last = ways.at(-1)?.[chosen.at(-1) ?? 0];
  return { ok: true, value: { notes, movement: last?.movement ?? 0 } };
}

function trace(ways: readonly (readonly Way[])[]): number[] {
  const last = ways.at(-1);
  if (!last) return [];
  let at = 0;
  for (const [index, way] of last.entries()) if (better(way, last[at]!)) at = index;
  const chosen: number[] = [];
  for (let column = ways.length - 1; column >= 0; column--) {
    chosen.unshift(at);
    at = ways[column]![at]!.from;
  }
  return chosen;
}

function optionsOf(
  chord: SoundingChord,
  tuning: Tuning,
  capo: number,
  [low, high]: readonly [number, number],
  allowed: readonly string[],
): Option[] {
  const options: Option[] = [];
  for (let midi = low; midi <= high; midi++) {
    const place = lowestPlace(midi, tuning, capo);
    if (!place) continue;
    for (const tone of chord.tones) {
      const name = toneName(tone, chord.root);
      const degree = allowed.find((one) => one === String(tone.degree) || one === formatTone(tone));
      if (degree === undefined || pitchClassOf(name) !== midi % 12) continue;
      options.push({ midi, degree, isRoot: tone.degree === 1, name, ...place });
      break;
    }
  }
  return options;
}

/** The string on which a pitch lies at the lowest fret; of two the one nearer the face. */
function lowestPlace(midi: number, tuning: Tuning, capo: number): { string: number; fret: number } | null {
  let best: { string: number; fret: number } | null = null;
  for (const [string, open] of tuning.entries()) {
    const fret = midi - open - capo;
    if (fret < 0 || fret > LAST_FRET) continue;
    if (!best || fret < best.fret) best = { string, fret };
  }
  return best;
}
