import { type HeardPart, MELODY_ID } from "@/core/practice";
import type { PartVoice } from "@/performance/sound";

/** What a player sounds with where nothing else is chosen. */
export function usualVoice({ instrument, plugged, id, isLoop }: HeardPart["player"]): PartVoice {
  if (id === MELODY_ID) return "melody";
  switch (instrument) {
    case "guitar":
      return plugged ? "clean" : "steel";
    case "bass":
      return "finger";
    case "keys":
      return "piano";
    case "drums":
      // A looper is fed with hands.
      return isLoop ? "box" : "kit";
    case "voice":
      return "melody";
  }
}

const GUITARS: readonly PartVoice[] = ["steel", "nylon", "clean", "driven", "muted"];

/** The voices a player may have. */
export function voicesFor({ instrument }: HeardPart["player"]): readonly PartVoice[] {
  switch (instrument) {
    case "guitar":
      return GUITARS;
    case "bass":
      return ["finger", "plectrum"];
    case "keys":
      return ["piano", "organ", "pad"];
    case "drums":
      return ["kit", "box"];
    case "voice":
      return ["melody"];
  }
}
