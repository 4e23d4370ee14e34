import { parseChord } from "../../chord";

/** One sign of a chord line and the column it stands at. */
export type ChordToken = {
  readonly kind: "chord" | "unreadable" | "bar" | "again" | "repeat-bar" | "repeat-mark";
  readonly text: string;
  readonly column: number;
};

const BAR = /^(?:\|{1,2}:?|:\|{1,2}:?|‖)$/u;
const REPEAT_MARK = /^\(?(?:x\d{1,2}|\d{1,2}x)\)?$/iu;
/** Something that looks meant as a chord: a capital note letter and a short tail with a figure or sign in it. */
const CHORDLIKE = /^[A-H](?:(?:[#b♯♭]|m|M|sus|add|dim|aug|maj|[/(+°ø])\S{0,11}|\S{0,4}\d\S{0,6})$/u;

/**
 * Reads a line of chords, or null when it is not one. A word among several chords that looks meant as a
 * chord is kept as unreadable rather than making the line words.
 * @example readChordLine("| G / / D |")?.map((token) => token.kind) // => ["bar", "chord", "again", "again", "chord", "bar"]
 */
export function readChordLine(line: string): ChordToken[] | null {
  const tokens: ChordToken[] = [];
  for (const match of line.matchAll(/\|{1,2}:?|:\|{1,2}|[^\s|]+/gu)) {
    const token = readToken(match[0], match.index);
    if (!token) return null;
    tokens.push(token);
  }
  const chords = tokens.filter((token) => token.kind === "chord").length;
  const unreadable = tokens.filter((token) => token.kind === "unreadable").length;
  return chords > 0 && unreadable <= chords ? tokens : null;
}

function readToken(raw: string, column: number): ChordToken | null {
  if (BAR.test(raw)) return { kind: "bar", text: raw, column };
  if (raw === "/" || raw === "." || raw === "-") return { kind: "again", text: raw, column };
  if (raw === "%") return { kind: "repeat-bar", text: raw, column };
  if (REPEAT_MARK.test(raw)) return { kind: "repeat-mark", text: raw, column };
  const lead = /^[([]?/u.exec(raw)![0].length;
  const candidates: [string, number][] = [
    [raw, 0],
    [raw.replace(/[*,;.]+$/u, ""), 0],
    [raw.slice(lead).replace(/[)\]*,;.]+$/u, ""), lead],
  ];
  for (const [text, skip] of candidates) {
    if (text !== "" && parseChord(text).ok) return { kind: "chord", text, column: column + skip };
  }
  return CHORDLIKE.test(raw) ? { kind: "unreadable", text: raw.slice(0, 40), column } : null;
}

/**
 * Takes chords written in brackets out of a line of words, or null when there are none.
 * @example readInline("[G]Light on [C]water") // => { words: "Light on water", chords: [{ text: "G", column: 0 }, { text: "C", column: 9 }] }
 */
export function readInline(
  line: string,
): { words: string; chords: { text: string; column: number; source: number; ok: boolean }[] } | null {
  const chords: { text: string; column: number; source: number; ok: boolean }[] = [];
  let words = "";
  let from = 0;
  for (const match of line.matchAll(/\[([^[\]]{1,40})\]/gu)) {
    const text = match[1]!.trim();
    const ok = parseChord(text).ok;
    if (!ok && !CHORDLIKE.test(text)) continue;
    words += line.slice(from, match.index);
    chords.push({ text, column: words.length, source: match.index, ok });
    from = match.index + match[0].length;
  }
  return chords.some((chord) => chord.ok) ? { words: words + line.slice(from), chords } : null;
}
