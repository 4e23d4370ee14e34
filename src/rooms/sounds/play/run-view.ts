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
  return { ...view, tick: view.seconds < 0 ? -1 : song.clock.tickAt(view.seconds), soundUse };
}
