import { parseChord } from "@/core/chord";
import { scaleMmOf } from "@/core/parts";
import type { Key } from "@/core/pitch";
import { tuningOf } from "@/core/song/read";
import type { Player } from "@/core/song/schema";
import type { QuestionOf } from "@/engines/window";

/** What every capo would ask of a player; chords that can't be read are left out. */
export function capoQuestion(
  player: Player,
  key: Key,
  chords: readonly { readonly symbol: string; readonly beats: number }[],
  maxCapo = 9,
): QuestionOf<"capo"> {
  return {
    key,
    chords: chords.flatMap(({ symbol, beats }) => {
      const chord = parseChord(symbol);
      return chord.ok ? [{ chord: chord.value, beats }] : [];
    }),
    options: { tuning: tuningOf(player), level: player.level, scaleMm: scaleMmOf(player), maxCapo },
  };
}
