import type { Ticks } from "../../../base";
import { tempoMs } from "../../rhythm";
import type { UseSpan } from "./spans";
import { type SungWord, sungWords } from "./sung-words";

/** Bars, seconds and words of a song by tick, read once. */
export type SongClock = {
  readonly barAt: (tick: Ticks) => { readonly bar: number; readonly beat: number };
  readonly secondsAt: (tick: Ticks) => number;
  readonly words: readonly SungWord[];
  readonly wordsOf: ReadonlyMap<string, readonly SungWord[]>;
};

/** @param beatTicks how long the beats are that are counted */
export function clockOf(spans: readonly UseSpan[], beatTicks: Ticks): SongClock {
  const passages = spans.flatMap((span) => span.passages);
  const bars = passages.flatMap((passage) => passage.bars);
  const starts: number[] = [];
  let seconds = 0;
  for (const passage of passages) {
    starts.push(seconds);
    seconds += tempoMs(passage.ticks, passage.tempo) / 1000;
  }
  const wordsOf = new Map(spans.map((span) => [span.use.id, sungWords(span.passages)]));
  return {
    barAt: (tick) => {
      const bar = bars.findLast((one) => one.tick <= tick);
      if (!bar) return { bar: 0, beat: 1 };
      if (tick >= bar.tick + bar.ticks) return { bar: bar.number + 1, beat: 1 };
      return { bar: bar.number, beat: Math.floor((tick - bar.tick) / beatTicks) + 1 };
    },
    secondsAt: (tick) => {
      const at = passages.findLastIndex((passage) => passage.tick <= tick);
      const passage = passages[at];
      return passage
        ? starts[at]! + tempoMs(Math.min(passage.ticks, tick - passage.tick), passage.tempo) / 1000
        : 0;
    },
    words: [...wordsOf.values()].flat().sort((a, b) => a.tick - b.tick),
    wordsOf,
  };
}
