import { alignLists } from "../../../document";
import { sameChords } from "../edit/same-lines";
import type { Outline, OutlineLine, OutlineSection } from "../read/outline";
import { describeChords } from "./describe-lines";
import { asWritten, type NameOf } from "./side";

/** A section told as an earlier one of its kind with what differs. */
export type Similarity = {
  readonly like: string;
  readonly label: string;
  readonly differences: readonly string[];
};

/**
 * How a section goes otherwise than an earlier one, in words, by their chords alone: words are expected to differ.
 * @returns null when they share less than half of their lines
 */
export function differencesFrom(
  earlier: OutlineSection,
  section: OutlineSection,
  beatUnit: string,
  nameOf: NameOf = asWritten,
): readonly string[] | null {
  const pairs = alignLists(
    earlier.lines,
    section.lines,
    (a, b) => (sameChords(a, b) ? 0 : 0.6 + 0.8 * (1 - shared(a, b))),
    1,
  );
  const same = pairs.filter((pair) => pair.a && pair.b && sameChords(pair.a, pair.b)).length;
  if (same * 2 < Math.max(earlier.lines.length, section.lines.length)) return null;
  return pairs.flatMap((pair) => {
    if (pair.a && pair.b) {
      const words = describeChords(pair.a, pair.b, beatUnit, nameOf);
      return words.length === 0 ? [] : [`line ${section.lines.indexOf(pair.b) + 1}: ${words.join(", ")}`];
    }
    return pair.b
      ? [`line ${section.lines.indexOf(pair.b) + 1} is extra`]
      : [`without line ${earlier.lines.indexOf(pair.a!) + 1} of it`];
  });
}

/**
 * Sections that go like an earlier one of their kind: verse 2 is verse 1, but for what is named.
 * @param compare {@link differencesFrom}, or one that remembers what it has found
 */
export function likenesses(
  outline: Outline,
  compare: (earlier: OutlineSection, section: OutlineSection) => readonly string[] | null,
): ReadonlyMap<string, Similarity> {
  const found = new Map<string, Similarity>();
  const first = new Map<string, OutlineSection>();
  for (const section of outline.sections) {
    const { id, kind } = section.section;
    const earlier = kind === "other" ? undefined : first.get(kind);
    const differences = earlier && section.lines.length > 0 ? compare(earlier, section) : null;
    if (earlier && differences)
      found.set(id, { like: earlier.section.id, label: earlier.section.label, differences });
    else if (!earlier) first.set(kind, section);
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
