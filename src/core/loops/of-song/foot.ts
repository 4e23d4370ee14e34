import type { Ticks } from "../../../base";
import { clockOf, type Moment } from "../../song/moments";
import type { LoopPlan } from "../plan";
import type { LoopWay, PlacedPress } from "../way";

import type { Piece, SongLoops } from "./song-loops";

/** A press in the song: its moment, and from when it may be made. */
export type FootPress = PlacedPress & {
  readonly tick: Ticks;
  readonly moment: Moment;
  /** The name of the place it leads into; null is the end. */
  readonly into: string | null;
  readonly sung: boolean;
  /** A box that waits for the loop point takes it from here on; else its own tick. */
  readonly from: Ticks;
  readonly seconds: number;
};

/** Every press of a way with where it falls, in order. */
export function footPresses(song: SongLoops, way: LoopWay): FootPress[] {
  const { pieces, spans, barTicks, box } = song;
  const clock = clockOf(spans);
  const at = new Map<string | null, number>(pieces.map((piece, index) => [piece.id, index]));
  const longest = song.asked ? Math.max(...song.asked.layers.map(({ bars }) => bars)) * barTicks : 0;
  return way.presses.map((press): FootPress => {
    const index = press.before === null ? pieces.length : at.get(press.before)!;
    const tick = pieces[index]?.from ?? pieces.at(-1)!.to;
    const into: Piece | undefined = pieces[index];
    const next = clock.words.find((word) => word.tick >= tick);
    const sungNow = clock.words.findLast((word) => word.tick < tick);
    return {
      ...press,
      tick,
      moment: clock.momentAt(tick),
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
  const { words, secondsAt } = clockOf(song.spans);
  return words[0] ? plan.build.seconds + secondsAt(words[0].tick) : null;
}
