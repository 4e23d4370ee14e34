import { ok } from "@/base";
import { type LoopVoicing, voicingsOfLayer } from "@/core/loops";
import { roomEngine } from "../engine";

type LoopVoicingsQuestion = {
  readonly body: Parameters<typeof voicingsOfLayer>[0];
  readonly layer: Parameters<typeof voicingsOfLayer>[1];
};

/** The small shapes of a layer at its place on the neck; null where it is held as its player holds the chords anyway. */
export const loopVoicingsEngine = roomEngine({
  name: "loop-voicings",
  steps: null,
  compute: ({ body, layer }: LoopVoicingsQuestion) =>
    ok<readonly LoopVoicing[] | null>(voicingsOfLayer(body, layer)),
});
