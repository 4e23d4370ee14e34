import {
  actsOfPress,
  footPresses,
  type LoopWay,
  type Press,
  pedalFor,
  type SongLoops,
  sectionBeats,
} from "@/core/loops";
import type { LoopBox } from "@/core/song/schema";
import { type DuePress, FOOT_SECONDS } from "../judged";

/** What a press of the plan is on the pedals of a box: one act, or two for two neighbours. Without a pedal it is the act itself. */
export const actsOn = (box: Pick<LoopBox, "pedals">, press: Press): string[] =>
  actsOfPress(press).map(({ act, effect }) => pedalFor(box, act, effect)?.act ?? act);

/** Which press at its boundary it is: the first, or one that comes after it and starts or stops something. */
export const placeOf = ({ late, effect }: Pick<Press, "late" | "effect">): DuePress["place"] =>
  late ? `late-${effect}` : "first";

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
  return footPresses(song, way).flatMap((press, of): DuePress[] => {
    count = press.before === before ? count + 1 : 0;
    before = press.before;
    const boundary = starts[press.before === null ? starts.length - 1 : at.get(press.before)!]!;
    const due = {
      seconds: boundary + (press.late ? count * FOOT_SECONDS : 0),
      earliest: boundary - (press.tick - press.from) * beat,
      place: placeOf(press),
      sung: press.sung,
      where: press.before ?? "end",
      of,
    };
    return actsOn(song.box, press).map((act) => ({ ...due, act }));
  });
}
