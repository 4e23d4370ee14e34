import type { Ticks } from "../../../base";
import { tempoMs, ticksOfBeatUnit } from "../../rhythm";
import type { Passage, UseSpan } from "../read";
import type { Moment } from "./moment";
import { type SungSyllable, sungSyllables } from "./sung-syllables";
import { type SungWord, sungWords } from "./sung-words";

/** Moments, seconds and words of a song by tick, read once. */
export type SongClock = {
  /** Bar, beat and what is sung at a tick; at the end of the song its last bar's end. */
  readonly momentAt: (tick: Ticks) => Moment;
  readonly secondsAt: (tick: Ticks) => number;
  /** The tick at a second of the song; 0 before it begins. */
  readonly tickAt: (seconds: number) => Ticks;
  readonly words: readonly SungWord[];
};

/** A word farther away than this is not told with a moment, s. Ours, no source. */
const NEAR_SECONDS = 4;

export function clockOf(spans: readonly UseSpan[]): SongClock {
  const passages = spans.flatMap((span) => span.passages);
  const starts: number[] = [];
  let seconds = 0;
  for (const passage of passages) {
    starts.push(seconds);
    seconds += tempoMs(passage.ticks, passage.tempo) / 1000;
  }
  const secondsAt = (tick: Ticks): number => {
    const at = lastAt(passages, tick);
    const passage = passages[at];
    return passage
      ? starts[at]! + tempoMs(Math.min(passage.ticks, tick - passage.tick), passage.tempo) / 1000
      : 0;
  };
  const bars = passages.flatMap((passage) => barsOf(passage));
  let syllables: readonly SungSyllable[] | null = null;
  return {
    momentAt: (tick) => {
      syllables ??= sungSyllables(passages);
      return momentIn(bars, syllables, secondsAt, tick);
    },
    secondsAt,
    tickAt: (wanted) => {
      const at = starts.findLastIndex((start) => start <= wanted);
      const passage = passages[at];
      if (!passage) return 0;
      const share = ((wanted - starts[at]!) * 1000) / Math.max(1e-9, tempoMs(passage.ticks, passage.tempo));
      return passage.tick + Math.round(passage.ticks * Math.min(1, share));
    },
    words: spans.flatMap((span) => sungWords(span.passages)).sort((a, b) => a.tick - b.tick),
  };
}

type PlacedBar = {
  readonly tick: Ticks;
  readonly ticks: Ticks;
  readonly number: number;
  /** Within its time through the section, from 1; 0 is the pickup of the song. */
  readonly bar: number;
  readonly passage: Passage;
};

function barsOf(passage: Passage): PlacedBar[] {
  const first = passage.bars.find(({ number }) => number > 0)?.number ?? 1;
  return passage.bars.map(({ tick, ticks, number }) => ({
    tick,
    ticks,
    number,
    bar: Math.max(0, number - first + 1),
    passage,
  }));
}

function momentIn(
  bars: readonly PlacedBar[],
  syllables: readonly SungSyllable[],
  secondsAt: (tick: Ticks) => number,
  tick: Ticks,
): Moment {
  const bar = bars[Math.max(0, lastAt(bars, tick))];
  const use = bar?.passage.use;
  const beatTicks = (bar && ticksOfBeatUnit(bar.passage.beatUnit)) ?? 960;
  const index = lastAt(syllables, tick);
  const last = syllables[index];
  const next = syllables[index + 1];
  const now = secondsAt(tick);
  const near = (one: SungSyllable | undefined): SungSyllable | null =>
    one && Math.abs(secondsAt(one.tick) - now) <= NEAR_SECONDS ? one : null;
  const isSung = last !== undefined && 2 * (tick - last.tick) < beatTicks;
  return {
    tick,
    useId: use?.id ?? "",
    label: bar?.passage.label ?? "",
    round: use && use.repeat > 1 ? bar.passage.round + 1 : null,
    bar: bar?.bar ?? 0,
    songBar: bar?.number ?? 0,
    beat: bar ? 1 + Math.max(0, tick - bar.tick) / beatTicks : 1,
    sung: isSung ? last : null,
    before: near(last),
    next: near(next),
  };
}

/** Index of the last of some things in time that begins at a tick or before; −1 for none. */
function lastAt(list: readonly { readonly tick: Ticks }[], tick: Ticks): number {
  let [low, high] = [-1, list.length];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (list[middle]!.tick <= tick) low = middle;
    else high = middle;
  }
  return low;
}
