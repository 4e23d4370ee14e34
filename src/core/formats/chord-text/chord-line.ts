import { type Naming, parseChord, toLetters } from "../../chord";
import type { Key } from "../../pitch";
import { type SheetText, sheetText } from "./sheet-text";

/** One sign of a chord line. `text` is the chord in letters; `column` is where it stands on screen. */
export type ChordToken = {
  readonly kind:
    | "chord"
    | "unreadable"
    | "bar"
    | "again"
    | "dash"
    | "repeat-bar"
    | "repeat-mark"
    | "repeat-open"
    | "repeat-close";
  readonly text: string;
  readonly column: number;
  /** Where it begins in the text, from 0. */
  readonly source: number;
  /** Beats written with it: "C(2)". */
  readonly beats?: number;
  readonly written?: string;
};

/** How the chords of a sheet are written. */
export type Reading = { readonly naming: Naming; readonly key: Key | null };

export const LETTERS: Reading = Object.freeze({ naming: "letters", key: null });

const BAR = /^(?:\|{1,2}\.?|‖|\]|\[)$/u;
const REPEAT_MARK = /^\(?(?:[x×](\d{1,2})|(\d{1,2})[x×])\)?$/iu;
/** Something that looks meant as a chord: a capital note letter and a short tail with a figure or sign in it. */
const CHORDLIKE = /^[A-H](?:(?:[#b♯♭]|m|M|sus|add|dim|aug|maj|[/(+°ø])\S{0,11}|\S{0,4}\d\S{0,6})$/u;
const SIGNS = /\|{1,2}:|:\|{1,2}:?|\|{1,2}\.?|‖|[^\s|]+/gu;
/** In syllables a sign or a mode may stand apart: "Fa dièse", "La mineur". */
const SYLLABLE_SIGNS =
  /\|{1,2}:|:\|{1,2}:?|\|{1,2}\.?|‖|[^\s|]+(?:\s+(?:dièse|diese|diesis|sostenido|bémol|bemol|bemolle|mineur|majeur|minore|maggiore|menor|mayor|m(?!\S))\S*)*/giu;

/**
 * Reads a line of chords, or null when it is not one. A word among several chords that looks meant as a
 * chord is kept as unreadable rather than making the line words.
 * @example readChordLine("| G / / D |")?.map((token) => token.kind) // => ["bar", "chord", "again", "again", "chord", "bar"]
 */
export function readChordLine(line: string | SheetText, reading: Reading = LETTERS): ChordToken[] | null {
  const { text, columns } = typeof line === "string" ? sheetText(line) : line;
  const tokens: ChordToken[] = [];
  const signs = reading.naming === "syllables" ? SYLLABLE_SIGNS : SIGNS;
  for (const match of text.matchAll(signs)) {
    const found = readSign(match[0], reading);
    if (!found) return null;
    for (const { skip, ...token } of found) {
      const source = match.index + skip;
      tokens.push({ ...token, source, column: columns[source]! });
    }
  }
  const chords = tokens.filter((token) => token.kind === "chord").length;
  const unreadable = tokens.filter((token) => token.kind === "unreadable").length;
  const held =
    tokens.some((token) => token.kind === "repeat-bar") && tokens.some((token) => token.kind === "bar");
  if (chords === 0 && !held) return null;
  return unreadable <= chords ? withoutSeparators(tokens) : null;
}

type Sign = Omit<ChordToken, "column" | "source"> & { readonly skip: number };

function readSign(raw: string, reading: Reading): Sign[] | null {
  const plain = (kind: ChordToken["kind"]): Sign[] => [{ kind, text: raw, skip: 0 }];
  if (/^\|{1,2}:$/u.test(raw)) return plain("repeat-open");
  if (/^:\|{1,2}:?$/u.test(raw)) return plain("repeat-close");
  if (BAR.test(raw)) return plain("bar");
  if (/^(?:\/+|\.+)$/u.test(raw)) return [...raw].map((sign, skip) => ({ kind: "again", text: sign, skip }));
  if (/^(?:-+|–|—|>|→|,|~)$/u.test(raw)) return plain("dash");
  if (/^(?:%+|𝄎)$/u.test(raw)) return plain("repeat-bar");
  if (REPEAT_MARK.test(raw)) return plain("repeat-mark");
  const chord = readChordSign(raw, reading);
  if (chord) return [chord];
  const parts = splitChords(raw, reading);
  if (parts) return parts;
  return reading.naming !== "degrees" && CHORDLIKE.test(raw)
    ? [{ kind: "unreadable", text: raw.slice(0, 40), skip: 0 }]
    : null;
}

/** A chord with what people put about it: brackets, a comma, a star, beats in brackets. */
function readChordSign(raw: string, reading: Reading): Sign | null {
  const counted = /^(.+?)\((1|2|3|4|8|12|16)\)$/u.exec(raw);
  const inner = counted && toLetters(counted[1]!, reading.naming, reading.key);
  if (inner) return { kind: "chord", text: inner, skip: 0, beats: Number(counted[2]), written: raw };
  const lead = /^[([]?/u.exec(raw)![0].length;
  const candidates: [string, number][] = [
    [raw, 0],
    [raw.replace(/[*,;.!]+$/u, ""), 0],
    [raw.slice(lead).replace(/[)\]*,;.!]+$/u, ""), lead],
  ];
  for (const [text, skip] of candidates) {
    const letters = text === "" ? null : toLetters(text, reading.naming, reading.key);
    if (letters !== null) return { kind: "chord", text: letters, skip, written: text };
  }
  return null;
}

/** "G-D-Em": chords run together with dashes or commas. */
function splitChords(raw: string, reading: Reading): Sign[] | null {
  if (!/[-–,>]/u.test(raw)) return null;
  const found: Sign[] = [];
  for (const match of raw.matchAll(/[^-–,>]+/gu)) {
    const chord = readChordSign(match[0], reading);
    if (!chord) return null;
    found.push({ ...chord, skip: match.index + chord.skip });
  }
  return found.length > 1 ? found : null;
}

/** A dash between every two chords only parts them; otherwise it holds the chord before. */
function withoutSeparators(tokens: ChordToken[]): ChordToken[] {
  const parting = tokens.every((token, index) => {
    if (token.kind !== "dash") return true;
    return tokens[index - 1]?.kind === "chord" && tokens[index + 1]?.kind === "chord";
  });
  return parting
    ? tokens.filter((token) => token.kind !== "dash")
    : tokens.map((token) => (token.kind === "dash" ? { ...token, kind: "again" } : token));
}

export type InlineChord = {
  readonly text: string;
  readonly column: number;
  readonly source: number;
  readonly ok: boolean;
};

/**
 * Takes chords written in brackets out of a line of words, or null when there are none.
 * @example readInline("[G]Light on [C]water") // => { words: "Light on water", chords: [{ text: "G", column: 0 }, { text: "C", column: 9 }] }
 */
export function readInline(
  line: string,
  reading: Reading = LETTERS,
): { words: string; chords: InlineChord[] } | null {
  const chords: InlineChord[] = [];
  let words = "";
  let from = 0;
  for (const match of line.matchAll(/\[([^[\]]{1,40})\]/gu)) {
    const text = match[1]!.trim();
    const letters = toLetters(text, reading.naming, reading.key);
    if (letters === null && !CHORDLIKE.test(text)) continue;
    words += line.slice(from, match.index);
    chords.push({ text: letters ?? text, column: words.length, source: match.index, ok: letters !== null });
    from = match.index + match[0].length;
  }
  return chords.some((chord) => chord.ok) ? { words: words + line.slice(from), chords } : null;
}

/** Whether a text is a chord by this reading. */
export const isChord = (text: string, reading: Reading): boolean =>
  reading.naming === "letters" ? parseChord(text).ok : toLetters(text, reading.naming, reading.key) !== null;

/** How often a repeat mark says to play. @example timesOf("(x3)") // => 3 */
export const timesOf = (mark: string): number => {
  const match = REPEAT_MARK.exec(mark);
  return Number(match?.[1] ?? match?.[2] ?? 1);
};
