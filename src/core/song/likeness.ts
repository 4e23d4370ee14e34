import { alignLists } from "./align";
import { asWritten, type NameOf } from "./compare-side";
import { sameChords } from "./exceptions";
import type { Outline, OutlineLine } from "./outline";
import { sayChords } from "./say-lines";

/** A section told as an earlier one of its kind with what differs. */
export type Likeness = {
  readonly like: string;
  readonly label: string;
  readonly differences: readonly string[];
};

/**
 * Sections that go like an earlier one of their kind: verse 2 is verse 1, but for what is named. Words are left out:
 * they are expected to differ.
 */
export function likenesses(
  outline: Outline,
  beatUnit: string,
  nameOf: NameOf = asWritten,
): ReadonlyMap<string, Likeness> {
  const found = new Map<string, Likeness>();
  for (const [index, section] of outline.sections.entries()) {
    const earlier = outline.sections
      .slice(0, index)
      .find(
        (one) =>
          one.section.kind === section.section.kind &&
          one.section.kind !== "other" &&
          !found.has(one.section.id),
      );
    if (!earlier || section.lines.length === 0) continue;
    const pairs = alignLists(
      earlier.lines,
      section.lines,
      (a, b) => (sameChords(a, b) ? 0 : 0.6 + 0.8 * (1 - shared(a, b))),
      1,
    );
    const same = pairs.filter((pair) => pair.a && pair.b && sameChords(pair.a, pair.b)).length;
    if (same * 2 < Math.max(earlier.lines.length, section.lines.length)) continue;
    const differences = pairs.flatMap((pair) => {
      if (pair.a && pair.b) {
        const words = sayChords(pair.a, pair.b, beatUnit, nameOf);
        return words.length === 0 ? [] : [`line ${section.lines.indexOf(pair.b) + 1}: ${words.join(", ")}`];
      }
      return pair.b
        ? [`line ${section.lines.indexOf(pair.b) + 1} is extra`]
        : [`without line ${earlier.lines.indexOf(pair.a!) + 1} of it`];
    });
    found.set(section.section.id, { like: earlier.section.id, label: earlier.section.label, differences });
  }
  return found;
}

/** How much of two lines' chords is shared, 0 to 1. */
function shared(a: OutlineLine, b: OutlineLine): number {
  const pairs = alignLists(
    a.chords,
    b.chords,
    (one, two) => (one.chord.symbol === two.chord.symbol ? 0 : 2),
    1,
  );
  const both = pairs.filter((pair) => pair.a && pair.b).length;
  return pairs.length === 0 ? 1 : both / pairs.length;
}
