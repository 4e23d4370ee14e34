import type { Anchor, PlacedChord } from "../schema/sections";
import { type OutlineLine, outlineLine } from "./outline";

type Place = Pick<PlacedChord, "wordId" | "offset">;

/**
 * The chords of one line over the words of another. A chord stands where an anchor puts it; one without (it came later)
 * stands at the word nearest to its share of its own line, after the chord before it and before the next.
 * @param anchors by the id of the chord, or of the chord it was copied from
 * @example G over "Light", D over "water", sung "Rope the Net" // => G over "Rope", D over "Net"
 */
export function chordsOver(
  chords: OutlineLine,
  words: OutlineLine,
  anchors: ReadonlyMap<string, Anchor>,
): OutlineLine {
  const known = new Map(words.words.map(({ word, at }) => [word.id, at]));
  const placeOf = ({ chord }: OutlineLine["chords"][number]): Place | null => {
    if (chord.wordId !== null && known.has(chord.wordId)) return chord;
    const anchor = anchors.get(chord.id) ?? anchors.get(chord.originId ?? "");
    return anchor && known.has(anchor.wordId) ? anchor : null;
  };
  const placed = chords.chords.map(placeOf);
  const startOf = (place: Place | null | undefined, fallback: number): number =>
    place ? (known.get(place.wordId ?? "") ?? words.text.length) + place.offset : fallback;
  let before = 0;
  const rows = chords.chords.map((one, index): PlacedChord => {
    const after = startOf(
      placed.slice(index + 1).find((place) => place !== null),
      words.text.length,
    );
    const place = placed[index] ?? guess(chords, one.at, words, before, after);
    before = startOf(place, words.text.length);
    return { ...one.chord, wordId: place.wordId, offset: place.offset };
  });
  return outlineLine(
    words.line,
    words.words.map(({ word }) => word),
    rows,
  );
}

/** The word a chord most likely falls on: by its share of its own line's text. */
function guess(chords: OutlineLine, at: number, words: OutlineLine, from: number, to: number): Place {
  const end = words.words.at(-1);
  if (!end || chords.text === "") return { wordId: null, offset: 0 };
  if (at >= chords.text.length) return { wordId: end.word.id, offset: end.word.text.length };
  const wanted = (at / chords.text.length) * words.text.length;
  const near = words.words.filter((word) => word.at >= from && word.at <= to);
  const best = (near.length > 0 ? near : words.words).reduce((a, b) =>
    Math.abs(b.at - wanted) < Math.abs(a.at - wanted) ? b : a,
  );
  return { wordId: best.word.id, offset: 0 };
}

/** A line with another chord's name in some places; words and times stay. */
export const renamed = (line: OutlineLine, chordId: string, symbol: string): OutlineLine => ({
  ...line,
  chords: line.chords.map((one) =>
    one.chord.id === chordId ? { ...one, chord: { ...one.chord, symbol } } : one,
  ),
});
