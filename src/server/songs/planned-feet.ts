import { hasLoopBox, type LoopPlan, looperPlayer, planLoops, type SongLoops, songLoops } from "@/core/loops";
import { type Outline, outlineOf, type Timeline, timelineOf } from "@/core/song/read";
import type { VersionBody } from "@/core/song/schema";
import { hasSoundBox, playerTones } from "@/core/sounds";
import type { PlannedFeet } from "@/core/stage";
import { openDatabase } from "../db/open-database";
import { findBand } from "./create";

/** Search steps the server spends on the plans of a looper and of a box. */
const LOOPS_BUDGET = 40_000_000;
const TONES_BUDGET = 10_000;

export type PlannedBody = {
  readonly outline: Outline;
  readonly timeline: Timeline;
  /** The looper's plan; null where nobody has described one, or another player has it. */
  readonly loops: PlannedFeet["loops"];
  /** The sounds of everybody with a box of their own, planned. */
  readonly tones: ReadonlyMap<string, NonNullable<ReturnType<typeof playerTones>>>;
};

/**
 * What feet press in a version, planned for everybody or for one player. On boxes nobody has described nothing is pressed.
 * @param only the one player whose feet are asked for; the plans of others are not made then
 */
export async function plannedBody(body: VersionBody, only: string | null = null): Promise<PlannedBody> {
  const outline = outlineOf(body);
  const timeline = timelineOf(body, outline);
  const isAsked = (id: string): boolean => only === null || id === only;
  const looper = hasLoopBox(body) ? looperPlayer(body) : null;
  const loops = looper && isAsked(looper.id) ? await plannedLoops(body, outline, timeline) : null;
  return {
    outline,
    timeline,
    loops: loops?.plan ? { song: loops.song, plan: loops.plan } : null,
    tones: new Map(
      Object.keys(body.players)
        .filter((id) => isAsked(id) && hasSoundBox(body, id))
        .flatMap((id) => {
          const tones = playerTones(body, id, TONES_BUDGET);
          return tones ? [[id, tones] as const] : [];
        }),
    ),
  };
}

/** A version as its looper sees it, with the band's habits, and its plan; null where there is none. */
export async function plannedLoops(
  body: VersionBody,
  outline: Outline = outlineOf(body),
  timeline: Timeline = timelineOf(body, outline),
): Promise<{ readonly song: SongLoops; readonly plan: LoopPlan | null }> {
  const band = await findBand(await openDatabase());
  const song = songLoops(body, outline, timeline, Object.values(band?.body.loopHabits ?? {}));
  const planned = song.asked && planLoops({ ...song.asked, budget: LOOPS_BUDGET }, { trade: false });
  return { song, plan: planned?.ok ? planned.value : null };
}
