import { writeChord, writeNote } from "@/core/chord";
import { parseNoteName } from "@/core/pitch";
import type { Player } from "@/core/song/schema";
import { pretty } from "./pretty";

/** A chord or key in letter names as a player writes it, for the eye. @example written("Bm7", { writing: "german" }) // => "Hm7" */
export const written = (symbol: string, player: Pick<Player, "writing">): string =>
  pretty(writeChord(symbol, player.writing));

/** A note's letter name as a player writes it. @example writtenNote("Bb", { writing: "syllables" }) // => "Si♭" */
export function writtenNote(note: string, player: Pick<Player, "writing">): string {
  const name = parseNoteName(note);
  return pretty(name.ok ? writeNote(name.value, player.writing, null) : note);
}
