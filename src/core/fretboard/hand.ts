import type { Fret, Midi } from "../../base";
import type { Tuning } from "../pitch";
import type { HandLimits } from "./level";
import { betweenFretsMm } from "./neck";

/** Frets of a shape, one a string from the player's face, counted from the capo; null is not played. */
export type Frets = readonly (Fret | null)[];

/** What frets behind a capo sound, from the string nearest the player's face; strings not played are left out. */
export const pitchesOfFrets = (frets: Frets, tuning: Tuning, capo: number): Midi[] =>
  frets.flatMap((fret, string) => (fret === null ? [] : [tuning[string]! + capo + fret]));

/** The highest fret of some frets, and at least so high. */
export const highestFret = (frets: Frets, least = 0): Fret =>
  frets.reduce<number>((most, fret) => Math.max(most, fret ?? 0), least);

/** 1 index, 2 middle, 3 ring, 4 little, "T" the thumb over the edge of the neck. */
export type Finger = 1 | 2 | 3 | 4 | "T";

/** One finger and the strings of a fret it holds; it is a barre when `from` and `to` differ. */
type Hold = {
  readonly finger: Finger;
  readonly fret: Fret;
  readonly from: number;
  readonly to: number;
};

/** A way to hold a shape: its fingers by rising number, the thumb first. */
export type Hand = readonly Hold[];

/** Frets with the fingers on them; none where no hand is known to hold them. */
export type HeldShape = { readonly frets: Frets; readonly fingers: readonly (Finger | null)[] };

/** Which finger holds each string; null where none does. */
export function fingersOf(frets: Frets, hand: Hand): (Finger | null)[] {
  const fingers: (Finger | null)[] = new Array(frets.length).fill(null);
  for (const hold of hand)
    for (let string = hold.from; string <= hold.to; string++)
      if (frets[string] === hold.fret) fingers[string] = hold.finger;
  return fingers;
}

export const barresOf = (hand: Hand): readonly Hold[] => hand.filter((hold) => hold.to > hold.from);

/** A run of strings on one fret that a single finger could hold. */
export type Grip = Omit<Hold, "finger">;

/** Which finger numbers a hand of n grips may use, by rising number. */
const FINGER_CHOICES: readonly (readonly (readonly (1 | 2 | 3 | 4)[])[])[] = Object.freeze([
  [[]],
  [[1], [2], [3], [4]],
  [
    [1, 2],
    [1, 3],
    [2, 3],
    [1, 4],
    [2, 4],
    [3, 4],
  ],
  [
    [1, 2, 3],
    [1, 2, 4],
    [1, 3, 4],
    [2, 3, 4],
  ],
  [[1, 2, 3, 4]],
]);

/** The most a difference of finger number can buy: more than this and no two fingers reach. */
const OUT_OF_REACH = 4;

/**
 * Reach by fret pair: the least difference of finger number that spans two frets at this capo,
 * {@link OUT_OF_REACH} when none does.
 */
export class Reach {
  private readonly least: Uint8Array;
  private readonly spread: Float64Array;
  private readonly width: number;

  constructor(
    readonly limits: HandLimits,
    capo: number,
    scaleMm: number,
    maxFret: number,
  ) {
    this.width = maxFret + 1;
    this.least = new Uint8Array(this.width * this.width);
    this.spread = new Float64Array(this.width * this.width);
    for (let low = 1; low <= maxFret; low++) {
      for (let high = low; high <= maxFret; high++) {
        const mm = betweenFretsMm(low, high, capo, scaleMm);
        this.spread[low * this.width + high] = mm;
        const at = limits.reachMm.findIndex((reach) => mm <= reach);
        this.least[low * this.width + high] = at < 0 ? OUT_OF_REACH : at + 1;
      }
    }
  }

  /** The least difference of finger number that spans two frets. */
  between(low: Fret, high: Fret): number {
    return low <= high ? this.least[low * this.width + high]! : this.least[high * this.width + low]!;
  }

  /** Millimetres along the neck from a lower fret to a higher one. */
  mm(low: Fret, high: Fret): number {
    return this.spread[low * this.width + high]!;
  }

