import { bandSheet } from "../../parts";
import { outlineOf, type Timeline, timelineOf } from "../../song/read";
import type { VersionBody } from "../../song/schema";
import { planTones, type TonePlan, type ToneProblem } from "../plan";
import { songPedals } from "./song-pedals";
import { type SongTones, songTones } from "./song-sounds";
import { type TonePress, tonePresses } from "./sound-presses";

/** A player's sounds through a version, planned. */
export type PlayerTones = {
  readonly song: SongTones;
  readonly timeline: Timeline;
  readonly plan: TonePlan | null;
  readonly problem: ToneProblem | null;
  /** Presses on the banks, or on single pedals where that is what the player has. */
  readonly presses: readonly TonePress[];
};

/**
 * Reads and plans everything anew: for the server and for prints. The screen reads and plans what has changed only.
 * @returns null where the version has no such player
 */
export function playerTones(body: VersionBody, playerId: string, budget?: number): PlayerTones | null {
  const player = body.players[playerId];
  if (!player) return null;
  const outline = outlineOf(body);
  const timeline = timelineOf(body, outline);
  const song = songTones(body, bandSheet(body, outline, timeline), timeline, player);
  const { asked } = song;
  const planned = asked && planTones(budget === undefined ? asked : { ...asked, budget });
  const plan = planned?.ok ? planned.value : null;
  const problem = planned && !planned.ok ? planned.problem : null;
  const presses =
    song.box.kind === "pedals" ? songPedals(song).presses : plan === null ? [] : tonePresses(song, plan);
  return { song, timeline, plan, problem, presses };
}
