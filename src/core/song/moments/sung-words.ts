import type { Ticks } from "../../../base";
import type { Passage } from "../read";

/** A word as it is sung: when, and in which line of its passages, counted from 1. */
export type SungWord = { readonly text: string; readonly tick: Ticks; readonly line: number };

/** The words of passages that are sung, in time. */
export function sungWords(passages: readonly Passage[]): SungWord[] {
  let line = 0;
  return passages
    .filter(({ vocals }) => vocals)
    .flatMap(({ lines }) =>
      lines.flatMap(({ outline, wordTicks }) => {
        line++;
        return outline.words.map(({ word }, at) => ({ text: word.text, tick: wordTicks[at]!, line }));
      }),
    )
    .sort((a, b) => a.tick - b.tick);
}