  /** Whether any two fingers of this hand span two frets. */
  spans(low: Fret, high: Fret): boolean {
    return this.between(low, high) < OUT_OF_REACH;
  }
}

/**
 * Calls `visit` with every hand that can hold the shape: at most four fingers and the allowed barres,
 * frets never falling as finger numbers rise, the higher finger on the higher string of one fret,
 * every two fingers within reach. With `thumb`, the thumb may hold the first string.
 * The grips handed to `visit` are shared: copy them to keep them.
 */
export function eachHand(
  frets: Frets,
  reach: Reach,
  thumb: boolean,
  visit: (grips: readonly Grip[], fingers: readonly (1 | 2 | 3 | 4)[], thumbFret: Fret | null) => void,
): void {
  const first = frets[0] ?? null;
  eachGrips(frets, 0, reach, (grips) => assign(grips, null));
  if (thumb && first !== null && first > 0) {
    eachGrips(frets, 1, reach, (grips) => {
      if (grips.every((grip) => reach.spans(first, grip.fret))) assign(grips, first);
    });
  }

  function assign(grips: readonly Grip[], thumbFret: Fret | null): void {
    for (const fingers of FINGER_CHOICES[grips.length]!) {
      if (withinReach(grips, fingers, reach)) visit(grips, fingers, thumbFret);
    }
  }
}

function withinReach(grips: readonly Grip[], fingers: readonly number[], reach: Reach): boolean {
  for (let low = 0; low < grips.length; low++) {
    for (let high = low + 1; high < grips.length; high++) {
      if (fingers[high]! - fingers[low]! < reach.between(grips[low]!.fret, grips[high]!.fret)) return false;
    }
  }
  return true;
}

/** Fretted strings from `fromString` on as (fret, string), lowest fret first. */
function frettedByFret(frets: Frets, fromString: number): number[] {
  const fretted: number[] = [];
  for (let string = fromString; string < frets.length; string++) {
    const fret = frets[string]!;
    if (fret !== null && fret > 0) fretted.push(fret * 16 + string);
  }
  // At most eight numbers, nearly in order: put each in its place.
  for (let at = 1; at < fretted.length; at++) {
    const one = fretted[at]!;
    let place = at;
    for (; place > 0 && fretted[place - 1]! > one; place--) fretted[place] = fretted[place - 1]!;
    fretted[place] = one;
  }
  return fretted;
}

/** Every way to gather the fretted strings into at most four grips, some of them barres. */
function eachGrips(frets: Frets, fromString: number, reach: Reach, visit: (grips: Grip[]) => void): void {
  const fretted = frettedByFret(frets, fromString);
  const grips: Grip[] = [];
  extend(0, 0);

  function extend(at: number, barres: number): void {
    if (at === fretted.length) {
      visit(grips);
      return;
    }
    if (grips.length === 4) return;
    const fret = fretted[at]! >> 4;
    const from = fretted[at]! & 15;
    for (let end = at; end < fretted.length && fretted[end]! >> 4 === fret; end++) {
      const to = fretted[end]! & 15;
      if (end > at && (barres === reach.limits.barres || !canBarre(frets, fret, fretted[end - 1]! & 15, to)))
        return;
      grips.push({ fret, from, to });
      extend(end + 1, end > at ? barres + 1 : barres);
      grips.pop();
    }
  }
}

/** Whether nothing between two strings of a fret is open or fretted lower. */
function canBarre(frets: Frets, fret: Fret, from: number, to: number): boolean {
  for (let string = from + 1; string < to; string++) {
    const between = frets[string]!;
    if (between !== null && between < fret) return false;
  }
  return true;
}

/** A hand as values to keep. */
export function toHand(
  grips: readonly Grip[],
  fingers: readonly (1 | 2 | 3 | 4)[],
  thumbFret: Fret | null,
): Hand {
  const holds: Hold[] = grips.map((grip, index) => ({ finger: fingers[index]!, ...grip }));
  return thumbFret === null ? holds : [{ finger: "T", fret: thumbFret, from: 0, to: 0 }, ...holds];
}
