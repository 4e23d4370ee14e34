import { formatNoteName, type Key, type NoteName } from "../pitch";
import { parseChord } from "./chord";

/** The customs chords are written in. Letters are what the program keeps; the rest are read into them. */
export const NAMINGS = ["letters", "syllables", "german", "degrees"] as const;
export type Naming = (typeof NAMINGS)[number];

/**
 * Turns a chord written by any custom into letter names, or null when it is none.
 * @param key what degrees are counted from; without it they are not read
 * @example toLetters("Fa dièse m7", "syllables") // => "F#m7"
 * @example toLetters("H7", "german") // => "B7"
 * @example toLetters("5/7", "degrees", G major) // => "D/F#"
 */
export function toLetters(text: string, naming: Naming, key: Key | null = null): string | null {
  const trimmed = text.trim();
  const letters = READERS[naming](trimmed, key);
  return letters !== null && parseChord(letters).ok ? letters : null;
}

const NO_CHORD = /^(?:N\.?\s?C\.?|n\.c\.)$/u;

const READERS: Readonly<Record<Naming, (text: string, key: Key | null) => string | null>> = Object.freeze({
  letters: (text) => text,
  syllables: (text) => withBass(text, readSyllable),
  german: (text) => withBass(text, readGerman),
  degrees: (text, key) => (key === null ? null : withBass(text, (part) => readDegree(part, key))),
});

/** Reads root and quality before the slash and a bare note after it; slashes of a quality ("6/9") stay. */
function withBass(
  text: string,
  read: (part: string) => { root: string; rest: string } | null,
): string | null {
  if (NO_CHORD.test(text)) return text;
  const head = read(text);
  if (!head) return null;
  const slash = head.rest.lastIndexOf("/");
  const bass = slash < 0 ? null : read(head.rest.slice(slash + 1));
  if (bass && bass.rest === "") return `${head.root}${head.rest.slice(0, slash)}/${bass.root}`;
  return head.root + head.rest;
}

const SYLLABLE =
  /^(do|ut|ré|re|mi|fá|fa|sol|lá|la|sí|si|dó|mí)(?:\s*(##|bb|#|♯|b(?!\d)|♭|dièse|diese|dièze|diesis|diese?s|sostenido|bémol|bemol|bemolle))?(?!(?!(?:dim|aug|sus)$)[a-zà-ÿ]*[aeiou][a-zà-ÿ]*$)(.*)$/iu;

const LETTER_OF_SYLLABLE: Readonly<Record<string, string>> = Object.freeze({
  do: "C",
  ut: "C",
  re: "D",
  mi: "E",
  fa: "F",
  sol: "G",
  la: "A",
  si: "B",
});

const withoutMarks = (text: string): string => text.normalize("NFD").replaceAll(/\p{M}/gu, "");

const signOf = (mark: string): string =>
  mark === ""
    ? ""
    : /^(?:#|♯|di|sos)/iu.test(mark)
      ? "#".repeat(mark === "##" ? 2 : 1)
      : mark === "bb"
        ? "♭♭"
        : "b";

/** Words some sheets write for a quality. */
const QUALITY_WORDS: readonly (readonly [RegExp, string])[] = Object.freeze([
  [/^\s*(?:mineur|minore|menor|moll|min\.?|m\.)(?![a-z])/iu, "m"],
  [/^\s*(?:majeur|maggiore|mayor|maior|dur)(?![a-z])/iu, ""],
] as const);

function readQualityWord(rest: string): string {
  const found = QUALITY_WORDS.find(([pattern]) => pattern.test(rest));
  return (found ? found[1] + rest.replace(found[0], "") : rest).trim();
}

/** "Sol", "SOL", "Sib", "La mineur": a syllable with a capital, its sign, and what follows. */
function readSyllable(text: string): { root: string; rest: string } | null {
  const match = /^\p{Lu}/u.test(text) ? SYLLABLE.exec(text.normalize("NFC")) : null;
  if (!match) return null;
  const letter = LETTER_OF_SYLLABLE[withoutMarks(match[1]!.toLowerCase())];
  if (!letter) return null;
  return { root: letter + signOf((match[2] ?? "").toLowerCase()), rest: readQualityWord(match[3]!) };
}

const GERMAN = /^([A-Ha-h])(isis|is|eses|es|(?<=[AaEe])s(?!us)|bb|b(?!\d)|♭|##|#|♯)?(.*)$/u;

/** "H" is B and "B" is B flat; "Fis", "Es", "As"; a small letter is minor. */
function readGerman(text: string): { root: string; rest: string } | null {
  const match = GERMAN.exec(text);
  if (!match) return null;
  const letter = match[1]!.toUpperCase();
  const mark = match[2] ?? "";
  const sharp = mark === "is" ? "#" : mark === "isis" ? "##" : /^[#♯]/u.test(mark) ? mark : "";
  const flat =
    mark === "es" || mark === "s" || mark === "b" || mark === "♭"
      ? "b"
      : /^(?:eses|bb)$/u.test(mark)
        ? "♭♭"
        : "";
  const root =
    letter === "H"
      ? `B${flat || sharp}`
      : letter === "B"
        ? mark === "" || flat
          ? "Bb"
          : `B${sharp}`
        : letter + (sharp || flat);
  const minor = match[1] !== letter;
  const rest = readQualityWord(match[3]!);
  // A small letter before other small letters begins a word ("hi", "des").
  if (minor && /^(?!m(?![a-z])|moll|maj|sus|add|dim)\p{L}/u.test(rest)) return null;
  if (minor && /^m(?!aj)/u.test(rest)) return { root, rest };
  return { root, rest: minor ? `m${rest}` : rest };
}

/** Degrees of the major scale on the line of fifths from the tonic. */
const FIFTHS_OF_DEGREE = [0, 2, 4, -1, 1, 3, 5] as const;

/** "6m", "b7", "4maj7", "5·7": a degree of the major scale on the key's tonic, and a quality. */
function readDegree(text: string, key: Key): { root: string; rest: string } | null {
  const match = /^([#♯b♭]?)([1-7])(?!\d{2})(?:·(?=\d))?(.*)$/u.exec(text);
  if (!match) return null;
  const alter = match[1] === "" ? 0 : /[#♯]/u.test(match[1]!) ? 7 : -7;
  const name: NoteName = key.tonic + FIFTHS_OF_DEGREE[Number(match[2]) - 1]! + alter;
  return { root: formatNoteName(name).replace(/bb$/u, "♭♭"), rest: match[3]! };
}
