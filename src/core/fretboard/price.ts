import { AT, costOfTold, dampedInside, round, type TermSink } from "./difficulty";
import type { Frets, Grip } from "./hand";
import type { Style } from "./styles";
import { MISSING_TERMS } from "./terms";
import { WEIGHTS } from "./weights";

/*
 * What orders lists and paths: the price of a shape is its difficulty, what of the chord's full sound it leaves out,
 * and what is unusual about it. Ours, no source.
 */

type OverBass = "firm" | "soft" | "colour";

/** How a shape sounds beside every other shape of its chord on the same neck. */
export type SoundFacts = {
  readonly style: Style;
  readonly sounding: number;
  /** The most strings any shape of the chord sounds here. */
  readonly fullest: number;
  /** Semitones of its lowest pitch above the lowest any of them has. */
  readonly bassAbove: number;
  /** Tones of the chord that do not sound. */
  readonly omitted: number;
  /** Whether the chord, or the style, is root and fifth only. */
  readonly isPower: boolean;
  /** What sounds next above its lowest pitch: the root or a fifth, another tone of the triad or a seventh, or a colour. */
  readonly overBass: OverBass;
  /** Semitones from its lowest pitch to the next higher one; null where there is none. */
  readonly overBassBy: number | null;
  /** How often a slash bass that is no tone of the chord sounds again above. */
  readonly foreignDoubled: number;
  /** In shapes of one or two strings: what sounds. */
  readonly few: "root" | "root and third" | "root and fifth" | "no root" | "other" | null;
};

/** Styles whose shapes are compared by how full they sound; the others are small on purpose. */
const COUNTS_FULLNESS: Readonly<Record<Style, boolean>> = Object.freeze({
  full: true,
  power: true,
  octave: false,
  triad: false,
  "two-string": false,
  shell: false,
  single: false,
  bass: false,
});

/** A power chord is root, fifth and root again (common practice, no source). */
const POWER_STRINGS = 3;
/** Five strings sound as full as six: shapes with the root on A are no poorer than those on low E. */
const FULL_STRINGS = 5;
const FIFTH = 7;
const FOURTH = 5;
const OCTAVE = 12;
/** A colour a fourth over the bass or higher is this much of the mud of one right above it. */
const COLOUR_A_FOURTH_UP = 0.45;
const MOST_OMITTED = 2;
/** A finger over so many strings lies flat. */
const FLAT_STRINGS = 3;
/** Open strings above this fret are another sound, taken on purpose. */
const FAR_FRET = 4;

const FULL_WEIGHT = MISSING_TERMS.reduce((sum, term) => sum + WEIGHTS[term], 0);

/** What a whole of fullness is worth in a style: the `weight` of price = difficulty + weight × (1 − fullness) + … */
export const fullnessWeight = (style: Style): number => (COUNTS_FULLNESS[style] ? round(FULL_WEIGHT) : 0);

/** Tells what of a full shape is missing, each from 0 to 1; the first missing string is missed least, hence the square. */
export function tellMissing(frets: Frets, facts: SoundFacts, tell: TermSink): void {
  const { sounding, fullest, bassAbove, overBass, omitted, isPower } = facts;
  const full = Math.min(isPower ? POWER_STRINGS : FULL_STRINGS, fullest);
  if (sounding < full) tell(AT["fewer strings"], ((full - sounding) / full) ** 2);
  if (!isPower) {
    let last = frets.length - 1;
    while (last > 0 && frets[last] === null) last--;
    if (last < frets.length - 1)
      tell(AT["high strings left out"], (frets.length - 1 - last) / (frets.length - 1));
  }
  if (bassAbove > 0) tell(AT["bass higher"], Math.min(1, bassAbove / OCTAVE));
  if (overBass !== "firm") tell(AT["nothing firm over the bass"], 1);
  if (omitted > 0) tell(AT["omitted tones"], Math.min(1, omitted / MOST_OMITTED));
}

/** How much of a full shape sounds, 0 to 1. */
export const fullnessOf = (frets: Frets, facts: SoundFacts): number =>
  Math.max(0, round(1 - costOfTold(tellMissing, frets, facts) / FULL_WEIGHT));

/** What is unusual about the frets, as {@link tellUnusualShape} tells it, at its price. */
export const unusualCost = (frets: Frets, facts: SoundFacts): number =>
  costOfTold(tellUnusualShape, frets, facts);

/** Tells what is unusual about the frets. */
export function tellUnusualShape(frets: Frets, facts: SoundFacts, tell: TermSink): void {
  if (facts.few === "root and fifth") tell(AT["root with fifth"], 1);
  if (facts.few === "other") tell(AT["neither third nor fifth"], 1);
  if (facts.few === "no root") tell(AT["not the root"], 1);
  if (hasFar(frets) && hasOpen(frets)) tell(AT["open beside far frets"], 1);
  if (!COUNTS_FULLNESS[facts.style]) return;
  const inside = dampedInside(frets);
  if (inside > 0) tell(AT["damped inside a strum"], inside);
  if (facts.overBass === "colour")
    tell(AT["colour over the bass"], (facts.overBassBy ?? 0) < FOURTH ? 1 : COLOUR_A_FOURTH_UP);
  if (facts.foreignDoubled > 0) tell(AT["foreign bass doubled"], facts.foreignDoubled);
  if (!facts.isPower) return;
  if (facts.overBassBy !== FIFTH) tell(AT["fifth not over root"], 1);
  if (facts.sounding > POWER_STRINGS) tell(AT["power strings"], facts.sounding - POWER_STRINGS);
}

/** Tells what is unusual about the hand: a finger flat over strings that fingers of their own usually take. */
export function tellUnusualHand(frets: Frets, grips: readonly Grip[], tell: TermSink): void {
  let flat = 0;
  for (const { from, to, fret } of grips) {
    if (to - from + 1 < FLAT_STRINGS) continue;
    let held = 0;
    for (let string = from; string <= to; string++) if (frets[string] === fret) held++;
    if (held >= FLAT_STRINGS) flat++;
  }
  if (flat > 0 && hasOpen(frets)) tell(AT["flat finger"], flat);
}

/** What is unusual about a hand, as {@link tellUnusualHand} tells it, at its price. */
export function handExtra(frets: Frets, grips: readonly Grip[]): number {
  for (const { from, to } of grips)
    if (to - from + 1 >= FLAT_STRINGS) return costOfTold(tellUnusualHand, frets, grips);
  return 0;
}

function hasFar(frets: Frets): boolean {
  for (let string = 0; string < frets.length; string++) if ((frets[string] ?? 0) > FAR_FRET) return true;
  return false;
}

const hasOpen = (frets: Frets): boolean => frets.includes(0);
