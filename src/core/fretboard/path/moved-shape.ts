import type { Millimetres } from "../../../base";
import { type Chord, type SoundingChord, toneSemitones } from "../../chord";
import { pitchClassOf } from "../../pitch";
import { round } from "../difficulty";
import { type Fingering, type FingeringOptions, fingerings } from "../fingerings";
import { betweenFretsMm, GUITAR_SCALE_MM } from "../neck";
import type { Style } from "../styles";

/** A small shape that is moved along the neck as it is: how it voices a chord, and on which strings. */
export type MovedForm = { readonly style: Style; readonly strings: readonly number[] };

/** What lies on the string nearest the player's face in every one of its places. */
export const FORM_TONES = ["root", "third", "fifth"] as const;
type FormTone = (typeof FORM_TONES)[number];

export type MovedShape = {
  readonly tone: FormTone;
  /** A fingering a chord; null where there is no chord. */
  readonly path: readonly (Fingering | null)[];
  /** The lowest fret of each, what a player calls the places by; null where there is no chord. */
  readonly frets: readonly (number | null)[];
  /** Millimetres the hand goes along the neck. */
  readonly travelMm: Millimetres;
};

export type MovedOptions = Omit<FingeringOptions, "style" | "strings" | "open" | "hands" | "limit"> & {
  /** The fret the hand would like to be about. */
  readonly about?: number | null | undefined;
};

/** Each millimetre a place lies from the wished fret counts as so much travel. Ours, no source. */
const AWAY = 0.25;

const DEGREES: Readonly<Record<FormTone, readonly number[]>> = Object.freeze({
  root: [1],
  third: [2, 3, 4],
  fifth: [5],
});

/**
 * One small shape for all chords of a section, moved along the neck without open strings: of the shapes with the root,
 * the third (or sus) or the fifth on their first string, the one that travels least and lies nearest the wished fret; of
 * equal ones the one with the root.
 * @returns null where no such shape has a place for every chord
 * @example movedShape([C, G, F], { style: "triad", strings: [3, 4, 5] }, { tuning }).frets // => [8, 3, 1]
 */
export function movedShape(
  chords: readonly Chord[],
  form: MovedForm,
  { about = null, ...options }: MovedOptions,
): MovedShape | null {
  const { capo = 0, scaleMm = GUITAR_SCALE_MM } = options;
  const mm = (from: number, to: number) => betweenFretsMm(from, to, capo, scaleMm);
  const known = new Map<string, readonly Fingering[]>();
  const shapesOf = (chord: SoundingChord): readonly Fingering[] => {
    const found =
      known.get(chord.symbol) ??
      fingerings(chord, { ...options, style: form.style, strings: form.strings, open: false }).fingerings;
    known.set(chord.symbol, found);
    return found;
  };
  let best: (MovedShape & { readonly cost: number }) | null = null;
  // As it is: the same tone on the same first string.
  const forms = FORM_TONES.flatMap((tone) => form.strings.map((string) => [tone, string] as const));
  for (const [tone, string] of forms) {
    const places = chords.map((chord) =>
      chord.kind === "none"
        ? []
        : shapesOf(chord).filter(
            (one) => firstString(one) === string && toneOnFirst(one, chord, options) === tone,
          ),
    );
    const isWhole = chords.every((chord, at) => chord.kind === "none" || places[at]!.length > 0);
    const way = isWhole ? leastTravel(places, mm, about) : null;
    if (way && (!best || way.cost < best.cost - 1e-9)) best = { tone, ...way };
  }
  if (!best) return null;
  const { cost: _cost, ...shape } = best;
  return shape;
}

const firstString = ({ frets }: Fingering): number => frets.findIndex((fret) => fret !== null);

/** Which tone of the chord a shape has on its first string. */
function toneOnFirst(
  shape: Fingering,
  chord: SoundingChord,
  { tuning, capo = 0 }: Pick<MovedOptions, "tuning" | "capo">,
): FormTone | null {
  const string = firstString(shape);
  const above = (tuning[string]! + capo + shape.frets[string]! - pitchClassOf(chord.root) + 24) % 12;
  return (
    FORM_TONES.find((tone) =>
      chord.tones.some((one) => DEGREES[tone].includes(one.degree) && toneSemitones(one) === above),
    ) ?? null
  );
}

const lowestOf = ({ frets }: Fingering): number =>
  Math.min(...frets.filter((fret): fret is number => fret !== null));

/** The way through one place a chord with the least travel, and what it costs with its distance from a wished fret. */
function leastTravel(
  places: readonly (readonly Fingering[])[],
  mm: (from: number, to: number) => Millimetres,
  about: number | null,
): { path: (Fingering | null)[]; frets: (number | null)[]; travelMm: Millimetres; cost: number } | null {
  type Way = { readonly cost: number; readonly travel: number; readonly path: readonly (Fingering | null)[] };
  const away = (one: Fingering) => (about === null ? 0 : AWAY * mm(lowestOf(one), about));
  let ways: readonly Way[] = [{ cost: 0, travel: 0, path: [] }];
  for (const options of places) {
    if (options.length === 0) {
      ways = ways.map((way) => ({ ...way, path: [...way.path, null] }));
      continue;
    }
    ways = options.map((one) => {
      const steps = ways.map((way): Way => {
        const last = way.path.findLast((before) => before !== null);
        const step = last ? mm(lowestOf(last), lowestOf(one)) : 0;
        return {
          cost: way.cost + step + away(one),
          travel: way.travel + step,
          path: [...way.path, one],
        };
      });
      return steps.reduce((least, way) => (way.cost < least.cost - 1e-9 ? way : least));
    });
  }
  const [first, ...others] = ways;
  if (!first) return null;
  const { path, travel, cost } = others.reduce(
    (least, way) => (way.cost < least.cost - 1e-9 ? way : least),
    first,
  );
  return { path: [...path], frets: path.map((one) => one && lowestOf(one)), travelMm: round(travel), cost };
}
