import type { RawSign } from "./signs";

/** "for 4", as it is said in six languages; a number with what may stand behind it. */
const FOR = /^(?:for|por|pour|für|per|x)$/iu;
const NUMBER = /^(\d{1,2}(?:\.5)?)[,;]?$/u;
const IN_BRACKETS = /^\((\d{1,2}(?:\.5)?)\)[,;]?$/u;
const BEATS = /^(?:beats?|counts?|temps|tiempos?|tempos?|schläge|battut[ae])[,;]?$/iu;

/** How many signs behind a chord tell its beats, and how many beats those are. */
type Told = { readonly beats: string; readonly signs: number; readonly isBare: boolean };

function toldAfter(signs: readonly RawSign[], at: number): Told | null {
  const [next = "", after = "", last = ""] = [1, 2, 3].map((ahead) => signs[at + ahead]?.raw ?? "");
  const said = FOR.test(next) ? NUMBER.exec(after) : null;
  if (said) return { beats: said[1]!, signs: BEATS.test(last) ? 3 : 2, isBare: false };
  const inBrackets = IN_BRACKETS.exec(next);
  if (inBrackets) return { beats: inBrackets[1]!, signs: 1, isBare: false };
  const bare = NUMBER.exec(next);
  if (bare) return { beats: bare[1]!, signs: BEATS.test(after) ? 2 : 1, isBare: !BEATS.test(after) };
  return null;
}

/**
 * Draws beats that are written behind a chord to it, as `A(4)`: "A for 4", "A (4)", "A 4 beats"; bare numbers only where every
 * chord of the line has one, and they are no chords themselves.
 * @example beatsAfter(signs of "A for 4, D (2)", isChord, true).map((sign) => sign.raw) // => ["A(4)", "D(2)"]
 */
export function beatsAfter(
  signs: readonly RawSign[],
  isChord: (raw: string) => boolean,
  mayBeBare: boolean,
): readonly RawSign[] {
  if (!signs.some(({ raw }) => /\d/u.test(raw) && !isChord(raw))) return signs;
  const found: RawSign[] = [];
  let [chords, bare] = [0, 0];
  for (let at = 0; at < signs.length; at++) {
    const sign = signs[at]!;
    const told = isChord(sign.raw) ? toldAfter(signs, at) : null;
    if (isChord(sign.raw)) chords++;
    if (told?.isBare) bare++;
    if (told && (mayBeBare || !told.isBare)) {
      found.push({ ...sign, raw: `${sign.raw.replace(/[,;]$/u, "")}(${told.beats})` });
      at += told.signs;
    } else found.push(sign);
  }
  return bare > 0 && bare < chords ? signs : found;
}
