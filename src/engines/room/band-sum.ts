import { ok } from "@/base";
import { heardLayers, type LoopWay, loopPitches, type SongLoops } from "@/core/loops";
import { bandSheet, type ChordSum, type ShapePlan, sumOfBand } from "@/core/parts";
import type { VersionBody } from "@/core/song/schema";
import { roomEngine } from "../engine";

export type BandSumQuestion = {
  readonly body: VersionBody;
  /** Players' shapes by their ids. */
  readonly plans: ReadonlyMap<string, ShapePlan>;
  /** What goes round under it, where something does. */
  readonly loops: { readonly song: SongLoops; readonly way: LoopWay } | null;
};

/** What all sound together at each chord, against the chart. */
export const bandSum = roomEngine({
  name: "band-sum",
  steps: null,
  compute: ({ body, plans, loops }: BandSumQuestion) =>
    ok<readonly ChordSum[]>(
      sumOfBand(
        body,
        bandSheet(body),
        plans,
        loops ? loopPitches(loops.song, loops.way, heardLayers(body, loops.song, 0)) : undefined,
      ),
    ),
});
