import { type Naming, parseChord, toLetters } from "../../chord";
import type { Key } from "../../pitch";
import { type SheetText, sheetText } from "./sheet-text";
import { type RawSign, signsOf } from "./signs";
import { beatsAfter } from "./written-beats";

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
    | "repeat-close"
    /** Words in brackets among chords: "(softly)". */
    | "remark";
  readonly text: string;
  readonly column: number;
  /** Where it begins in the text, from 0. */
  readonly source: number;
  /** Beats written with it: "C(2)". */
  readonly beats?: number | undefined;
  readonly written?: string | undefined;
  /** Written with a question mark: "Am?". */
  readonly unsure?: true | undefined;
};

/** How the chords of a sheet are written, and what its words were read as: songs say the same few chords often. */
export type Reading = {
  readonly naming: Naming;
  readonly key: Key | null;
  readonly known: Map<string, readonly Sign[] | null>;
  readonly bracketed: Map<string, Bracketed | null>;
  /** Whether a figure behind a chord is its beats: "A4". */
  readonly figures: boolean;
  /** Lines it has read, and those of plain signs by what they say: songs have the same lines of chords again and again. */
  readonly lines: WeakMap<SheetText, ChordToken[] | null>;
  readonly plainLines: Map<string, ChordToken[] | null>;
  /** Told of each line that is looked at. */
  readonly onStep: (() => void) | undefined;
};

type Bracketed = Pick<InlineChord, "text" | "ok" | "unsure" | "beats" | "written">;

/** A reading for one sheet. */
export const readingOf = (
  naming: Naming = "letters",
  key: Key | null = null,
  onStep?: (() => void) | undefined,
): Reading => ({
  naming,
  key,
  known: new Map(),
  bracketed: new Map(),
  figures: false,
  lines: new WeakMap(),
  plainLines: new Map(),
  onStep,
});

