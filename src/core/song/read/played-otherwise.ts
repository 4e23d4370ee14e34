import type { Ticks } from "../../../base";
import type { ChordEvent } from "./lay-out";
import type { PlayedOtherwise } from "./sung-piece";

/**
 * How a chord sounds, against how it is written; null where it is as written.
 * @param event the chord as it is played
 * @param nextShift by how much the next one comes later (less than 0: earlier) than its place
 * @param beat ticks of a beat
 * @param tacet whether the band is silent all the time through the section
 */
export function playedOtherwise(
  event: ChordEvent,
  nextShift: Ticks,
  beat: Ticks,
  tacet = false,
): PlayedOtherwise | null {
  const { early, late, held, ticks, sounds } = event;
  const rest = ticks - sounds;
  if (early === 0 && late === 0 && held === 0 && rest === 0 && nextShift === 0 && !event.cued) return null;
  return {
    lead: (early - late) / beat,
    tail: nextShift / beat,
    rest: rest / beat,
    held: held / beat,
    said: tacet ? "" : wordsOf(event),
  };
}

/** What is done with a chord, in the words of the trade. @example "early, choke" */
function wordsOf({ early, late, held, cued, cut, ticks, sounds }: ChordEvent): string {
  return [
    early > 0 ? "early" : late > 0 ? "late" : "",
    cut ?? (sounds < ticks ? "stop" : ""),
    cued ? "hold until the sign" : held > 0 ? "hold" : "",
  ]
    .filter((word) => word !== "")
    .join(", ");
}
