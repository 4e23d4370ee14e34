import { parseChord } from "../../chord";
import type { SectionKind } from "../../song/schema";
import { ALSO_SUNG, HEADING_WORDS } from "./heading-words";

const KIND_OF_WORD: ReadonlyMap<string, SectionKind> = new Map(
  Object.entries(HEADING_WORDS).flatMap(([kind, words]) =>
    words.map((word): [string, SectionKind] => [word, kind as SectionKind]),
  ),
);

/** "V2", "C1", "B": how people shorten their headings. */
const SHORT: readonly (readonly [RegExp, SectionKind])[] = Object.freeze([
  [/^v\s?\d/u, "verse"],
  [/^c\s?\d/u, "chorus"],
  [/^b\s?\d/u, "bridge"],
  [/^ch\s?\d?\.?$/u, "chorus"],
  [/^vs?\.?$/u, "verse"],
  [/^br\.?$/u, "bridge"],
  [/^\d{1,2}[.)]?$/u, "verse"],
] as const);

const REPEAT = /\s*[([]?(?:[x×]\s*(\d{1,2})|(\d{1,2})\s*[x×])[)\]]?\s*$/iu;
export const MOST_REPEATS = 32;

export type Heading = { readonly label: string; readonly kind: SectionKind; readonly repeat: number };

/** Small letters without marks: "Strophe", "STROPHE" and "Refrão" are found by one spelling. */
const fold = (text: string): string => (/^[\x20-\x7E]*$/u.test(text) ? text.toLowerCase() : foldMarks(text));
const foldMarks = (text: string): string =>
  text
    .normalize("NFD")
    .replaceAll(/\p{Mn}/gu, "")
    .replaceAll("ø", "o")
    .replaceAll("æ", "ae")
    .replaceAll("ł", "l")
    .toLowerCase();

/** What known words begin with, up to a space or dash: most lines of a song begin otherwise. */
const FIRST_WORDS: ReadonlySet<string> = new Set(
  [...KIND_OF_WORD.keys()].map((word) => /^\p{L}+/u.exec(word)![0]),
);

const RECALLS: ReadonlySet<string> = new Set(["repeat", "again", "back", "to", "v"]);

/** Whether a line begins with a known word. */
export const beginsKnown = (line: string): boolean => FIRST_WORDS.has(firstWord(line));

const firstWord = (line: string): string => fold(/^\s*\p{L}+/u.exec(line)?.[0] ?? "").trim();

/** A quick look that spares most lines of a song a closer one: what no heading does without. */
function mayHead(line: string): boolean {
  if (line.includes(":") || /^\s*[[{(\d]/u.test(line)) return true;
  const word = firstWord(line);
  return FIRST_WORDS.has(word) || RECALLS.has(word) || ORDINAL.test(word) || ABBREVIATED.test(line.trim());
}

/** What a known word may be counted with: "Last chorus", "Dernier refrain", "Primeira parte". */
const ORDINAL =
  /^(?:first|second|third|last|final|premiere?|deuxieme|troisieme|derniere?|primer[ao]?|segund[ao]|tercer[ao]?|ultim[ao]|primeir[ao]|terceir[ao]|erste[rs]?|zweite[rs]?|dritte[rs]?|letzte[rs]?|prim[ao]|second[ao]|terz[ao])$/u;
/** Headings of a letter or two, alone in a line. */
const ABBREVIATED = /^(?:ch|vs|br)\s?\d?\.?$/iu;

/** The longest known word the label begins with, and what follows it. */
function knownWord(label: string): { word: string; rest: string } | null {
  const whole = fold(label.trim());
  const [, first = "", after = ""] = /^(\p{L}+)\s+(?=\p{L})(.*)$/su.exec(whole) ?? [];
  const isCounted = ORDINAL.test(first);
  const folded = isCounted ? after : whole;
  if (isCounted && /^(?:parte?|partie|teil)$/u.test(folded)) return { word: "verse", rest: "" };
  if (!FIRST_WORDS.has(/^\p{L}+/u.exec(folded)?.[0] ?? "")) return null;
  const ends = [...folded.matchAll(/(?<=[\p{L}\d])(?=[^\p{L}]|$)/gu)].map((match) => match.index);
  for (const end of ends.slice(0, 4).toReversed()) {
    const word = folded.slice(0, end);
    if (KIND_OF_WORD.has(word)) return { word, rest: folded.slice(end) };
  }
  return null;
}

/** What a section is, by the word its label begins with. @example kindOfLabel("Strophe 2") // => "verse" */
export function kindOfLabel(label: string): SectionKind {
  const known = knownWord(label);
  if (known) return KIND_OF_WORD.get(known.word)!;
  const folded = fold(label.trim());
  return SHORT.find(([pattern]) => pattern.test(folded))?.[1] ?? "other";
}

/**
 * Reads a heading: any label in brackets, a short label with a colon, or a known word alone.
 * @param isChord tells a chord in brackets from a label
 * @example readHeading("[Chorus] x2") // => { label: "Chorus", kind: "chorus", repeat: 2 }
 */
export function readHeading(
  line: string,
  isChord: (text: string) => boolean = (text) => parseChord(text).ok,
): Heading | null {
  if (!mayHead(line)) return null;
  const repeated = REPEAT.exec(line);
  const count = Number(repeated?.[1] ?? repeated?.[2] ?? 1);
  const repeat = Math.min(MOST_REPEATS, Math.max(1, count));
  const text = (repeated ? line.slice(0, repeated.index) : line).trim();
  if (text === "") return null;
  const bracketed = /^\[([^[\]]{1,80})\]:?$/u.exec(text) ?? /^\{([^{}:]{1,80})\}$/u.exec(text);
  if (bracketed) return headingOf(bracketed[1]!.replace(/:$/u, "").trim(), repeat, isChord);
  const colon = /^([^:|[\]]{1,60}):$/u.exec(text);
  if (colon && colon[1]!.trim().split(/\s+/u).length <= 4)
    return headingOf(colon[1]!.trim(), repeat, isChord);
  if (isBare(text)) return headingOf(text, repeat, isChord);
  // "(Chorus)", "Repeat chorus": a section that stands elsewhere.
  const recalled = /^\(?(?:(?:repeat|again:?|back to|to)\s+)?(?:the\s+)?([^()]{3,40}?)\)?$/iu.exec(text)?.[1];
  return recalled !== undefined && recalled !== text && isBare(recalled)
    ? headingOf(recalled, repeat, isChord)
    : null;
}

function headingOf(label: string, repeat: number, isChord: (text: string) => boolean): Heading | null {
  if (label === "" || isChord(label)) return null;
  const inside = REPEAT.exec(label);
  if (inside && inside.index > 0)
    return {
      label: label.slice(0, inside.index).trim(),
      kind: kindOfLabel(label),
      repeat: Math.min(MOST_REPEATS, Math.max(1, Number(inside[1] ?? inside[2]))),
    };
  return { label, kind: kindOfLabel(label), repeat };
}

/** A known word with no brackets: alone, numbered, or with a remark in brackets or after a dash. */
function isBare(text: string): boolean {
  if (text.length > 40) return false;
  const known = knownWord(text);
  if (!known) return /^(?:\d{1,2}[.)]|[vV]\s?\d)$/u.test(text) || ABBREVIATED.test(text);
  const rest = known.rest.trim();
  if (rest === "") return !ALSO_SUNG.has(known.word);
  return /^(?:#?\d{1,2}[a-z]?|[a-d]|[ivx]{1,4})?\s*(?:\([^()]*\)|[-–—]\s.{1,24})?$/u.test(rest);
}