const BAR = /^(?:\|{1,2}\.?|‖|\]|\[)$/u;
const REPEAT_MARK = /^\(?(?:[x×](\d{1,2})|(\d{1,2})[x×])\)?$/iu;
/** Something that looks meant as a chord: a capital note letter and a short tail with a figure or sign in it, or H. */
const CHORDLIKE = /^(?:H|[A-H](?:(?:[#b♯♭]|m|M|sus|add|dim|aug|maj|[/(+°ø])\S{0,11}|\S{0,4}\d\S{0,6}))$/u;
/** Words in brackets, told from a chord in brackets by four small letters in a row. */
const REMARK = /^\((?=[^()|]*\p{Ll}{4})(?!add|dim|maj|aug|sus)[^()|]{1,80}\)$/u;
/** "des", "es" or "as" alone in a line is a word. */
const GERMAN_WORD = /^\s*(?:[a-h](?:is|es)|[ae]s)\s*$/u;
/**
 * Reads a line of chords, or null when it is not one. A word among several chords that looks meant as a
 * chord is kept as unreadable rather than making the line words.
 * @example readChordLine("| G / / D |")?.map((token) => token.kind) // => ["bar", "chord", "again", "again", "chord", "bar"]
 */
export function readChordLine(line: string | SheetText, reading: Reading = readingOf()): ChordToken[] | null {
  if (typeof line === "string") return readNewLine(sheetText(line), reading);
  // Where signs are one column wide each, what a line says tells its columns too.
  const isPlain = line.columns.length > line.text.length + 1;
  let found = isPlain ? reading.plainLines.get(line.text) : reading.lines.get(line);
  if (found === undefined) {
    found = readNewLine(line, reading);
    if (isPlain) reading.plainLines.set(line.text, found);
    else reading.lines.set(line, found);
  }
  return found;
}

function readNewLine({ text, columns }: SheetText, reading: Reading): ChordToken[] | null {
  reading.onStep?.();
  const tokens: ChordToken[] = [];
  if (reading.naming === "german" && GERMAN_WORD.test(text)) return null;
  const barred = text.includes("|") && /(?:^|\s)\|/u.test(text);
  let strange = 0;
  for (const { raw, from } of withBeats([...signsOf(text, reading.naming)], reading)) {
    // Between bar lines whatever stands among chords is meant as one.
    const known = readSign(raw, reading);
    if (!known) strange++;
    const found = known ?? (barred ? unreadableSign(raw) : null);
    if (!found) return null;
    for (const sign of found) tokens.push(placed(sign, from + sign.skip, columns[from + sign.skip]!));
  }
  const chords = tokens.filter((token) => token.kind === "chord").length;
  const unreadable = tokens.filter((token) => token.kind === "unreadable").length;
  const held =
    tokens.some((token) => token.kind === "repeat-bar") && tokens.some((token) => token.kind === "bar");
  if ((chords === 0 && !held) || chords < 2 * strange) return null;
  return unreadable <= chords ? withHeldBars(withoutSeparators(tokens), isWide) : null;
}

/** Signs with the beats written behind a chord drawn to it: "A for 4", "A (4)", and "A 4" where every chord has some. */
function withBeats(signs: readonly RawSign[], reading: Reading): readonly RawSign[] {
  const isChord = (raw: string) => readSign(raw, reading)?.[0]?.kind === "chord";
  return beatsAfter(signs, isChord, reading.naming !== "degrees");
}

const placed = (sign: Sign, source: number, column: number): ChordToken => ({
  kind: sign.kind,
  text: sign.text,
  column,
  source,
  beats: sign.beats,
  written: sign.written,
  unsure: sign.unsure,
});

type Sign = Omit<ChordToken, "column" | "source"> & { readonly skip: number };

function readSign(raw: string, reading: Reading): readonly Sign[] | null {
  let found = reading.known.get(raw);
  if (found === undefined) {
    found = readNewSign(raw, reading);
    reading.known.set(raw, found);
  }
  return found;
}

function readNewSign(raw: string, reading: Reading): Sign[] | null {
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
  if (REMARK.test(raw)) return plain("remark");
  return reading.naming !== "degrees" && CHORDLIKE.test(raw) ? unreadableSign(raw) : null;
}

const unreadableSign = (raw: string): Sign[] => [{ kind: "unreadable", text: raw.slice(0, 40), skip: 0 }];

/** How a chord begins by each custom, brackets apart: a quick look that spares most words a closer one. */
const BEGINS_A_CHORD: Readonly<Record<Naming, RegExp>> = Object.freeze({
  letters: /^[([]?\s*[A-GNn]/u,
  german: /^[([]?\s*[A-HNa-hn]/u,
  syllables: /^[([]?\s*[\p{Lu}n]/u,
  degrees: /^[([]?\s*[#♯b♭1-7Nn]/u,
});

/** A chord with what people put about it: brackets, a comma, a star, beats in brackets. */
function readChordSign(raw: string, reading: Reading): Sign | null {
  if (!BEGINS_A_CHORD[reading.naming].test(raw)) return null;
  const counted = /^(.+?)\((\d{1,2}(?:\.5)?)\)$/u.exec(raw);
  const inner = counted && toLetters(counted[1]!, reading.naming, reading.key);
  if (inner && Number(counted[2]) > 0)
    return { kind: "chord", text: inner, skip: 0, beats: Number(counted[2]), written: raw };
  const figured = reading.figures ? /^(.+?)(1[26]|[1-9])$/u.exec(raw) : null;
  const bare = figured && toLetters(figured[1]!, reading.naming, reading.key);
  if (bare) return { kind: "chord", text: bare, skip: 0, beats: Number(figured[2]), written: raw };
  if (raw.endsWith("?")) {
    const sign = readChordSign(raw.slice(0, -1), reading);
    return sign && { ...sign, unsure: true };
  }
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

/** Bars written this far apart, in columns, hold a bar between them. */
const A_BAR_WIDE = 4;

const isWide = (from: ChordToken, to: ChordToken): boolean => to.column - from.column >= A_BAR_WIDE;

/** Puts a sign for a bar that goes on between two bar lines with no chord between them, where they hold a bar. */
function withHeldBars(
  tokens: readonly ChordToken[],
  holdsBar: (from: ChordToken, to: ChordToken) => boolean,
): ChordToken[] {
  const held: ChordToken[] = [];
  for (const [index, token] of tokens.entries()) {
    held.push(token);
    const next = tokens[index + 1];
    if (token.kind === "bar" && next?.kind === "bar" && holdsBar(token, next))
      held.push({ ...token, kind: "repeat-bar", text: "%" });
  }
  return held;
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

type InlineChord = {
  readonly text: string;
  readonly column: number;
  readonly source: number;
  readonly ok: boolean;
  readonly beats?: number | undefined;
  readonly written?: string | undefined;
  readonly unsure?: true | undefined;
};

const BRACKETS = /\[([^[\]]{1,40})\]/gu;
const BRACKETS_AND_BARS = /\[([^[\]]{1,40})\]|(?<!\S)\|{1,2}(?!\S)/gu;

/** A line of words its chords and bar lines are taken out of; `signs` holds both in their order. */
export type InlineLine = {
  readonly words: string;
  readonly chords: readonly InlineChord[];
  readonly signs: readonly ChordToken[];
};

/**
 * Takes chords written in brackets, and bar lines, out of a line of words, or null when there are no chords.
 * @example readInline("[G]Light on [C]water")?.words // => "Light on water", chords at columns 0 and 9
 */
export function readInline(line: string, reading: Reading = readingOf()): InlineLine | null {
  if (!line.includes("[")) return null;
  reading.onStep?.();
  const chords: InlineChord[] = [];
  const signs: ChordToken[] = [];
  let words = "";
  let from = 0;
  for (const match of line.matchAll(line.includes("|") ? BRACKETS_AND_BARS : BRACKETS)) {
    const chord = match[1] === undefined ? null : readBracketed(match[1], reading);
    if (match[1] !== undefined && !chord) continue;
    words += line.slice(from, match.index);
    if (chord)
      chords.push({
        text: chord.text,
        ok: chord.ok,
        unsure: chord.unsure,
        column: words.length,
        source: match.index,
      });
    signs.push({
      kind: !chord ? "bar" : chord.ok ? "chord" : "unreadable",
      text: chord?.text ?? match[0],
      column: words.length,
      source: match.index,
      beats: chord?.beats,
      written: chord?.written,
      unsure: chord?.unsure,
    });
    from = match.index + match[0].length;
  }
  words += line.slice(from);
  if (!chords.some((chord) => chord.ok)) return null;
  const end: ChordToken = { kind: "bar", text: "", column: words.length, source: line.length };
  const isSung = (from: ChordToken, to: ChordToken) => words.slice(from.column, to.column).trim() !== "";
  const held = line.includes("|") ? withHeldBars([...signs, end], isSung).slice(0, -1) : signs;
  return { words, chords, signs: held };
}

/** What stands in square brackets: a chord, something meant as one, or null. */
function readBracketed(written: string, reading: Reading): Bracketed | null {
  let found = reading.bracketed.get(written);
  if (found === undefined) {
    const text = written.trim();
    const sign = readChordSign(text, reading);
    if (sign)
      found = {
        text: sign.text,
        ok: true,
        beats: sign.beats,
        written: sign.written,
        ...(sign.unsure && { unsure: true }),
      };
    else found = CHORDLIKE.test(text) ? { text, ok: false } : null;
    reading.bracketed.set(written, found);
  }
  return found;
}

/** Signs longer than this are no slip of one sign. */
const LONGEST_SLIP = 12;
const MOST_OFFERS = 2;

/**
 * What was likely meant by a sign that is no chord: with one sign left out, or two changed about.
 * @example offersFor("H7") // => ["B7"]
 * @example offersFor("Cq7") // => ["C7"]
 */
export function offersFor(written: string): readonly string[] | undefined {
  if (/^H/u.test(written)) return [written.replace(/^H/u, "B")];
  if (written.length > LONGEST_SLIP || !/^[A-G]/u.test(written)) return undefined;
  const found = new Set<string>();
  for (let at = 1; at < written.length && found.size < MOST_OFFERS; at++) {
    const [before, sign, next = "", after] = [
      written.slice(0, at),
      written[at]!,
      written[at + 1],
      written.slice(at + 2),
    ];
    for (const meant of [before + next + after, before + next + sign + after])
      if (found.size < MOST_OFFERS && parseChord(meant).ok) found.add(meant);
  }
  return found.size > 0 ? [...found] : undefined;
}

/** Whether a text is a chord by this reading. */
export const isChord = (text: string, reading: Reading): boolean =>
  reading.naming === "letters" ? parseChord(text).ok : toLetters(text, reading.naming, reading.key) !== null;

/** How often a repeat mark says to play. @example timesOf("(x3)") // => 3 */
export const timesOf = (mark: string): number => {
  const match = REPEAT_MARK.exec(mark);
  return Number(match?.[1] ?? match?.[2] ?? 1);
};
