import { parseChord, pitchClassesOf, type SoundingChord, toLetters, toneSemitones } from "../../chord";
import { pitchClassOf } from "../../pitch";

/** What a search of the shelf asks for. All of it must be there. */
export type ShelfQuery = {
  /** Beginnings of words in titles, names, tags and words, folded. */
  readonly words: readonly string[];
  /** Chords it uses, by {@link chordMark}. */
  readonly chords: readonly string[];
  readonly tags: readonly string[];
};

/** Small letters without marks: what is compared when people search. @example foldText("Über") // => "uber" */
export const foldText = (text: string): string =>
  IS_PLAIN.test(text)
    ? text.toLowerCase()
    : text
        .normalize("NFKD")
        .replaceAll(/\p{Mn}/gu, "")
        .toLowerCase();

/** Signs that have no marks: most songs have no others, and are folded faster. */
const IS_PLAIN = /^[\x20-\x7e]*$/u;

/** A title without case, marks or signs. @example titleKeyOf("The Lamp, at Sea!") // => "the lamp at sea" */
export const titleKeyOf = (title: string): string =>
  foldText(title)
    .replaceAll(/[^\p{L}\p{N}]+/gu, " ")
    .trim();

/**
 * A chord by what sounds, so that spellings of one chord are found by each other.
 * @example chordMark("Bbm") === chordMark("A#min") // => true
 */
export function chordMark(symbol: string): string | null {
  const chord = parseChord(symbol);
  if (!chord.ok || chord.value.kind !== "chord") return null;
  const bass = chord.value.bass === null ? "" : `/${pitchClassOf(chord.value.bass)}`;
  return `${soundMark(chord.value)}${bass}`;
}

const soundMark = ({ root, tones }: SoundingChord): string =>
  `${pitchClassOf(root)}:${tones.map(toneSemitones).join(".")}`;

/** Every mark a chord is found by: with its bass and without. */
export function chordMarks(symbol: string): string[] {
  const chord = parseChord(symbol);
  if (!chord.ok || chord.value.kind !== "chord" || pitchClassesOf(chord.value).length === 0) return [];
  return [...new Set([chordMark(symbol)!, soundMark(chord.value)])];
}

/** Small letters are words: "es" and "si" are searched for in what is sung. */
const IS_CAPITAL = /^\p{Lu}/u;

/**
 * A chord that is searched for, in letters: letters, syllables, and H for what they call B. A lone B stays the B of letters,
 * since a search does not know who writes it.
 */
function lettersOf(item: string): string {
  const plain = item.replaceAll("♭", "b").replaceAll("♯", "#");
  return (
    toLetters(plain, "letters") ??
    toLetters(plain, "syllables") ??
    (IS_CAPITAL.test(plain) ? toLetters(plain, "german") : null) ??
    plain
  );
}

/**
 * Reads a search: words as they are, "uses B♭m F" for chords (or "uses Sib", "uses H7"), "#slow" for a tag.
 * @example parseShelfQuery("bay uses B♭m").words // => ["bay"]
 */
export function parseShelfQuery(text: string): ShelfQuery {
  const query = { words: [] as string[], chords: [] as string[], tags: [] as string[] };
  let chords = false;
  for (const item of text
    .slice(0, 400)
    .split(/[\s,]+/u)
    .filter((one) => one !== "")) {
    const mark = chords ? chordMark(lettersOf(item)) : null;
    if (/^uses$/iu.test(item)) chords = true;
    else if (mark) query.chords.push(mark);
    else if (/^#./u.test(item)) query.tags.push(foldText(item.slice(1)));
    else
      query.words.push(
        ...titleKeyOf(item)
          .split(" ")
          .filter((word) => word !== ""),
      );
  }
  return { ...query, words: query.words.slice(0, 12) };
}
