import type { Fret } from "../../base";
import { type Chord, type Colour, coloured, type SoundingChord } from "../chord";
import type { Tuning } from "../pitch";
import { handCost, type Reason, reasonsOf, shapeCost, tellHand, tellShape } from "./difficulty";
import type { Board } from "./fingering-search";
import { eachHand, type Finger, type Frets, type Hand, Reach, toHand } from "./hand";
import { HAND_LIMITS, type Level } from "./level";
import { type Mute, mutesOf } from "./mutes";
import { GUITAR_SCALE_MM } from "./neck";
import { Sound } from "./shape-sound";
import { eachShapeInStyle, type Style } from "./styles";

type Barre = {
  readonly finger: Finger;
  readonly fret: Fret;
  readonly from: number;
  readonly to: number;
};

/** A shape and the hand that holds it. Lists have an entry a string, from the player's face. */
export type Fingering = {
  readonly frets: Frets;
  readonly fingers: readonly (Finger | null)[];
  readonly barres: readonly Barre[];
  readonly mutes: readonly Mute[];
  /** The sounding pitches, from the string nearest the player's face. */
  readonly pitches: readonly string[];
  /** The chord it really makes. */
  readonly is: string;
  /** Tones of that chord which do not sound. */
  readonly omits: readonly string[];
  readonly difficulty: number;
  readonly why: readonly Reason[];
};

export type FingeringOptions = {
  readonly tuning: Tuning;
  readonly scaleMm?: number | undefined;
  readonly capo?: number | undefined;
  /** With `maxFret`, a region of the neck: fretted notes lie between them. */
  readonly minFret?: number | undefined;
  readonly maxFret?: number | undefined;
  /** Whether open strings may sound; they may. */
  readonly open?: boolean | undefined;
  readonly strings?: readonly number[] | undefined;
  readonly style?: Style | undefined;
  readonly inversions?: boolean | undefined;
  readonly thumb?: boolean | undefined;
  readonly allow?: readonly Colour[] | undefined;
  readonly level?: Level | undefined;
  /** Every hand as an entry of its own, not only the easiest of each shape. */
  readonly hands?: boolean | undefined;
  readonly limit?: number | undefined;
  /** Search steps at most; past them what was found so far is given, and `exact` is false. */
  readonly budget?: number | undefined;
};

export type Fingerings = {
  readonly fingerings: readonly Fingering[];
  /** How many there are before `limit`. */
  readonly total: number;
  readonly exact: boolean;
};

/** A shape and a hand for it, before anything is written out. */
type Candidate = {
  readonly sound: Sound;
  readonly frets: Frets;
  readonly hand: Hand;
  readonly heard: number;
  readonly sounding: number;
  readonly handCost: number;
  difficulty: number;
};

/** Everything found of a chord, easiest first; writing one out is dear and left to who needs it. */
export type Found = {
  readonly candidates: readonly Candidate[];
  readonly board: Board;
  readonly write: (one: Candidate) => Fingering;
  readonly exact: boolean;
};

/**
 * Every fingering of a chord that the rules of the hand allow, easiest first; ties by frets, the lower
 * first, string by string, a string not played last.
 * @param chord as it sounds
 * @example fingerings(Em, { tuning: guitar }).fingerings[0].frets // => [0, 2, 2, 0, 0, 0]
 */
export function fingerings(chord: Chord, options: FingeringOptions): Fingerings {
  const { candidates, write, exact } = findFingerings(chord, options);
  const kept = options.limit === undefined ? candidates : candidates.slice(0, options.limit);
  return { fingerings: kept.map(write), total: candidates.length, exact };
}

/** {@link fingerings} before anything is written out, without its limit. */
export function findFingerings(
  chord: Chord,
  options: FingeringOptions,
  board: Board = boardOf(options),
): Found {
  const style = options.style ?? "full";
  const candidates = chord.kind === "none" ? [] : findCandidates(chord, board, style, options);
  return priced(candidates, fullestOf(candidates), style, board);
}

/** The most strings any of them sounds. */
const fullestOf = (candidates: readonly Candidate[]): number =>
  candidates.reduce((most, { sounding }) => Math.max(most, sounding), 0);

/** Gives each its difficulty against the fullest shape of its chord, and puts the easiest first. */
function priced(candidates: Candidate[], fullest: number, style: Style, board: Board): Found {
  const factsOf = (one: Candidate) => shapeFacts(one, style, fullest);
  for (const one of candidates) {
    const cost = one.handCost + shapeCost(one.frets, factsOf(one));
    one.difficulty = Math.round(cost * 1000) / 1000;
  }
  candidates.sort(byEase);
  const write = (one: Candidate) => writeOut(one, board, factsOf(one));
  return { candidates, board, write, exact: board.steps.left >= 0 };
}

/**
 * The easiest pairs of shape and hand, as {@link findFingerings} with `hands` would list them first. Only shapes
 * whose easiest hand is among the first so many can be among them, so that no other hand need be looked at.
 * @param within only shapes and hands at most so much harder than the easiest
 */
