import { type SongLoops, songLoops } from "@/core/loops";
import type { BandBody, Player, VersionBody } from "@/core/song/schema";
import { type SongTones, songTones } from "@/core/sounds";
import type { PartsDerived } from "./parts";
import { remembered } from "./remembered";
import type { SongDerived } from "./song";
import { LOOPS, TONES, tablesIn } from "./tables";

const NO_HABITS: BandBody["loopHabits"] = Object.freeze({});

/** A version as the looper and the boxes of sounds see it. */
export function boxesDerived({ outline, timeline }: SongDerived, { sheet }: PartsDerived) {
  const withHabits = remembered<[VersionBody, BandBody["loopHabits"]], SongLoops>({
    key: (_, habits) => habits,
    from: (body) => tablesIn(body, LOOPS),
    make: (_, body, habits) => songLoops(body, outline(body), timeline(body), Object.values(habits)),
  });

  /** The version as the looper sees it, with the band's habits. */
  const loops = (body: VersionBody, band: Pick<BandBody, "loopHabits"> | null): SongLoops =>
    withHabits(body, band?.loopHabits ?? NO_HABITS);

  /** The version as one player's box of sounds sees it; what is asked of the planner stays the same object while it says the same. */
  const tones = remembered<[VersionBody, Player], SongTones>({
    key: (_, player) => player.id,
    from: (body, player) => [...tablesIn(body, TONES), body.players[player.id] ?? player],
    make: (last, body, player) => {
      const fresh = songTones(body, sheet(body), timeline(body), body.players[player.id] ?? player);
      const isSame = last !== null && JSON.stringify(last.asked) === JSON.stringify(fresh.asked);
      return isSame ? { ...fresh, asked: last.asked } : fresh;
    },
  });

  return { loops, tones };
}
