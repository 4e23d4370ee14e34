import type { Fingering } from "../../src/core/fretboard/fingerings";
import { betweenFretsMm } from "../../src/core/fretboard/neck";

type Spot = { readonly string: number; readonly fret: number };

/** Where a finger stands: the string nearest the face of those it holds. */
function spotOf(fingering: Fingering, finger: 1 | 2 | 3 | 4 | "T"): Spot | null {
  const string = fingering.fingers.indexOf(finger);
  return string < 0 ? null : { string, fret: fingering.frets[string]! };
}

/** The price list of a change, read off its sentences. */
function slowChange(a: Fingering, b: Fingering, capo = 0): number {
  let cost = 0;
  for (const finger of ["T", 1, 2, 3, 4] as const) {
    const [from, to] = [spotOf(a, finger), spotOf(b, finger)];
    if (!from && !to) continue;
    if (!from) cost += 1;
    else if (!to) cost += 0.5;
    else if (from.string === to.string && from.fret === to.fret) cost += 0;
    else {
      const mm = betweenFretsMm(from.fret, to.fret, capo, 648);
      if (from.string === to.string) cost += 0.5 + 0.02 * mm;
      else cost += 1.5 + 0.02 * (mm + 8 * Math.abs(from.string - to.string));
    }
  }
  return cost;
}

/** The cost of a path, read off its sentence: for tests. Shares nothing with the fast search but the neck. */
export function slowCost(
  path: readonly Fingering[],
  beats: readonly number[],
  beatMs: number,
  cyclic: boolean,
): number {
  const factor = (index: number) => (beats[index]! * beatMs < 700 ? 2 : 1);
  let cost = 0;
  for (const [index, one] of path.entries()) {
    cost += (one.price * beats[index]!) / 4;
    if (index > 0) cost += slowChange(path[index - 1]!, one) * factor(index - 1);
  }
  if (cyclic && path.length > 1) cost += slowChange(path.at(-1)!, path[0]!) * factor(path.length - 1);
  return cost;
}
