import type { LayerSound, LoopLayerRow } from "@/core/song/schema";

/** What people call the ways a layer is played. */
export const SOUND_WORDS: Readonly<Record<LayerSound, string>> = Object.freeze({
  chords: "chords, held",
  strum: "strum",
  "thumb bass": "bass by the thumb",
  line: "line",
  thump: "thump on the wood",
  chop: "damped chop",
  clap: "clap",
  voice: "voice",
});

export const PITCH_WORDS: Readonly<Record<LoopLayerRow["pitch"], string>> = Object.freeze({
  pitched: "has pitches",
  unpitched: "no pitch",
  damped: "damped on purpose: no pitch",
});

export const WANT_WORDS = Object.freeze({ on: "drawn", off: "cut", either: "loose" } as const);

export const NEEDS = Object.freeze([
  ["", "neither hands nor mouth"],
  ["hands", "hands"],
  ["mouth", "mouth"],
  ["hands mouth", "hands and mouth"],
] as const);

/** "0 wrong bars", "1 wrong bar". */
export const describeWrong = (bars: number): string =>
  `${Math.round(bars * 100) / 100} wrong ${bars === 1 ? "bar" : "bars"}`;

export const describeChance = (chance: number): string =>
  chance < 0.01 ? "under 1 %" : `${Math.round(chance * 100)} %`;

/** Seconds of a build. @example describeSeconds(33.6) // => "34 s" */
export const describeSeconds = (seconds: number): string => `${Math.round(seconds)} s`;
