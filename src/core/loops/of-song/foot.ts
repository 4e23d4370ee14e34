import type { Ticks } from "../../base";
import { tempoMs } from "../../rhythm";
import { actOf, type DuePress, FOOT_SECONDS, placeOf } from "../box/judge";
import type { LoopPlan } from "../plan";
import { sectionBeats } from "../spans";
import type { LoopWay, PlacedPress } from "../way";
import type { Piece, SongLoops, UseSpan } from "./song-loops";
import { type SungWord, sungWords } from "./sung-words";

/** A press in the song: its bar and beat, the words around it, and from when it may be made. */
export type FootPress = PlacedPress & {
  readonly tick: Ticks;
  /** Bars counted through the song as the sheet counts them, beats from 1. */
  readonly bar: number;
  readonly beat: number;
  /** The last word sung before it in the section that ends, and the first one after; null where nothing is sung. */
  readonly word: string | null;
  readonly nextWord: string | null;
  /** The name of the place it leads into; null is the end. */
  readonly into: string | null;
  readonly sung: boolean;
  /** A box that waits for the loop point takes it from here on; else its own tick. */
  readonly from: Ticks;
  readonly seconds: number;
};

/** Bars, seconds and words of a song by tick, read once. */
type Clock = {
  readonly barAt: (tick: Ticks) => { readonly bar: number; readonly beat: number };
  readonly secondsAt: (tick: Ticks) => number;
  readonly words: readonly SungWord[];
  readonly wordsOf: ReadonlyMap<string, readonly SungWord[]>;
};

function clockOf(spans: readonly UseSpan[], beatTicks: Ticks): Clock {
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

/** Every press of a way with where it falls, in order. */
export function footPresses(song: SongLoops, way: LoopWay): FootPress[] {
  const { pieces, spans, beatTicks, barTicks, box } = song;
  const clock = clockOf(spans, beatTicks);
  const at = new Map<string | null, number>(pieces.map((piece, index) => [piece.id, index]));
  const longest = song.asked ? Math.max(...song.asked.layers.map(({ bars }) => bars)) * barTicks : 0;
  return way.presses.map((press): FootPress => {
    const index = press.before === null ? pieces.length : at.get(press.before)!;
    const tick = pieces[index]?.from ?? pieces.at(-1)!.to;
    const into: Piece | undefined = pieces[index];
    const before = clock.wordsOf.get(pieces[index - 1]?.span.use.id ?? "") ?? [];
    const next = clock.words.find((word) => word.tick >= tick);
    const sungNow = clock.words.findLast((word) => word.tick < tick);
    return {
      ...press,
      tick,
      ...clock.barAt(tick),
      word: before.findLast((word) => word.tick < tick)?.text ?? null,
      nextWord: next && next.tick < (into?.to ?? 0) ? next.text : null,
      into: into?.span.label ?? null,
      sung: sungNow !== undefined && next !== undefined && next.tick - sungNow.tick <= barTicks,
      from: box.quantised ? Math.max(0, tick - longest) : tick,
      seconds: clock.secondsAt(tick),
    };
  });
}

/** The most presses that fall in any stretch of 60 seconds. */
export function pressesInAMinute(presses: readonly Pick<FootPress, "seconds">[]): number {
  return presses.reduce(
    (most, { seconds }) =>
      Math.max(most, presses.filter((one) => one.seconds >= seconds && one.seconds < seconds + 60).length),
    0,
  );
}

/** Seconds from the count-in of the build to the first sung word. */
export function secondsToFirstWord(song: SongLoops, plan: Pick<LoopPlan, "build">): number | null {
  const { words, secondsAt } = clockOf(song.spans, song.beatTicks);
  return words[0] ? plan.build.seconds + secondsAt(words[0].tick) : null;
}

/**
 * The presses of a way as they are due on the loops' own clock: constant tempo from the first downbeat on. Presses after
 * the first of a boundary are due as soon as the foot can be there.
 */
export function duePresses(song: SongLoops, way: LoopWay): DuePress[] {
  const asked = song.asked!;
  const starts = sectionBeats(asked).map((beat) => (beat * 60) / asked.tempo);
  const at = new Map<string | null, number>(asked.sections.map(({ id }, index) => [id, index]));
  const beat = 60 / asked.tempo / song.beatTicks;
  let [before, count]: [string | null | undefined, number] = [undefined, 0];
  return footPresses(song, way).map((press): DuePress => {
    count = press.before === before ? count + 1 : 0;
    before = press.before;
    const boundary = starts[press.before === null ? starts.length - 1 : at.get(press.before)!]!;
    return {
      seconds: boundary + (press.late ? count * FOOT_SECONDS : 0),
      earliest: boundary - (press.tick - press.from) * beat,
      act: actOf(press),
      place: placeOf(press),
      sung: press.sung,
    };
  });
}
