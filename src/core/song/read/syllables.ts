/** Where words are cut when they are sung. Rules of thumb over the letters, for the six languages sheets come in; no source. */

const VOWELS: ReadonlySet<string> = new Set([
  ..."aeiouyàáâãäåæèéêëìíîïòóôõöøœùúûüýÿAEIOUYÀÁÂÃÄÅÆÈÉÊËÌÍÎÏÒÓÔÕÖØŒÙÚÛÜÝŸ",
  ..."аеёиоуыэюяєіїАЕЁИОУЫЭЮЯЄІЇ",
]);
const LETTER = /\p{L}/u;
/** Scripts whose every sign is sung by itself. */
const BY_SIGN = /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Hangul}]/u;
/** Consonants that are sung as one, before a vowel. */
const TOGETHER = /^(?:[bcdfgkptv][lr]|s[chklmnpqtw]|[cpst]h|qu|gn|tw)$/iu;
/** An end that is written and not sung: "hom|e", "nam|es", "call|ed". */
const SILENT = /^(?:e|es|ed)$/iu;

/** English words whose silent end stays silent before what is joined to them: "some|body", "home|ward"; "every" is two. */
const JOINED = /^(?:every|(?:some|home|where|there|here|life|fire|love|side|time|name|none)(?=[^aeiouy]))/iu;
/** Signs English has not: an "e" at the end is sung with them. */
const FOREIGN = /[äöüßáíóúñãõêôçàìòù]/iu;

const isVowel = (sign: string | undefined): boolean => sign !== undefined && VOWELS.has(sign);

/**
 * Where the syllables of a word begin; a word without a vowel is one, a text without a letter none.
 * @param endsSung whether an "e" at its end is sung ({@link areEndsSung})
 * @example syllableStarts("harbour") // => [0, 3]
 * @example syllableStarts("home") // => [0]
 */
export function syllableStarts(word: string, endsSung = false): number[] {
  const first = word.search(LETTER);
  if (first < 0) return [];
  if (BY_SIGN.test(word)) return [...word.matchAll(/\p{L}/gu)].map(({ index }) => index);
  const starts = [first];
  const joined = endsSung ? Number.NaN : silentInside(word.slice(first)) + first;
  let sung = false;
  for (let at = first; at < word.length; at++) {
    if (!isVowel(word[at]) || (isVowel(word[at - 1]) && at > first)) continue;
    // A "y" or "u" that opens a word before a vowel is a consonant: "you", "quay".
    if (/[yu]/iu.test(word[at]!) && isVowel(word[at + 1]) && (at === first || /q/iu.test(word[at - 1] ?? "")))
      continue;
    if (sung && !endsSung && (isSilent(word, at) || at === joined)) continue;
    if (sung) starts.push(startOf(word, at));
    sung = true;
  }
  return starts;
}

/** Where a vowel stands inside a word that is not sung; not a number where none does. */
function silentInside(word: string): number {
  const head = JOINED.exec(word)?.[0];
  return head === undefined ? Number.NaN : head.toLowerCase() === "every" ? 2 : head.length - 1;
}

/** Whether what is left of a word from a vowel on is not sung. */
function isSilent(word: string, at: number): boolean {
  const rest = word.slice(at).replace(/[^\p{L}]+$/u, "");
  if (!SILENT.test(rest) || isVowel(word[at - 1]) || FOREIGN.test(word)) return false;
  const before = word.slice(0, at);
  if (/^ed$/iu.test(rest)) return !/[td]$/iu.test(before);
  if (/^es$/iu.test(rest)) return !/(?:[sxz]|[cs]h|[cg])$/iu.test(before);
  // "ta|ble", "ap|ple": the vowel that is sung is written behind.
  return !/[^aeiouylr][lr]$/iu.test(before);
}

/** The consonants a vowel is sung with: one, or two that are sung as one. */
function startOf(word: string, vowel: number): number {
  const before = word[vowel - 1];
  if (before === undefined || !LETTER.test(before) || isVowel(before)) return vowel;
  const two = word.slice(vowel - 2, vowel);
  return TOGETHER.test(two) && vowel > 2 ? vowel - 2 : vowel - 1;
}

/**
 * Where every syllable of a line begins, from its first letter.
 * @example lineSyllables("Light on water") // => [0, 6, 9, 11]
 */
export function lineSyllables(words: string, endsSung = false): number[] {
  const starts: number[] = [];
  for (const { 0: word, index } of words.matchAll(/[^\s–—-]+/gu))
    for (const start of knownStarts(word, endsSung)) starts.push(index + start);
  return starts;
}

/** Words that were cut before: a song has the same few again and again. */
const KNOWN = { sung: new Map<string, readonly number[]>(), silent: new Map<string, readonly number[]>() };
const MOST_KNOWN = 4000;

function knownStarts(word: string, endsSung: boolean): readonly number[] {
  const known = endsSung ? KNOWN.sung : KNOWN.silent;
  let starts = known.get(word);
  if (!starts) {
    if (known.size >= MOST_KNOWN) known.clear();
    starts = syllableStarts(word, endsSung);
    known.set(word, starts);
  }
  return starts;
}
