import type { HeardLayer } from "../../src/core/loops";

/** Knocks at some beats of a pass, at the layer's full level. */
export const knocks = (beats: readonly number[]): HeardLayer["hits"] =>
  beats.map((beat) => ({ beat, beats: 0.25, hz: [], share: 1 }));
