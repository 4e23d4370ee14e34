import { type Millimetres, modulo } from "../../../base";
import { type Chord, pitchClassesOf, type SoundingChord, toneSemitones } from "../../chord";
import { pitchClassOf } from "../../pitch";
import { round } from "../difficulty";
import { type Fingering, type FingeringOptions, fingerings, holdShape, USUAL_LAST_FRET } from "../fingerings";
import type { Frets } from "../hand";
import { betweenFretsMm, GUITAR_SCALE_MM } from "../neck";
import type { Style } from "../styles";

/** A small shape that is moved along the neck as it is: how it voices a chord, and on which strings. */
export type MovedForm = { readonly style: Style; readonly strings: readonly number[] };

/** What lies on the string nearest the player's face in every one of its places. */
export const FORM_TONES = ["root", "third", "fifth"] as const;
type FormTone = (typeof FORM_TONES)[number];

/** One of its places: what is held, and how. */
export type MovedPlace = Pick<Fingering, "frets" | "fingers">;

export type MovedShape = {
  /** Null where it is somebody's own shape with another tone there. */
  readonly tone: FormTone | null;
  /** A place a chord; null where there is no chord. Alike shapes have like fingers: those of the lowest, the widest one. */
  readonly path: readonly (MovedPlace | null)[];
  /** The lowest fret of each, what a player calls the places by; null where there is no chord. */
  readonly frets: readonly (number | null)[];
  /** Millimetres the hand goes along the neck. */
  readonly travelMm: Millimetres;
};

export type MovedOptions = Omit<FingeringOptions, "style" | "strings" | "open" | "hands" | "limit"> & {
  /** The fret the hand would like to be about. */
  readonly about?: number | null | undefined;
  /** Somebody's own shape, without open strings, and the chord it is for: it is moved as it is wherever it fits. */
  readonly like?: { readonly frets: Frets; readonly chord: SoundingChord } | undefined;
};

/** So many frets as a place lies from the wished one, squared, count as so many times this in millimetres of travel. Ours, no source. */
const AWAY_MM = 5;

const DEGREES: Readonly<Record<FormTone, readonly number[]>> = Object.freeze({
  root: [1],
  third: [2, 3, 4],
  fifth: [5],
});

/**
 * One small shape for all chords of a section, moved along the neck without open strings: of the shapes with the root,
 * the third (or sus) or the fifth on their first string, the one that travels least and lies nearest the wished fret; of
 * equal ones the one with the root. A shape of somebody's own is moved as it is; where its tones are not the chord's, the
 * same tone on the same first string of the same strings stands for it.
 * @returns null where no such shape has a place for every chord
 * @example movedShape([C, G, F], { style: "triad", strings: [3, 4, 5] }, { tuning }).frets // => [8, 3, 1]
 */
export function movedShape(
  chords: readonly Chord[],
  form: MovedForm,
  { about = null, like, ...options }: MovedOptions,
): MovedShape | null {
  const { capo = 0, scaleMm = GUITAR_SCALE_MM } = options;
  const mm = (from: number, to: number) => betweenFretsMm(from, to, capo, scaleMm);
  const known = new Map<string, readonly MovedPlace[]>();
  const shapesOf = (chord: SoundingChord): readonly MovedPlace[] => {
    const found = known.get(chord.symbol) ?? onWholeForm(chord, form, options);
    known.set(chord.symbol, found);
    return found;
  };
  const forms = like ? [formOf(like, options)] : everyForm(form);
  let best: (MovedShape & { readonly cost: number }) | null = null;
  for (const { tone, string } of forms) {
    const alike = (chord: SoundingChord) =>
      shapesOf(chord).filter(
        (one) => firstString(one) === string && tone !== null && toneOnFirst(one, chord, options) === tone,
      );
    const places = chords.map((chord): readonly MovedPlace[] => {
      if (chord.kind === "none") return [];
      const own = like ? shifted(like, chord, options) : [];
      return own.length > 0 ? own : alike(chord);
    });
    const isWhole = chords.every((chord, at) => chord.kind === "none" || places[at]!.length > 0);
    const way = isWhole ? leastTravel(places, mm, about) : null;
    if (way && (!best || way.cost < best.cost - 1e-9)) best = { tone, ...way };
  }
  if (!best) return null;
  const { cost: _cost, ...shape } = best;
  return { ...shape, path: heldAlike(shape.path) };
}

