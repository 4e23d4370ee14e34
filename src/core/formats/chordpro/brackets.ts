import { type Naming, toLetters } from "../../chord";
import type { ChordToken } from "../chord-text/chord-line";

/** A line of words taken apart; `source` of a token is its place in the line. */
export type Bracketed = {
  readonly words: string;
  readonly tokens: readonly ChordToken[];
  /** Remarks at a word: "[*softly]". */
  readonly remarks: readonly string[];
};

const BRACKETS = /\[([^[\]]{0,60})\]/gu;
const BRACKETS_AND_BARS = /\[([^[\]]{0,60})\]|(?<!\S)\|{1,2}(?!\S)/gu;

/**
 * Takes what stands in brackets, and bar lines beside it, out of a line.
 * @example readBrackets("[G]Light on [C]water", "letters").words // => "Light on water"
 */
export function readBrackets(text: string, naming: Naming): Bracketed {
  const tokens: ChordToken[] = [];
  const remarks: string[] = [];
  if (!text.includes("[")) return { words: text, tokens, remarks };
  let words = "";
  let from = 0;
  for (const match of text.matchAll(text.includes("|") ? BRACKETS_AND_BARS : BRACKETS)) {
    words += text.slice(from, match.index);
    from = match.index + match[0].length;
    const place = { column: words.length, source: match.index };
    const written = match[1]?.trim();
    if (written === undefined) tokens.push({ kind: "bar", text: match[0], ...place });
    else if (written.startsWith("*")) remarks.push(written.slice(1).trim());
    else if (written !== "") tokens.push({ ...readOne(written, naming), ...place });
  }
  return { words: words + text.slice(from), tokens, remarks };
}

/** A chord, perhaps in round brackets or with a question mark; what is none is kept as it is written. */
function readOne(written: string, naming: Naming): Pick<ChordToken, "kind" | "text" | "unsure"> {
  const asked = /^(.+)\?$/u.exec(written);
  const letters = toLetters((asked?.[1] ?? written).replace(/^\((.*)\)$/u, "$1"), naming);
  if (letters === null) return { kind: "unreadable", text: written.slice(0, 40) };
  return { kind: "chord", text: letters.slice(0, 40), unsure: asked ? true : undefined };
}
