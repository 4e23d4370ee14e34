import type { Naming } from "../../chord";

/** A sign of a line: what is written, and where it begins. */
export type RawSign = { readonly raw: string; readonly from: number };

/** In syllables a sign or a mode may stand apart: "Fa dièse", "La mineur". */
const APART =
  /^(?:dièse|diese|diesis|sostenido|bémol|bemol|bemolle|mineur|majeur|minore|maggiore|menor|mayor)|^m$/iu;
/** Words in brackets are one sign; four small letters in a row tell them from a chord in brackets. */
const PHRASE = /^\((?=[^()|]*\p{Ll}{4})[^()|]{1,80}\)$/u;
const BETWEEN_BARS = /\|{1,2}:|:\|{1,2}:?|\|{1,2}\.?|[^|]+?(?=:?\||$)/gu;

/**
 * Cuts a line into its signs: at spaces and at bar lines.
 * @example [...signsOf("|G / | D", "letters")].map((sign) => sign.raw) // => ["|", "G", "/", "|", "D"]
 */
export function* signsOf(text: string, naming: Naming): Generator<RawSign> {
  let at = 0;
  for (;;) {
    const from = skipSpaces(text, at);
    if (from >= text.length) return;
    at =
      naming === "syllables" ? endOfSyllable(text, from) : (endOfPhrase(text, from) ?? endOfRun(text, from));
    const raw = text.slice(from, at);
    if (!raw.includes("|") || PHRASE.test(raw)) yield { raw, from };
    else for (const match of raw.matchAll(BETWEEN_BARS)) yield { raw: match[0], from: from + match.index };
  }
}

const isSpace = (text: string, at: number): boolean => text[at] === " " || /\s/u.test(text[at]!);

function skipSpaces(text: string, from: number): number {
  let at = from;
  while (at < text.length && isSpace(text, at)) at++;
  return at;
}

function endOfRun(text: string, from: number): number {
  let at = from;
  while (at < text.length && !isSpace(text, at)) at++;
  return at;
}

/** The end of words in brackets that begin here, or null. */
function endOfPhrase(text: string, from: number): number | null {
  if (text[from] !== "(") return null;
  const end = text.indexOf(")", from) + 1;
  if (end === 0 || end - from > 82 || (end < text.length && !isSpace(text, end))) return null;
  return PHRASE.test(text.slice(from, end)) ? end : null;
}

/** A syllable goes on over the words that belong to it. */
function endOfSyllable(text: string, from: number): number {
  let end = endOfRun(text, from);
  for (;;) {
    const next = skipSpaces(text, end);
    const after = next < text.length ? endOfRun(text, next) : next;
    if (after === next || !APART.test(text.slice(next, after))) return end;
    end = after;
  }
}
