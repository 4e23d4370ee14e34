import type { VersionBody } from "@/core/song/schema";

type Name = keyof VersionBody;

/** Tables that a song's sections, words and form stand in. */
export const SONG = [
  "sections",
  "lines",
  "words",
  "chords",
  "uses",
  "exceptions",
  "anchors",
] as const satisfies Name[];
/** The song as it sounds: in its key, tempo and metre. */
export const SOUNDING = [...SONG, "version"] as const satisfies Name[];
/** Everything but the words. */
export const PLAYED = [
  "sections",
  "lines",
  "chords",
  "uses",
  "exceptions",
  "anchors",
  "version",
] as const satisfies Name[];
export const PARTS = [
  ...SOUNDING,
  "players",
  "cells",
  "entrances",
  "strums",
  "riffs",
  "riffNotes",
] as const satisfies Name[];
export const LOOPS = [
  ...SOUNDING,
  "players",
  "cells",
  "entrances",
  "loopBoxes",
  "loopLayers",
  "loopWants",
] as const satisfies Name[];
export const TONES = [...PARTS, "sounds", "soundMoves", "soundBoxes", "slotPins"] as const satisfies Name[];

/** The tables of a body by name: what is made from them is made anew when one of them has changed. */
export const tablesIn = (body: VersionBody, names: readonly Name[]): readonly unknown[] =>
  names.map((name) => body[name]);
