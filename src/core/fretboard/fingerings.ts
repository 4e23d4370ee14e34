import type { Fret } from "../../base";
import { type Chord, type Colour, coloured, type SoundingChord } from "../chord";
import type { Tuning } from "../pitch";
import { handCost, type Reason, reasonsOf, round, shapeCost, tellHand, tellShape } from "./difficulty";
import type { Board } from "./fingering-search";
import {
  barresOf,
  eachHand,
  type Finger,
  type Frets,
  fingersOf,
  type Hand,
  highestFret,
  Reach,
  toHand,
} from "./hand";
import { HAND_LIMITS, type HandLimits, type Level } from "./level";
import { type Mute, mutesOf } from "./mutes";
import { GUITAR_SCALE_MM } from "./neck";
import {
  fullnessOf,
  fullnessWeight,
  handExtra,
  type SoundFacts,
  tellMissing,
  tellUnusualHand,
  tellUnusualShape,
  unusualCost,
} from "./price";
import { Sound } from "./shape-sound";
import { eachShapeInStyle, type Style } from "./styles";

/** Shapes are looked for up to here, counted from the capo, unless another fret is asked for. */
export const USUAL_LAST_FRET = 15;

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
  /** What the hand does, nothing else: the sum of `why`. */
  readonly difficulty: number;
  readonly why: readonly Reason[];
  /** How much of a full shape of that chord sounds, 0 to 1. */
  readonly fullness: number;
  /** What of a full shape is missing, each share with its price: they add up to weight × (1 − fullness). */
  readonly missing: readonly Reason[];
  /** Choices a player would have to ask for, each with its price. */
  readonly unusual: readonly Reason[];
  /** What orders lists and paths: difficulty + weight × (1 − fullness) + the prices of what is unusual. */
  readonly price: number;
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
  /** Whether strings are picked one by one: then nothing between two of them need be damped. They are struck together else. */
  readonly picked?: boolean | undefined;
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
  readonly bass: number;
  readonly overBass: SoundFacts["overBass"];
  readonly overBassBy: number | null;
  readonly handCost: number;
  /** What is unusual about the hand costs so much more. */
  readonly handExtra: number;
  difficulty: number;
  fullness: number;
  price: number;
};

/** Everything found of a chord, least price first; writing one out is dear and left to who needs it. */
export type Found = {
  readonly candidates: readonly Candidate[];
  readonly board: Board;
  readonly write: (one: Candidate) => Fingering;
  readonly exact: boolean;
};

/**
 * Every fingering of a chord that the rules of the hand allow, least price first; ties by frets, the lower
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
  return priced(candidates, extentOf(candidates), style, board);
}

/** How full the shapes of a chord get on a neck: the most strings, and the lowest pitch. */
type Extent = { readonly fullest: number; readonly bass: number };

const extentOf = (candidates: readonly Candidate[]): Extent => {
  let fullest = 0;
  let bass = Number.POSITIVE_INFINITY;
  for (const one of candidates) {
    if (one.sounding > fullest) fullest = one.sounding;
    if (one.bass < bass) bass = one.bass;
  }
  return { fullest, bass };
};

/** Gives each its price beside all shapes of its chord, and puts the least first. */
function priced(candidates: Candidate[], extent: Extent, style: Style, board: Board): Found {
  const weight = fullnessWeight(style);
  for (const one of candidates) {
    const facts = soundFacts(one, style, extent);
    one.difficulty = round(one.handCost + shapeCost(one.frets));
    one.fullness = fullnessOf(one.frets, facts);
    const unusual = one.handExtra + unusualCost(one.frets, facts);
    one.price = round(one.difficulty + weight * (1 - one.fullness) + unusual);
  }
  candidates.sort(byPrice);
  const write = (one: Candidate) => writeOut(one, board, soundFacts(one, style, extent));
  return { candidates, board, write, exact: board.steps.left >= 0 };
}

const EVERY = { shapes: Number.POSITIVE_INFINITY, hands: 0 } as const;

/**
 * The first pairs of shape and hand, as {@link findFingerings} with `hands` would list them. Only shapes whose best
 * hand is among the first so many can be among them, so that no other hand need be looked at.
 * @param near only shapes at most so much dearer than the first, and hands at most so much dearer again
 */
export function firstHands(
  chord: Chord,
  options: FingeringOptions,
  most: number,
  near: { readonly shapes: number; readonly hands: number } = EVERY,
  board: Board = boardOf(options),
): Found {
  const found = findFingerings(chord, { ...options, hands: false }, board);
  const candidates: Candidate[] = [];
  const least = found.candidates[0]?.price ?? 0;
  const shapes = found.candidates.slice(0, most).filter(({ price }) => price <= least + near.shapes);
  for (const { sound, frets } of shapes) addHands(candidates, sound, frets, board, true);
  const all = priced(candidates, extentOf(found.candidates), options.style ?? "full", board);
  const close = all.candidates.filter(({ price }) => price <= least + near.shapes + near.hands);
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
  return priced(candidates, extentOf([...found.candidates, ...candidates]), style, board);
}

