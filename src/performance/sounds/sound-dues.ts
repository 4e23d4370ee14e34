import { changeTick, nameOfAct, type SongTones, type TonePress } from "@/core/sounds";
import { type DuePress, FOOT_SECONDS } from "../judged";

/** Presses as the trainer waits for them: an armed bank any time in its window, those after the first a foot later. */
export function dueTones(song: SongTones, presses: readonly TonePress[]): DuePress[] {
  let [tick, count] = [-1, 0];
  return presses.map((press): DuePress => {
    if (press.act.do === "arm") {
      const end = changeTick(press.into);
      return {
        seconds: song.clock.secondsAt(end) - FOOT_SECONDS,
        earliest: song.clock.secondsAt(press.window!.from),
        act: nameOfAct(press.act),
        place: "first",
        sung: press.sung,
      };
    }
    count = press.tick === tick ? count + 1 : 0;
    tick = press.tick;
    const changesBank = press.act.do === "go" || press.act.do === "bank";
    const { rest } = press.into;
    const latest = song.clock.secondsAt(rest.to) - (changesBank ? song.box.gapMs / 1000 : 0);
    return {
      seconds: Math.max(press.seconds, rest.to > rest.from ? latest : 0) + count * FOOT_SECONDS,
      earliest: press.seconds,
      act: nameOfAct(press.act),
      place: count > 0 ? "late-start" : "first",
      sung: press.sung,
    };
  });
}
