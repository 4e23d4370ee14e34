import { parseChord } from "../../chord";
import type { SectionKind } from "../../song";

/** What a section is, by the word its heading begins with. More languages come with the full reader. */
const KIND_OF_WORD: readonly (readonly [RegExp, SectionKind])[] = Object.freeze([
  [/^(?:pre[- ]?chorus|lift|build)\b/iu, "pre-chorus"],
  [/^(?:intro|introduction|opening)\b/iu, "intro"],
  [/^(?:verse|vers|strophe|v\d)\b/iu, "verse"],
  [/^(?:chorus|refrain|c\d|hook)\b/iu, "chorus"],
  [/^(?:bridge|middle(?: eight)?|b\d)\b/iu, "bridge"],
  [/^(?:solo|guitar solo)\b/iu, "solo"],
  [/^(?:instrumental|interlude|turnaround|break|vamp)\b/iu, "instrumental"],
  [/^(?:tag|coda)\b/iu, "tag"],
  [/^(?:outro|ending|end)\b/iu, "outro"],
] as const);

const REPEAT = /\s*[([]?(?:x\s*(\d{1,2})|(\d{1,2})\s*x)[)\]]?\s*$/iu;

export type Heading = { readonly label: string; readonly kind: SectionKind; readonly repeat: number };

export const kindOfLabel = (label: string): SectionKind =>
  KIND_OF_WORD.find(([pattern]) => pattern.test(label.trim()))?.[1] ?? "other";

/**
 * Reads a heading: any label in brackets, a short label with a colon, or a known word alone.
 * @example readHeading("[Chorus] x2") // => { label: "Chorus", kind: "chorus", repeat: 2 }
 */
export function readHeading(line: string): Heading | null {
  const repeated = REPEAT.exec(line);
  const repeat = repeated ? Math.min(32, Math.max(1, Number(repeated[1] ?? repeated[2]))) : 1;
  const text = (repeated ? line.slice(0, repeated.index) : line).trim();
  const bracketed = /^\[([^[\]]{1,80})\]:?$/u.exec(text) ?? /^\{([^{}:]{1,80})\}$/u.exec(text);
  if (bracketed) {
    const label = bracketed[1]!.replace(/:$/u, "").trim();
    return label === "" || parseChord(label).ok ? null : { label, kind: kindOfLabel(label), repeat };
  }
  const colon = /^([^:|[\]]{1,60}):$/u.exec(text);
  if (colon && colon[1]!.trim().split(/\s+/u).length <= 4 && !parseChord(colon[1]!).ok) {
    return { label: colon[1]!.trim(), kind: kindOfLabel(colon[1]!), repeat };
  }
  const bare = /^[\p{L} -]{2,30}?(?:\s*\d{1,2}[a-z]?)?$/u.test(text);
  const words = text.split(/\s+/u).length;
  const kind = kindOfLabel(text);
  return bare &&
    kind !== "other" &&
    words <= (/\d/u.test(text) ? 3 : 2) &&
    !/^(?:end|build|lift|hook|break)$/iu.test(text)
    ? { label: text, kind, repeat }
    : null;
}
