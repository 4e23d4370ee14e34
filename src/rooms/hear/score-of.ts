import { hearShape } from "@/core/playing";
import { tuningOf } from "@/core/song/read";
import type { Player } from "@/core/song/schema";
import { type SoundScore, soundScore } from "@/performance/sound";

/** A player's shape as it sounds on their neck, string by string and then struck. @param frets from the capo */
export const scoreOfShape = (player: Player, capo: number, frets: readonly (number | null)[]): SoundScore =>
  soundScore([
    {
      voice: player.instrument === "bass" ? "finger" : "steel",
      onsets: hearShape({ frets, tuning: tuningOf(player), capo }),
    },
  ]);
