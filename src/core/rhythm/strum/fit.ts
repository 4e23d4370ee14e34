import type { Ticks } from "../../../base";
import { beatUnitOf, ticksOfBeatUnit } from "../meter";
import { isOnset, type Pattern, type Stroke } from "./pattern";
import { strokeTicks, ticksOfPattern } from "./times";

/** Where a pattern begins again: with each chord, or it runs on through its section. */
export const ANCHORS = ["chord", "section"] as const;
export type Anchor = (typeof ANCHORS)[number];

/** A stroke at its place, in ticks from where its section begins, until something else happens to the strings. */
export type FittedStroke = {
  readonly tick: Ticks;
  /** When the next stroke, a choke or the end of the chord stops it. */
  readonly until: Ticks;
  readonly stroke: Stroke;
  /** Which stroke of the pattern it is. */
  readonly at: number;
};

export type ChordSpan = { readonly tick: Ticks; readonly ticks: Ticks };

/**
 * Lays a pattern under chords of any length. With "chord" it begins again at each chord and is cut where the chord
 * ends; with "section" it runs on and the chords change over it. A chord may begin early (a push): the pattern then
 * keeps to its beats, the push is one more stroke where the chord begins.
 * @param chords one after the other, in ticks from the section's start
 * @example fitPattern(pattern, [{ tick: 0, ticks: 3840 }, { tick: 3840, ticks: 1920 }], "chord")
 */
export function fitPattern(pattern: Pattern, chords: readonly ChordSpan[], anchor: Anchor): FittedStroke[] {
  const places = strokeTicks(pattern);
  const length = ticksOfPattern(pattern);
  const beat = ticksOfBeatUnit(beatUnitOf(pattern.meter))!;
  const fitted: FittedStroke[] = [];
  for (const chord of chords) {
    const end = chord.tick + chord.ticks;
    // The beat a chord belongs to: one that comes early belongs to the next.
    const home = anchor === "chord" ? Math.round(chord.tick / beat) * beat : 0;
    const struck: FittedStroke[] = [];
    for (let round = Math.max(0, Math.floor((chord.tick - home) / length)); ; round++) {
      const from = home + round * length;
      if (from >= end) break;
      for (const [at, place] of places.entries()) {
        const tick = from + place;
        const stroke = pattern.strokes[at]!;
        if (tick < chord.tick || tick >= end || stroke.kind === "ring") continue;
        struck.push({ tick, until: end, stroke, at });
      }
    }
    const first = struck[0];
    const pushed = anchor === "chord" && home > chord.tick && (first === undefined || first.tick >= home);
    if (pushed && first && isOnset(first.stroke)) struck[0] = { ...first, tick: chord.tick };
    for (const [index, one] of struck.entries())
      fitted.push({ ...one, until: struck[index + 1]?.tick ?? end });
  }
  return fitted.filter(({ stroke }) => isOnset(stroke));
}
