import { ok } from "@/base";
import { layerPasses } from "@/core/loops";
import type { TimedPart } from "@/core/playing";
import type { VersionBody } from "@/core/song/schema";
import { roomEngine } from "../engine";

type LayerPassesQuestion = {
  readonly body: VersionBody;
  readonly song: Parameters<typeof layerPasses>[1];
};

/** What each layer of a looper sounds in one pass, in the shapes its player holds. */
export const layerPassesEngine = roomEngine({
  name: "layer-passes",
  steps: null,
  compute: ({ body, song }: LayerPassesQuestion) =>
    ok<ReadonlyMap<string, TimedPart>>(layerPasses(body, song)),
});
