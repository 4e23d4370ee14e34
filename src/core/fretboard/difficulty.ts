import type { Frets, Grip } from "./hand";
import { TERMS, type Term } from "./terms";
import { WEIGHTS } from "./weights";

/** One line of the reason: so much of a term, at a price. */
export type Reason = { readonly term: Term; readonly amount: number; readonly cost: number };

/** Open strings are no trouble beside frets up to this one. */
const LAST_EASY_FRET = 3;
/** An open string outside the fretted ones is this much of the trouble of one the fingers arch over. */
const OPEN_OUTSIDE = 0.4;
/** A hand as wide as this lies at ease. */
const WIDE_MM = 70;
/** Neighbouring fingers may lie this many strings apart without trouble. */
const EASY_STRINGS = 2;

/** Measures the neck where the hand is: mm between two frets that count from the capo. */
export type Place = { readonly mm: (low: number, high: number) => number };

/** To a thousandth: as fine as any cost is told. */
export const round = (value: number): number => Math.round(value * 1000) / 1000;

/** Takes each term in turn, by its place in {@link TERMS}; amounts of 0 are not told. */
export type TermSink = (term: number, amount: number) => void;

/** Terms by their place in {@link TERMS}, and their weights there: a search asks for them a million times. */
export const AT = Object.freeze(Object.fromEntries(TERMS.map((term, at) => [term, at]))) as Readonly<
  Record<Term, number>
>;
const PRICES = Float64Array.from(TERMS, (term) => WEIGHTS[term]);

/** What an amount of a term costs, to a thousandth. */
const priceOf = (at: number, amount: number): number => round(amount * PRICES[at]!);

/** Strings that do not sound between the first that sounds and the last. */
export function dampedInside(frets: Frets): number {
  let first = -1;
  let last = -1;
  let sounding = 0;
  for (let string = 0; string < frets.length; string++) {
    if (frets[string] === null) continue;
    if (first < 0) first = string;
    last = string;
    sounding++;
  }
  return first < 0 ? 0 : last - first + 1 - sounding;
}

/** Tells what the frets alone make hard. */
export function tellShape(frets: Frets, tell: TermSink): void {
  let lowest = 0;
  let highest = 0;
  let opens = 0;
  /** Open strings above the first fretted one, and of those the ones below the last. */
  let above = 0;
  let between = 0;
  for (let string = 0; string < frets.length; string++) {
    const fret = frets[string]!;
    if (fret === null) continue;
    if (fret === 0) {
      opens++;
      if (lowest > 0) above++;
    } else {
      between += above;
      above = 0;
      if (lowest === 0 || fret < lowest) lowest = fret;
      if (fret > highest) highest = fret;
    }
  }
  if (lowest > 1) tell(AT.height, lowest - 1);
  if (highest > LAST_EASY_FRET && opens > 0)
    tell(AT["open beside high"], between + (opens - between) * OPEN_OUTSIDE);
  const inside = dampedInside(frets);
  if (inside > 0) tell(AT["damped inside"], inside);
}

/** Tells what the hand makes hard. */
export function tellHand(
  grips: readonly Grip[],
  fingers: readonly number[],
  thumbFret: number | null,
  place: Place,
  tell: TermSink,
): void {
  const count = grips.length + (thumbFret === null ? 0 : 1);
  if (count === 0) return;
  tell(AT.fingers, count);
  if (fingers.at(-1) === 4) tell(AT["little finger"], 1);
  if (thumbFret !== null) tell(AT.thumb, 1);
  let index = 0;
  let other = 0;
  let covered = 0;
  let low = thumbFret ?? grips[0]!.fret;
  let high = low;
  let stretch = 0;
  let across = 0;
  for (let at = 0; at < grips.length; at++) {
    const { fret, from, to } = grips[at]!;
    if (to > from) {
      covered += to - from + 1;
      if (fingers[at] === 1) index++;
      else other += otherBarre(fingers[at]!, isBroken(grips[at]!, grips));
    }
    if (fret < low) low = fret;
    if (fret > high) high = fret;
    if (at > 0) {
      const before = grips[at - 1]!;
      stretch += stretchMm(before.fret, fret, fingers[at]! - fingers[at - 1]!, place);
      across += Math.max(0, Math.max(from - before.to, before.from - to) - EASY_STRINGS);
    }
  }
  if (index > 0) tell(AT["index barre"], index);
  if (other > 0) tell(AT["other barre"], other);
  if (covered > 0) tell(AT["barre strings"], covered);
  const span = high > low ? place.mm(low, high) : 0;
  if (span > 0) tell(AT["span mm"], span);
  if (span > WIDE_MM) tell(AT["wide span mm"], span - WIDE_MM);
  if (stretch > 0) tell(AT["stretch mm"], stretch);
  if (across > 0) tell(AT["across strings"], across);
}

/** A barre of another finger than the index: the ring finger lies flat with least trouble, and none over strings held higher. */
const otherBarre = (finger: number, broken: boolean): number => (finger === 3 ? 1 : 1.5) + (broken ? 1 : 0);

/** Whether another finger holds a string between the ends of a barre. */
function isBroken({ from, to }: Grip, grips: readonly Grip[]): boolean {
  for (const other of grips) if (other.from > from && other.to < to) return true;
  return false;
}

/** Millimetres by which two neighbouring fingers are spread wider than a finger a fret. */
const stretchMm = (low: number, high: number, fingers: number, place: Place): number =>
  high > low + fingers ? place.mm(low + fingers, high) : 0;

const NOTHING: readonly Reason[] = Object.freeze([]);

/** The lines of the reason, in the order told. */
export function reasonsOf(tellAll: (tell: TermSink) => void): readonly Reason[] {
  let reasons: Reason[] | null = null;
  tellAll((at, amount) => {
    reasons ??= [];
    reasons.push({ term: TERMS[at]!, amount: round(amount), cost: priceOf(at, amount) });
  });
  return reasons ?? NOTHING;
}

/** One purse for all sums: a search prices a hundred thousand hands, and a sink of its own for each would be dear. */
let purse = 0;
const pay: TermSink = (at, amount) => {
  purse += priceOf(at, amount);
};

/** The sum of what is told, each term at its weight. */
export function costOf(tellAll: (tell: TermSink) => void): number {
  purse = 0;
  tellAll(pay);
  return round(purse);
}

/** The same for something told of by one function, for searches that ask a hundred thousand times. */
export function costOfTold<Facts>(
  tell: (frets: Frets, facts: Facts, sink: TermSink) => void,
  frets: Frets,
  facts: Facts,
): number {
  purse = 0;
  tell(frets, facts, pay);
  return round(purse);
}

/** What a hand costs, as {@link tellHand} tells it. */
export function handCost(
  grips: readonly Grip[],
  fingers: readonly number[],
  thumbFret: number | null,
  place: Place,
): number {
  purse = 0;
  tellHand(grips, fingers, thumbFret, place, pay);
  return round(purse);
}

/** What the frets alone cost, as {@link tellShape} tells it. */
export function shapeCost(frets: Frets): number {
  purse = 0;
  tellShape(frets, pay);
  return round(purse);
}
