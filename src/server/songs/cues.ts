import { type Cue, cuesOf, type Planned } from "@/core/cues";
import { footPresses, planLoops, songLoops } from "@/core/loops";
import { bandSheet } from "@/core/parts";
import { outlineOf, timelineOf, type VersionBody } from "@/core/song";
import { playerTones } from "@/core/tones";
import { openDatabase } from "../db/open";
import { findBand } from "./create";

/** Search steps the server spends on the plans of a looper and of a box. */
const LOOPS_BUDGET = 40_000_000;
const TONES_BUDGET = 10_000;

/** Every cue of a version, with what feet press by the plans of its looper and boxes. */
export async function cuesOfVersion(body: VersionBody): Promise<Cue[]> {
  const band = await findBand(await openDatabase());
  const outline = outlineOf(body);
  const timeline = timelineOf(body, outline);
  const loops = songLoops(body, outline, timeline, Object.values(band?.body.loopHabits ?? {}));
  const looped = loops.asked && planLoops({ ...loops.asked, budget: LOOPS_BUDGET }, { trade: false });
  const withSounds = new Set(Object.values(body.sounds).map(({ playerId }) => playerId));
  const planned: Planned = {
    loops: looped?.ok ? footPresses(loops, looped.value) : [],
    tones: new Map(
      [...withSounds].flatMap((id) => {
        const tones = playerTones(body, id, TONES_BUDGET);
        return tones ? [[id, tones] as const] : [];
      }),
    ),
  };
  return cuesOf(body, bandSheet(body, outline, timeline), timeline, planned);
}
