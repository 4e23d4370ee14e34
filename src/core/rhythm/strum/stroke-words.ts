import { fail, ok, type Result } from "../../../base";

/** The languages strums are said in. */
export const STRUM_LANGUAGES = ["en", "fr", "es", "pt", "de", "it"] as const;
export type StrumLanguage = (typeof STRUM_LANGUAGES)[number];

/** What the hand does, as it is said: a stroke, or a place that is passed over. */
export type SaidStroke = "down" | "up" | "dead" | "rest";

/** What is counted: a number of the bar, the half between two, or the quarters around it. */
export type SaidCount = { readonly number: number } | "&" | "e" | "a";

export type SaidStrum =
  | { readonly kind: "strokes"; readonly strokes: readonly SaidStroke[] }
  | { readonly kind: "counts"; readonly counts: readonly SaidCount[] };

export type SaidProblem =
  | { readonly code: "empty" }
  /** A word that is neither stroke nor count, or one of them among the others. */
  | { readonly code: "word"; readonly at: number; readonly text: string };

/** The words a language says strokes with, the usual one first. Ours, from memory. */
export const STROKE_WORDS: Readonly<Record<StrumLanguage, Readonly<Record<SaidStroke, readonly string[]>>>> =
  Object.freeze({
    en: {
      down: ["down", "d", "dn"],
      up: ["up", "u"],
      dead: ["chunk", "mute", "muted", "dead", "x"],
      rest: ["rest", "miss", "skip"],
    },
    fr: { down: ["bas"], up: ["haut"], dead: ["étouffé", "etouffe"], rest: ["silence"] },
    es: { down: ["abajo"], up: ["arriba"], dead: ["apagado"], rest: ["silencio"] },
    pt: { down: ["baixo"], up: ["cima"], dead: ["abafado"], rest: ["pausa"] },
    de: { down: ["ab", "runter"], up: ["auf", "hoch"], dead: ["gedämpft"], rest: ["pause"] },
    it: { down: ["giù", "giu"], up: ["su"], dead: ["stoppato"], rest: ["pausa"] },
  });

const ARROWS: Readonly<Record<string, SaidStroke>> = Object.freeze({ "↓": "down", "↑": "up" });
/** Between strokes it says nothing, among counts it is the half between two numbers. */
const AND: ReadonlySet<string> = new Set(["&", "+", "and", "et", "y", "und"]);
/** What goes before a direction: "para baixo", "vers le haut", "nach …". It says nothing. */
const BEFORE: ReadonlySet<string> = new Set([
  "para",
  "pra",
  "hacia",
  "vers",
  "le",
  "in",
  "nach",
  "the",
  "then",
]);

const STROKES: ReadonlyMap<string, SaidStroke> = new Map(
  STRUM_LANGUAGES.flatMap((language) =>
    (["down", "up", "dead", "rest"] as const).flatMap((stroke) =>
      STROKE_WORDS[language][stroke].map((word) => [word.normalize("NFC"), stroke] as const),
    ),
  ),
);

/** Numbers of a bar by their words, from 1. */
const NUMBER_WORDS: Readonly<Record<StrumLanguage, readonly string[]>> = Object.freeze({
  en: ["one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven", "twelve"],
  fr: ["un", "deux", "trois", "quatre", "cinq", "six", "sept", "huit", "neuf", "dix", "onze", "douze"],
  es: ["uno", "dos", "tres", "cuatro", "cinco", "seis", "siete", "ocho", "nueve", "diez", "once", "doce"],
  pt: ["um", "dois", "três", "quatro", "cinco", "seis", "sete", "oito", "nove", "dez", "onze", "doze"],
  de: ["eins", "zwei", "drei", "vier", "fünf", "sechs", "sieben", "acht", "neun", "zehn", "elf", "zwölf"],
  it: ["uno", "due", "tre", "quattro", "cinque", "sei", "sette", "otto", "nove", "dieci", "undici", "dodici"],
});
const NUMBERS: ReadonlyMap<string, number> = new Map(
  STRUM_LANGUAGES.flatMap((language) => NUMBER_WORDS[language].map((word, at) => [word, at + 1] as const)),
);

/** Letters and arrows that run together: "ddududu", "↓↓↑↑". */
const RUN = /^(?:[dux]{2,}|[↓↑]+)$/u;

/** Words as they are said, in lower case: signs that only part them are let go. */
function wordsOf(text: string): string[] {
  return text
    .normalize("NFC")
    .toLowerCase()
    .split(/[\s,;.|/–—-]+/u)
    .flatMap((word) => word.match(/\d+|[&+]|[↓↑]+|[^\d&+↓↑]+/gu) ?? []);
}

const letterOf = (letter: string): SaidStroke =>
  ARROWS[letter] ?? (letter === "d" ? "down" : letter === "u" ? "up" : "dead");

const numberOf = (word: string): number | null =>
  /^\d{1,2}$/u.test(word) ? Number(word) : (NUMBERS.get(word) ?? null);

/**
 * Reads a strum as people say or write it: downs and ups in the words of six languages, by letters or arrows; or counts.
 * Which of the two it is, the first word that says anything tells; a word of the other kind is not understood.
 * @example readSaidStrum("down down up, up down up") // => { kind: "strokes", strokes: ["down", "down", "up", …] }
 * @example readSaidStrum("1 2 & & 4 &") // => { kind: "counts", counts: [{ number: 1 }, { number: 2 }, "&", …] }
 */
export function readSaidStrum(text: string): Result<SaidStrum, SaidProblem> {
  const words = wordsOf(text);
  const isSilent = (word: string) => AND.has(word) || BEFORE.has(word) || word === "e" || word === "a";
  const first = words.find((word) => !isSilent(word));
  if (first === undefined) return words.length === 0 ? fail({ code: "empty" }) : unknown(words, words[0]!);
  return numberOf(first) === null ? strokesIn(words) : countsIn(words);
}

const unknown = (words: readonly string[], text: string): Result<never, SaidProblem> =>
  fail({ code: "word", at: words.indexOf(text), text });

function strokesIn(words: readonly string[]): Result<SaidStrum, SaidProblem> {
  const strokes: SaidStroke[] = [];
  for (const [at, word] of words.entries()) {
    const stroke = STROKES.get(word);
    if (stroke) strokes.push(stroke);
    else if (RUN.test(word)) strokes.push(...[...word].map(letterOf));
    else if (!AND.has(word) && !BEFORE.has(word) && word !== "e")
      return fail({ code: "word", at, text: word });
  }
  return strokes.every((stroke) => stroke === "rest")
    ? fail({ code: "empty" })
    : ok({ kind: "strokes", strokes });
}

function countsIn(words: readonly string[]): Result<SaidStrum, SaidProblem> {
  // "1 e 2 e" of those who say "e" for "and"; beside "&" or "a" it is the quarter after the beat.
  const isQuarter = words.some((word) => AND.has(word) || word === "a");
  const counts: SaidCount[] = [];
  for (const [at, word] of words.entries()) {
    const number = numberOf(word);
    if (number !== null) counts.push({ number });
    else if (AND.has(word) || (word === "e" && !isQuarter)) counts.push("&");
    else if (word === "e" || word === "a") counts.push(word);
    else return fail({ code: "word", at, text: word });
  }
  return ok({ kind: "counts", counts });
}
