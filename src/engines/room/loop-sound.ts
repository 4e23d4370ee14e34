import { ok } from "@/base";
import {
  eventsOf,
  type HeardLayer,
  type LoopCase,
  type LoopWay,
  mixEvents,
  sectionBeats,
  wavOf,
  withinScale,
} from "@/core/loops";
import { roomEngine } from "../engine";

/** Samples a second. */
const SOUND_RATE = 44_100;

export type LoopSoundQuestion = {
  readonly asked: LoopCase;
  readonly way: LoopWay;
  readonly layers: readonly HeardLayer[];
};

/** A looper's plan as a WAV file. */
export const loopSound = roomEngine({
  name: "loop-sound",
  steps: null,
  compute: ({ asked, way, layers }: LoopSoundQuestion) => {
    const seconds = (sectionBeats(asked).at(-1)! * 60) / asked.tempo;
    const mixed = mixEvents(eventsOf(asked, way, layers), seconds + 1, SOUND_RATE);
    return ok(wavOf(withinScale(mixed), SOUND_RATE));
  },
});
