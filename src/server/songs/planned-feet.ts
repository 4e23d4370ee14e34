import { hasLoopBox, looperPlayer, planLoops, songLoops } from "@/core/loops";
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
  /** Whose feet the looper stands at, with its plan; null where nobody has described one. */
  readonly loops: (PlannedFeet["loops"] & { readonly playerId: string }) | null;
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
  const playerId = hasLoopBox(body) ? looperPlayer(body)?.id : undefined;
  return {
    outline,
    timeline,
    loops:
      playerId !== undefined && isAsked(playerId)
        ? await plannedLoops(body, outline, timeline, playerId)
        : null,
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

async function plannedLoops(
  body: VersionBody,
  outline: Outline,
  timeline: Timeline,
  playerId: string,
): Promise<PlannedBody["loops"]> {
  const band = await findBand(await openDatabase());
  const song = songLoops(body, outline, timeline, Object.values(band?.body.loopHabits ?? {}));
  const plan = song.asked && planLoops({ ...song.asked, budget: LOOPS_BUDGET }, { trade: false });
  return plan?.ok ? { song, plan: plan.value, playerId } : null;
}
