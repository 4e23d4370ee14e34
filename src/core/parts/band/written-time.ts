import type { Ticks } from "../../../base";
import type { Passage } from "../../song/read";

/** What a hold adds to a passage, and where, in ticks from its begin. */
export type Hold = { readonly at: Ticks; readonly ticks: Ticks };

/** The holds of a passage in time. */
export const holdsOf = (passage: Passage): Hold[] =>
  passage.lines
    .flatMap((line) => line.events)
    .filter(({ held }) => held > 0)
    .map((event) => ({ at: event.tick + event.ticks - event.held - passage.tick, ticks: event.held }));

/**
 * From the time a passage is played in to that it is written in, without what holds add: both in ticks from its begin.
 * @example writtenTime(passage)(passage.ticks) // how long it is written
 */
export function writtenTime(passage: Passage): (tick: Ticks) => Ticks {
  const holds = holdsOf(passage);
  const score = passage.ticks - holds.reduce((sum, { ticks }) => sum + ticks, 0);
  return (tick) =>
    Math.min(
      score,
      tick -
        holds.reduce((sum, hold) => sum + (hold.at < tick ? Math.min(hold.ticks, tick - hold.at) : 0), 0),
    );
}
