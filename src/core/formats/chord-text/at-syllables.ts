import { lineSyllables } from "../syllables";

/** A chord this far from where a syllable begins was set there on purpose: in a gap, or past the words. */
const NEAR = 8;

/**
 * Moves chords that were set over words by eye to where syllables begin, each to the nearest that the one before has not
 * taken; a word of one syllable is never cut. Chords past the last word stay there.
 * @param places where the chords stand, as indexes of the words
 * @example atSyllables("Give way to the count", [3, 7]) // => [5, 9]
 */
export function atSyllables(words: string, places: readonly number[]): number[] {
  // A chord at the first sign stands where it should, and nothing is counted for it alone.
  if (places.every((place) => place === 0 || place >= words.length)) return [...places];
  const starts = lineSyllables(words);
  let taken = -1;
  return places.map((place) => {
    const free = starts.filter((start) => start > taken);
    const nearest = nearestTo(free, place);
    const isPast = place >= words.length;
    const at = isPast || nearest === null || Math.abs(nearest - place) > NEAR ? place : nearest;
    taken = Math.max(taken, at);
    return at;
  });
}

/** The nearest of some places; of two as near the earlier one. */
function nearestTo(starts: readonly number[], place: number): number | null {
  let best: number | null = null;
  for (const start of starts)
    if (best === null || Math.abs(start - place) < Math.abs(best - place)) best = start;
  return best;
}
