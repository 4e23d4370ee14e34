import { type Naming, toLetters } from "../../chord";
import type { ChordToken } from "../chord-text/chord-line";

/** A line of words taken apart; `source` of a token is its place in the line. */
export type Bracketed = {
  readonly words: string;
  readonly tokens: readonly ChordToken[];
  /** Remarks at a word: "[*softly]". */
  readonly remarks: readonly string[];
};

type Read = Pick<ChordToken, "kind" | "text" | "unsure">;

/** Brackets of one sheet that were read already: songs say the same few chords often. */
export type KnownBrackets = Map<string, Read>;

const LONGEST = 60;
const BAR = /(?<!\S)\|{1,2}(?!\S)/gu;

/**
 * Takes what stands in brackets, and bar lines beside it, out of a line.
 * @example readBrackets("[G]Light on [C]water", "letters").words // => "Light on water"
 */
export function readBrackets(text: string, naming: Naming, known: KnownBrackets = new Map()): Bracketed {
  const tokens: ChordToken[] = [];
  const remarks: string[] = [];
  let words = "";
  let from = 0;
  for (const { at, end, inside } of placesOf(text)) {
    words += text.slice(from, at);
    from = end;
    const column = words.length;
    const written = inside?.trim();
    if (written === undefined) tokens.push({ kind: "bar", text: text.slice(at, end), column, source: at });
    else if (written.startsWith("*")) remarks.push(written.slice(1).trim());
    else if (written !== "") {
      const read = known.get(written) ?? readOne(written, naming);
      known.set(written, read);
      tokens.push({ kind: read.kind, text: read.text, unsure: read.unsure, column, source: at });
    }
  }
  return { words: words + text.slice(from), tokens, remarks };
}

type Place = { readonly at: number; readonly end: number; readonly inside: string | null };

/** Brackets with no others in them, in their order; bar lines only count beside some. */
function placesOf(text: string): Place[] {
  const places: Place[] = [];
  let at = text.indexOf("[");
  while (at >= 0) {
    const end = text.indexOf("]", at);
    if (end < 0) break;
    const next = text.indexOf("[", at + 1);
    const whole = (next < 0 || next > end) && end - at - 1 <= LONGEST;
    if (whole) places.push({ at, end: end + 1, inside: text.slice(at + 1, end) });
    at = next;
  }
  if (places.length === 0 || !text.includes("|")) return places;
  const bars = [...text.matchAll(BAR)].map(
    (match): Place => ({ at: match.index, end: match.index + match[0].length, inside: null }),
  );
  const outside = bars.filter((bar) => !places.some((place) => bar.at > place.at && bar.at < place.end));
  return [...places, ...outside].sort((a, b) => a.at - b.at);
}

/** A chord, perhaps in round brackets or with a question mark; what is none is kept as it is written. */
function readOne(written: string, naming: Naming): Read {
  const asked = /^(.+)\?$/u.exec(written);
  const letters = toLetters((asked?.[1] ?? written).replace(/^\((.*)\)$/u, "$1"), naming);
  if (letters === null) return { kind: "unreadable", text: written.slice(0, 40) };
  return { kind: "chord", text: letters.slice(0, 40), unsure: asked ? true : undefined };
}
