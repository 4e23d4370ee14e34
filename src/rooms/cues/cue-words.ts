import type { Cue } from "@/core/cues";
import type { CueRow } from "@/core/song/schema";

/** What each kind of cue is called over its filter. */
export const CUE_WORDS: Readonly<Record<Cue["kind"], string>> = Object.freeze({
  "count-in": "count-in",
  in: "comes in",
  out: "stays out",
  light: "light",
  way: "way of playing",
  capo: "capo",
  sound: "sound",
  move: "small move",
  press: "foot",
  stop: "stop",
  hold: "hold",
  push: "push",
  chords: "other chords",
  key: "key",
  tempo: "tempo",
  own: "own cue",
});

export const SIGN_WORDS: Readonly<Record<CueRow["sign"], string>> = Object.freeze({
  none: "nobody gives it",
  spoken: "spoken",
  "hand sign": "hand sign",
  nod: "nod",
  click: "click",
});