/** The hand of least price for frets somebody chose; null where no hand of this level holds them. */
export function holdShape(
  frets: Frets,
  options: FingeringOptions,
): Pick<Fingering, "frets" | "fingers" | "barres"> | null {
  const board = boardOf({ ...options, maxFret: highestFret(frets, options.maxFret ?? USUAL_LAST_FRET) });
  const [held] = leastHand(frets, board);
  return held ? { frets, fingers: fingersOf(frets, held.hand), barres: barresOf(held.hand) } : null;
}

export function boardOf(options: FingeringOptions): Board {
  const {
    tuning,
    capo = 0,
    minFret = 0,
    maxFret = USUAL_LAST_FRET,
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
    reach: new Reach(limitsOf(level, options.picked ?? false), capo, scaleMm, maxFret),
  };
}

const limitsOf = (level: Level, picked: boolean): HandLimits =>
  picked ? { ...HAND_LIMITS[level], innerMutes: Number.POSITIVE_INFINITY } : HAND_LIMITS[level];

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

/** A hand with what it costs, and what is unusual about it. */
type PricedHand = { readonly hand: Hand; readonly cost: number; readonly extra: number };

/** The hand of least price that holds some frets, if there is one. */
function leastHand(frets: Frets, board: Board): readonly PricedHand[] {
  let least: PricedHand | null = null;
  let best = Number.POSITIVE_INFINITY;
  const mayLieFlat = frets.includes(0);
  eachHand(frets, board.reach, board.thumb, (grips, fingers, thumbFret) => {
    const cost = handCost(grips, fingers, thumbFret, board.reach);
    const extra = mayLieFlat ? handExtra(frets, grips) : 0;
    if (cost + extra >= best) return;
    best = cost + extra;
    least = { hand: toHand(grips, fingers, thumbFret), cost, extra };
  });
  return least === null ? [] : [least];
}

/** Every hand that holds some frets, while steps are left. */
function everyHand(frets: Frets, board: Board): readonly PricedHand[] {
  const hands: PricedHand[] = [];
  eachHand(frets, board.reach, board.thumb, (grips, fingers, thumbFret) => {
    if (board.steps.left-- <= 0) return;
    const cost = handCost(grips, fingers, thumbFret, board.reach);
    hands.push({ hand: toHand(grips, fingers, thumbFret), cost, extra: handExtra(frets, grips) });
  });
  return hands;
}

/** Adds the hand of least price of a shape, or every one. */
function addHands(into: Candidate[], sound: Sound, shared: Frets, board: Board, every: boolean): void {
  const hands = every ? everyHand(shared, board) : leastHand(shared, board);
  if (hands.length === 0) return;
  const frets = shared.slice();
  const heard = sound.heard(frets);
  const { lowest: bass, overBass, overBassBy } = sound.bassOf(frets);
  const sounding = frets.reduce<number>((count, fret) => (fret === null ? count : count + 1), 0);
  for (const { hand, cost, extra } of hands)
    into.push({
      sound,
      frets,
      hand,
      heard,
      sounding,
      bass,
      overBass,
      overBassBy,
      handCost: cost,
      handExtra: extra,
      difficulty: 0,
      fullness: 0,
      price: 0,
    });
}

const soundFacts = (one: Candidate, style: Style, { fullest, bass }: Extent): SoundFacts => ({
  style,
  sounding: one.sounding,
  fullest,
  bassAbove: one.bass - bass,
  omitted: one.sound.omittedCount(one.heard),
  isPower: one.sound.isPower,
  overBass: one.overBass,
  overBassBy: one.overBassBy,
  foreignDoubled: one.sound.foreignDoubled(one.frets),
  few: one.sound.fewOf(one.heard),
});

function byPrice(a: Candidate, b: Candidate): number {
  if (a.price !== b.price) return a.price - b.price;
  for (let string = 0; string < a.frets.length; string++) {
    const difference = (a.frets[string] ?? 99) - (b.frets[string] ?? 99);
    if (difference !== 0) return difference;
  }
  return 0;
}

function writeOut(one: Candidate, board: Board, facts: SoundFacts): Fingering {
  const { sound, frets, hand } = one;
  const fingers = fingersOf(frets, hand);
  const thumb = hand[0]?.finger === "T" ? hand[0].fret : null;
  const grips = thumb === null ? hand : hand.slice(1);
  const numbers = grips.map((hold) => hold.finger as number);
  return {
    frets,
    fingers,
    barres: barresOf(hand),
    mutes: mutesOf(frets, fingers, hand),
    pitches: sound.pitches(frets),
    is: sound.nameOf(frets),
    omits: sound.omitted(one.heard),
    difficulty: one.difficulty,
    why: reasonsOf((tell) => {
      tellHand(grips, numbers, thumb, board.reach, tell);
      tellShape(frets, tell);
    }),
    fullness: one.fullness,
    missing: reasonsOf((tell) => tellMissing(frets, facts, tell)),
    unusual: reasonsOf((tell) => {
      tellUnusualShape(frets, facts, tell);
      tellUnusualHand(frets, grips, tell);
    }),
    price: one.price,
  };
}
