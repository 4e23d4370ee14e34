import { type Millimetres, modulo } from "../../../base";
import { type Chord, pitchClassesOf, type SoundingChord } from "../../chord";
import { pitchClassOf } from "../../pitch";
import { cheapestWay } from "../cheapest-way";
import { round } from "../difficulty";
import { type Fingering, type FingeringOptions, fingerings, holdShape, USUAL_LAST_FRET } from "../fingerings";
import type { Frets, HeldShape } from "../hand";
import { betweenFretsMm, GUITAR_SCALE_MM } from "../neck";
import type { Style } from "../styles";
import { TRIAD_TONES, type TriadTone, triadToneAt } from "../triad-tones";

/** A small shape that is moved along the neck as it is: how it voices a chord, and on which strings. */
export type MovedForm = { readonly style: Style; readonly strings: readonly number[] };

/** One of its places, with what is unusual about it where that is known. */
type Priced = HeldShape & Partial<Pick<Fingering, "unusual">>;

export type MovedShape = {
  /** What lies on the string nearest the player's face in every one of its places; null in somebody's own shape with another tone. */
  readonly tone: TriadTone | null;
  /** A place a chord; null where there is no chord. Alike shapes have like fingers: those of the lowest, the widest one. */
  readonly path: readonly (HeldShape | null)[];
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

/**
 * What counts as millimetres of travel, ours, no source: so many frets as a place lies from the wished one, squared, so many
 * times; and what two strings leave out (a root with its third nothing, with its fifth 8, the rest 16) so many times.
 */
const AWAY_MM = 5;
const THIN_MM = 10;

/**
 * One small shape for all chords of a section, moved along the neck without open strings: of the shapes with the root,
 * the third (or sus) or the fifth on their first string, the one that travels least and lies nearest the wished fret; of
 * equal ones the one with the root. Two strings keep both their tones, a root with its third before the others. A shape of
 * somebody's own is moved as it is; where its tones are not the chord's, the same tone on the same first string of the same
 * strings stands for it.
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
  const known = new Map<string, readonly Priced[]>();
  const shapesOf = (chord: SoundingChord): readonly Priced[] => {
    const found = known.get(chord.symbol) ?? onWholeForm(chord, form, options);
    known.set(chord.symbol, found);
    return found;
  };
  const forms = like ? [placedAs(like, like.chord, options)] : everyForm(chords, shapesOf, options);
  let best: (MovedShape & { readonly cost: number }) | null = null;
  for (const placed of forms) {
    const alike = (chord: SoundingChord) =>
      placed.tone === null
        ? []
        : shapesOf(chord).filter((one) => isPlacedAs(placedAs(one, chord, options), placed));
    const places = chords.map((chord): readonly Priced[] => {
      if (chord.kind === "none") return [];
      const own = like ? shifted(like, chord, options) : [];
      return own.length > 0 ? own : alike(chord);
    });
    const isWhole = chords.every((chord, at) => chord.kind === "none" || places[at]!.length > 0);
    const way = isWhole ? leastTravel(places, mm, about) : null;
    if (way && (!best || way.cost < best.cost - 1e-9)) best = { tone: placed.tone, ...way };
  }
  if (!best) return null;
  const { cost: _cost, ...shape } = best;
  return { ...shape, path: heldAlike(shape.path) };
}

/** What makes a shape the same in every place: the tone on its first string, and of two strings on the other too. */
type Placed = {
  readonly string: number;
  readonly tone: TriadTone | null;
  /** Undefined for shapes of more strings, or of one: their first tone says the others. */
  readonly second?: TriadTone | null;
};

const isPlacedAs = (one: Placed, other: Placed): boolean =>
  one.string === other.string && one.tone === other.tone && one.second === other.second;

function placedAs(
  { frets }: Pick<HeldShape, "frets">,
  chord: SoundingChord,
  options: Pick<MovedOptions, "tuning" | "capo">,
): Placed {
  const sounding = frets.flatMap((fret, string) => (fret === null ? [] : [string]));
  const toneOf = (string: number) => toneOn(string, frets[string]!, chord, options);
  const first = { string: sounding[0]!, tone: toneOf(sounding[0]!) };
  return sounding.length === 2 ? { ...first, second: toneOf(sounding[1]!) } : first;
}

/** The forms the first chord has, those with the root first. */
function everyForm(
  chords: readonly Chord[],
  shapesOf: (chord: SoundingChord) => readonly HeldShape[],
  options: Pick<MovedOptions, "tuning" | "capo">,
): Placed[] {
  const first = chords.find((chord) => chord.kind !== "none");
  if (!first) return [{ string: 0, tone: "root" }];
  const forms = new Map<string, Placed>();
  for (const shape of shapesOf(first)) {
    const placed = placedAs(shape, first, options);
    if (placed.tone !== null) forms.set(JSON.stringify(placed), placed);
  }
  const rank = ({ tone }: Placed) => TRIAD_TONES.indexOf(tone!);
  return [...forms.values()].sort((a, b) => rank(a) - rank(b) || a.string - b.string);
}

/** A chord's shapes of a form; those that sound all of its strings, where there are any. */
function onWholeForm(
  chord: SoundingChord,
  { style, strings }: MovedForm,
  options: Omit<FingeringOptions, "style" | "strings" | "open">,
): readonly Priced[] {
  const found = fingerings(chord, { ...options, style, strings, open: false }).fingerings;
  const whole = found.filter(({ frets }) => strings.every((string) => frets[string] !== null));
  return whole.length > 0 ? whole : found;
}

/** Somebody's shape moved from its chord to another, wherever it lies on the neck; none where it would sound a foreign tone. */
function shifted(
  { frets, chord: from }: { readonly frets: Frets; readonly chord: SoundingChord },
  to: SoundingChord,
  options: MovedOptions,
): HeldShape[] {
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
function heldAlike(path: readonly (HeldShape | null)[]): (HeldShape | null)[] {
  const lowest = new Map<string, HeldShape>();
  const key = ({ frets }: HeldShape) => frets.map((fret) => fret && fret - lowestOf({ frets })).join();
  for (const one of path) {
    const known = one && lowest.get(key(one));
    if (one && (!known || lowestOf(one) < lowestOf(known))) lowest.set(key(one), one);
  }
  return path.map((one) => one && { frets: one.frets, fingers: lowest.get(key(one))!.fingers });
}

/** Which tone of the chord a string sounds; null where it is none of them. */
const toneOn = (
  string: number,
  fret: number,
  chord: SoundingChord,
  { tuning, capo = 0 }: Pick<MovedOptions, "tuning" | "capo">,
): TriadTone | null =>
  triadToneAt(chord, modulo(tuning[string]! + capo + fret - pitchClassOf(chord.root), 12));

const lowestOf = ({ frets }: Pick<HeldShape, "frets">): number =>
  Math.min(...frets.filter((fret): fret is number => fret !== null));

/** What is unusual about two strings: see `tellUnusualShape`. */
const LEFT_OUT: ReadonlySet<string> = new Set(["root with fifth", "neither third nor fifth"]);

/** What two strings leave of the chord, as lists price it. */
const leftOut = ({ frets, unusual = [] }: Priced): number =>
  frets.filter((fret) => fret !== null).length === 2
    ? unusual.reduce((sum, { term, cost }) => sum + (LEFT_OUT.has(term) ? cost : 0), 0)
    : 0;

/** The way through one place a chord with the least travel, and what it costs with its distance from a wished fret. */
function leastTravel(
  places: readonly (readonly Priced[])[],
  mm: (from: number, to: number) => Millimetres,
  about: number | null,
): Omit<MovedShape, "tone"> & { readonly cost: number } {
  const own = (one: Priced) =>
    (about === null ? 0 : AWAY_MM * (lowestOf(one) - about) ** 2) + THIN_MM * leftOut(one);
  const step = (from: Priced, to: Priced) => mm(lowestOf(from), lowestOf(to));
  const { way, cost } = cheapestWay(
    places.filter((options) => options.length > 0),
    own,
    step,
  );
  const travel = way.slice(1).reduce((sum, one, at) => sum + step(way[at]!, one), 0);
  // Where no chord is there is no place either.
  const left = [...way];
  const path = places.map((options) => (options.length > 0 ? left.shift()! : null));
  return { path, frets: path.map((one) => one && lowestOf(one)), travelMm: round(travel), cost };
}