/** A tone on a first string: as it is, the same in every place. */
type Placed = { readonly tone: FormTone | null; readonly string: number };

const everyForm = ({ strings }: MovedForm): Placed[] =>
  FORM_TONES.flatMap((tone) => strings.map((string) => ({ tone, string })));

const formOf = (
  { frets, chord }: { readonly frets: Frets; readonly chord: SoundingChord },
  options: Pick<MovedOptions, "tuning" | "capo">,
): Placed => ({ tone: toneOnFirst({ frets }, chord, options), string: firstString({ frets }) });

/** A chord's shapes of a form; those that sound all of its strings, where there are any. */
function onWholeForm(
  chord: SoundingChord,
  { style, strings }: MovedForm,
  options: Omit<FingeringOptions, "style" | "strings" | "open">,
): readonly MovedPlace[] {
  const found = fingerings(chord, { ...options, style, strings, open: false }).fingerings;
  const whole = found.filter(({ frets }) => strings.every((string) => frets[string] !== null));
  return whole.length > 0 ? whole : found;
}

/** Somebody's shape moved from its chord to another, wherever it lies on the neck; none where it would sound a foreign tone. */
function shifted(
  { frets, chord: from }: { readonly frets: Frets; readonly chord: SoundingChord },
  to: SoundingChord,
  options: MovedOptions,
): MovedPlace[] {
  const { tuning, capo = 0, maxFret = USUAL_LAST_FRET } = options;
  const allowed = pitchClassesOf(to);
  const up = modulo(pitchClassOf(to.root) - pitchClassOf(from.root), 12);
  return [up - 12, up, up + 12].flatMap((by) => {
    const moved = frets.map((fret) => fret && fret + by);
    const isOnNeck = moved.every((fret) => fret === null || (fret >= 1 && fret <= maxFret));
    const isIn = moved.every(
      (fret, string) => fret === null || allowed.includes(modulo(tuning[string]! + capo + fret, 12)),
    );
    if (!isOnNeck || !isIn) return [];
    return [holdShape(moved, options) ?? { frets: moved, fingers: moved.map(() => null) }];
  });
}

/** The same fingers for shapes that are the same but for their place: those of the lowest, where frets are widest. */
function heldAlike(path: readonly (MovedPlace | null)[]): (MovedPlace | null)[] {
  const lowest = new Map<string, MovedPlace>();
  const key = ({ frets }: MovedPlace) => frets.map((fret) => fret && fret - lowestOf({ frets })).join();
  for (const one of path) {
    const known = one && lowest.get(key(one));
    if (one && (!known || lowestOf(one) < lowestOf(known))) lowest.set(key(one), one);
  }
  return path.map((one) => one && { frets: one.frets, fingers: lowest.get(key(one))!.fingers });
}

const firstString = ({ frets }: Pick<MovedPlace, "frets">): number =>
  frets.findIndex((fret) => fret !== null);

/** Which tone of the chord a shape has on its first string. */
function toneOnFirst(
  shape: Pick<MovedPlace, "frets">,
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

const lowestOf = ({ frets }: Pick<MovedPlace, "frets">): number =>
  Math.min(...frets.filter((fret): fret is number => fret !== null));

/** The way through one place a chord with the least travel, and what it costs with its distance from a wished fret. */
function leastTravel(
  places: readonly (readonly MovedPlace[])[],
  mm: (from: number, to: number) => Millimetres,
  about: number | null,
): { path: (MovedPlace | null)[]; frets: (number | null)[]; travelMm: Millimetres; cost: number } | null {
  type Way = {
    readonly cost: number;
    readonly travel: number;
    readonly path: readonly (MovedPlace | null)[];
  };
  const away = (one: MovedPlace) => (about === null ? 0 : AWAY_MM * (lowestOf(one) - about) ** 2);
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
