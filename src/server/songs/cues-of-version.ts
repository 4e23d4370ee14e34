import { type Cue, cuesOf } from "@/core/cues";
import { footPresses } from "@/core/loops";
import { bandSheet } from "@/core/parts";
import type { VersionBody } from "@/core/song/schema";
import { type PlannedBody, plannedBody } from "./planned-feet";

/**
 * Every cue of a version, with what feet press by the plans of its looper and boxes.
 * @param planned what feet press; worked out for everybody when left out
 * @param names who tells chords and keys, by the key shift of a place
 */
export async function cuesOfVersion(
  body: VersionBody,
  planned?: PlannedBody,
  names?: Parameters<typeof cuesOf>[4],
): Promise<Cue[]> {
  const { outline, timeline, loops, tones } = planned ?? (await plannedBody(body));
  return cuesOf(
    body,
    bandSheet(body, outline, timeline),
    timeline,
    { loops: loops ? footPresses(loops.song, loops.plan) : [], tones },
    names,
  );
}
