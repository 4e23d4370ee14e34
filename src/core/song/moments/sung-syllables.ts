import type { Ticks } from "../../../base";
import type { Passage, TimedLine } from "../read";
import { areEndsSung, lineSyllables } from "../read";

/** A syllable as it is sung: when, and which part of its word it is. */
export type SungSyllable = {
  readonly tick: Ticks;
  /** The whole word without signs around it. */
  readonly word: string;
  /** Where in the word it begins and ends. */
  readonly from: number;
  readonly to: number;
};

/** Signs around a word that are not sung; an apostrophe belongs to it. */
const AROUND = /^[^\p{L}\p{N}]+|[^\p{L}\p{N}’']+$/gu;

/** Every syllable that is sung in some passages, in time; those of one line never change places. */
export function sungSyllables(passages: readonly Passage[]): SungSyllable[] {
  const endsSung = areEndsSung(
    passages.flatMap(({ lines }) => lines.map(({ outline }) => outline.text)).join(" "),
  );
  return passages
    .filter(({ vocals }) => vocals)
    .flatMap(({ lines }) => lines.flatMap((line) => syllablesOf(line, endsSung)))
    .sort((a, b) => a.tick - b.tick);
}

function syllablesOf(line: TimedLine, endsSung: boolean): SungSyllable[] {
  const { outline, wordTicks } = line;
  return outline.words.flatMap(({ word, at }, index) => {
    const head = /^[^\p{L}\p{N}]+/u.exec(word.text)?.[0].length ?? 0;
    const bare = word.text.replaceAll(AROUND, "");
    if (bare === "") return [];
    const starts = lineSyllables(bare, endsSung);
    const cuts = [0, ...starts.slice(1), bare.length];
    return cuts.slice(0, -1).map((from, part) => ({
      word: bare,
      from,
      to: cuts[part + 1]!,
      tick: part === 0 ? wordTicks[index]! : Math.max(wordTicks[index]!, tickAt(line, at + head + from)),
    }));
  });
}

/** When a letter of a line is sung: letters between two chords share the first one's time. */
function tickAt({ outline, events, tick: start }: TimedLine, letter: number): Ticks {
  const index = outline.chords.findLastIndex((chord) => chord.at <= letter);
  if (index < 0) return start;
  const { chord, at: from } = outline.chords[index]!;
  const to = outline.chords[index + 1]?.at ?? Math.max(outline.text.length, from + 1);
  const share = to > from ? (letter - from) / (to - from) : 0;
  return events[index]!.tick + Math.round(chord.ticks * Math.min(1, share));
}

/**
 * A syllable within its word: the word itself at its begin, else with the syllable marked.
 * @example tellSyllable(the second of "ember") // => "em·BER"
 */
export const tellSyllable = ({ word, from, to }: SungSyllable): string =>
  from === 0
    ? word
    : `${word.slice(0, from)}·${marked(word.slice(from, to))}${to < word.length ? `·${word.slice(to)}` : ""}`;

/**
 * How far a word has been sung once a syllable is over: the whole word after its last one.
 * @example tellSungSoFar(the first of "ember") // => "EM·ber"
 */
export const tellSungSoFar = (syllable: SungSyllable): string => {
  const { word, from, to } = syllable;
  if (to >= word.length) return word;
  return from === 0 ? `${marked(word.slice(0, to))}·${word.slice(to)}` : tellSyllable(syllable);
};

/** Scripts without capitals are marked by brackets. */
const marked = (part: string): string => {
  const loud = part.toUpperCase();
  return loud === part.toLowerCase() ? `[${part}]` : loud;
};