export function easiestHands(
  chord: Chord,
  options: FingeringOptions,
  most: number,
  within: number = Number.POSITIVE_INFINITY,
  board: Board = boardOf(options),
): Found {
  const found = findFingerings(chord, { ...options, hands: false }, board);
  const candidates: Candidate[] = [];
  const easiest = found.candidates[0]?.difficulty ?? 0;
  const near = found.candidates.slice(0, most).filter(({ difficulty }) => difficulty <= easiest + within);
  for (const { sound, frets } of near) addHands(candidates, sound, frets, board, true);
  const all = priced(candidates, fullestOf(found.candidates), options.style ?? "full", board);
  const close = all.candidates.filter(({ difficulty }) => difficulty <= easiest + within);
  return { ...all, candidates: close.slice(0, most) };
}

/**
 * Every hand for frets somebody chose, priced as a shape of the chord found by the search would be; they need not
 * sound it in full.
 */
export function handsOf(
  chord: SoundingChord,
  frets: Frets,
  options: FingeringOptions,
  board: Board = boardOf(options),
): Found {
  const found = findFingerings(chord, { ...options, hands: false }, board);
  const id = frets.join();
  const own = found.candidates.find((one) => one.frets.join() === id);
  const style = options.style ?? "full";
  const candidates: Candidate[] = [];
  addHands(candidates, own?.sound ?? new Sound(chord, board, style), frets, board, true);
  return priced(candidates, fullestOf([...found.candidates, ...candidates]), style, board);
}

export function boardOf(options: FingeringOptions): Board {
  const {
    tuning,
    capo = 0,
    minFret = 0,
    maxFret = 15,
    open = true,
    scaleMm = GUITAR_SCALE_MM,
    level = "fluent",
  } = options;
  return {
    tuning,
    capo,
    minFret,
    maxFret,
    open,
    strings: options.strings ?? tuning.map((_, string) => string),
    inversions: options.inversions ?? false,
    thumb: options.thumb ?? false,
    steps: { left: options.budget ?? Number.POSITIVE_INFINITY },
    reach: new Reach(HAND_LIMITS[level], capo, scaleMm, maxFret),
  };
}

function findCandidates(
  chord: SoundingChord,
  board: Board,
  style: Style,
  options: FingeringOptions,
): Candidate[] {
  const candidates: Candidate[] = [];
  const variants = style === "bass" ? [chord] : coloured(chord, options.allow ?? []);
  const seen = new Set<string>();
  for (const variant of variants) {
    const sound = new Sound(variant, board, style);
    eachShapeInStyle(variant, style, board, (frets) => {
      if (variants.length > 1) {
        const id = frets.join();
        if (seen.has(id)) return;
        seen.add(id);
      }
      addHands(candidates, sound, frets, board, options.hands ?? false);
    });
  }
  return candidates;
}

/** Adds the easiest hand of a shape, or every one. */
function addHands(into: Candidate[], sound: Sound, shared: Frets, board: Board, every: boolean): void {
  let best = Number.POSITIVE_INFINITY;
  let bestHand: Hand | null = null;
  const hands: [Hand, number][] = [];
  eachHand(shared, board.reach, board.thumb, (grips, fingers, thumbFret) => {
    const cost = handCost(grips, fingers, thumbFret, board.reach);
    if (every) {
      if (board.steps.left-- > 0) hands.push([toHand(grips, fingers, thumbFret), cost]);
    } else if (cost < best) {
      best = cost;
      bestHand = toHand(grips, fingers, thumbFret);
    }
  });
  if (bestHand !== null) hands.push([bestHand, best]);
  if (hands.length === 0) return;
  const frets = shared.slice();
  const heard = sound.heard(frets);
  const sounding = frets.reduce<number>((count, fret) => (fret === null ? count : count + 1), 0);
  for (const [hand, handCost] of hands)
    into.push({ sound, frets, hand, heard, sounding, handCost, difficulty: 0 });
}

const shapeFacts = (one: Candidate, style: Style, fullest: number) => ({
  sounding: one.sounding,
  omitted: style === "full" ? one.sound.omittedCount(one.heard) : 0,
  fullest,
  countStrings: style === "full",
});

function byEase(a: Candidate, b: Candidate): number {
  if (a.difficulty !== b.difficulty) return a.difficulty - b.difficulty;
  for (let string = 0; string < a.frets.length; string++) {
    const difference = (a.frets[string] ?? 99) - (b.frets[string] ?? 99);
    if (difference !== 0) return difference;
  }
  return 0;
}

function writeOut(one: Candidate, board: Board, facts: ReturnType<typeof shapeFacts>): Fingering {
  const { sound, frets, hand } = one;
  const fingers: (Finger | null)[] = new Array(frets.length).fill(null);
  for (const hold of hand) {
    for (let string = hold.from; string <= hold.to; string++) {
      if (frets[string] === hold.fret) fingers[string] = hold.finger;
    }
  }
  const thumb = hand[0]?.finger === "T" ? hand[0].fret : null;
  const grips = thumb === null ? hand : hand.slice(1);
  const numbers = grips.map((hold) => hold.finger as number);
  return {
    frets,
    fingers,
    barres: hand.filter((hold) => hold.to > hold.from),
    mutes: mutesOf(frets, fingers, hand),
    pitches: sound.pitches(frets),
    is: sound.nameOf(frets),
    omits: sound.omitted(one.heard),
    difficulty: one.difficulty,
    why: reasonsOf((tell) => {
      tellHand(grips, numbers, thumb, board.reach, tell);
      tellShape(frets, facts, tell);
    }),
  };
}
