import { type Cue, cuesOf, type Planned } from "@/core/cues";
import { footPresses, looperPlayer, planLoops, songLoops } from "@/core/loops";
import { bandSheet } from "@/core/parts";
import { outlineOf, timelineOf } from "@/core/song/read";
import type { VersionBody } from "@/core/song/schema";
import { playerTones } from "@/core/sounds";
import { openDatabase } from "../db/open-database";
import { findBand } from "./create";

/** Search steps the server spends on the plans of a looper and of a box. */
const LOOPS_BUDGET = 40_000_000;
const TONES_BUDGET = 10_000;

/**
 * Every cue of a version, with what feet press by the plans of its looper and boxes.
 * @param names who tells chords and keys, by the key shift of a place
 * @param only the one player whose feet are asked for; the plans of others are not made then
 */
export async function cuesOfVersion(
  body: VersionBody,
  only: string | null = null,
  names?: Parameters<typeof cuesOf>[4],
): Promise<Cue[]> {
  const band = await findBand(await openDatabase());
  const outline = outlineOf(body);
  const timeline = timelineOf(body, outline);
  const loops = songLoops(body, outline, timeline, Object.values(band?.body.loopHabits ?? {}));
  const isAsked = (id: string | undefined): boolean => only === null || id === only;
  const looped =
    loops.asked && isAsked(looperPlayer(body)?.id)
      ? planLoops({ ...loops.asked, budget: LOOPS_BUDGET }, { trade: false })
      : null;
  const withSounds = new Set(Object.values(body.sounds).map(({ playerId }) => playerId));
  const planned: Planned = {
    loops: looped?.ok ? footPresses(loops, looped.value) : [],
    tones: new Map(
      [...withSounds].filter(isAsked).flatMap((id) => {
        const tones = playerTones(body, id, TONES_BUDGET);
        return tones ? [[id, tones] as const] : [];
      }),
    ),
  };
  return cuesOf(body, bandSheet(body, outline, timeline), timeline, planned, names);
}
