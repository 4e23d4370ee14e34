import type { SongTones } from "@/core/sounds";
import type { ToneBoxView } from "@/performance/sounds";
import type { RunView } from "../../trainer";

/** What the screen shows of a run: where in the song it is, and the box. */
export type ToneRunView = RunView<ToneBoxView> & {
  readonly tick: number;
  /** Index of the use that is played. */
  readonly soundUse: number;
};

/** Finds where in the song a run is. */
export function viewOfRun(song: SongTones, view: RunView<ToneBoxView>): ToneRunView {
  const soundUse = song.soundUses.findLastIndex(
    ({ span }) => song.clock.secondsAt(span.from) <= view.place + 1e-6,
  );
  return { ...view, tick: tickAt(song, view.seconds), soundUse };
}

/** The tick of the song at a second of it; −1 before it begins. */
function tickAt({ soundUses, clock }: SongTones, seconds: number): number {
  const last = soundUses.at(-1)?.span.to ?? 0;
  let [low, high] = [0, last];
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (clock.secondsAt(middle) <= seconds) low = middle;
    else high = middle;
  }
  return seconds < 0 ? -1 : low;
}
