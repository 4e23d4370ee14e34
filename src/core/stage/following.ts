import { handCues, isHandCue, type Standing } from "../cues";
import type { Place } from "./place";
import type { StageCue, StageSheet, StageWait } from "./stage-sheet";

/**
 * What a player does otherwise in the section that is now and the one that comes, whichever sections those are: what follows
 * from how they stood is told from how they really stand, all else as it is cued.
 * @param before how they stood when the present section began
 * @param after how they stand at its end
 */
export function cuesFollowing(
  here: StageSheet,
  next: StageSheet | undefined,
  before: Standing | null,
  after: Standing | null,
): StageCue[] {
  const following = (sheet: StageSheet, from: Standing | null): StageCue[] => [
    ...(sheet.standing
      ? handCues(from, sheet.standing, (sheet.enters ?? 0) > 0).map(
          ({ kind, text }): StageCue => ({ id: `now ${kind}`, kind, text, passage: sheet.id, tick: 0 }),
        )
      : []),
    ...sheet.cues.filter(
      // Presses are told from where the feet really are.
      ({ kind, tick }) => kind !== "count-in" && kind !== "press" && !(isHandCue(kind) && tick === 0),
    ),
  ];
  const told = following(here, before);
  return next && next.id !== here.id ? [...told, ...following(next, after)] : told;
}

/**
 * How long a player still waits, in bars, wherever the song goes: until they come in here, or in a section after it.
 * @param gone bars of the section that are over
 * @returns null where they play, or come in no more
 */
export function nextEntry(
  sheets: readonly StageSheet[],
  place: Pick<Place, "index" | "next" | "barsLeft">,
  gone: number,
): StageWait | null {
  const here = sheets[place.index];
  if (!here || here.standing === null) return null;
  if (here.enters !== null)
    return here.enters > gone ? { bars: here.enters - gone, label: here.label } : null;
  let bars = place.barsLeft;
  for (let index = place.next ?? sheets.length; index < sheets.length; index++) {
    const sheet = sheets[index]!;
    if (sheet.enters !== null) return { bars: bars + sheet.enters, label: sheet.label };
    bars += sheet.bars;
  }
  return null;
}
