import { type ShapeSpot, spotOf } from "../../src/core/song/read";
import type { Player } from "../../src/core/song/schema";

/** The first chord of the sample verse for a player who holds full chords, or another place. */
export const sampleSpot = (player: Player, fields: Partial<ShapeSpot> = {}): ShapeSpot => ({
  ...spotOf(
    player,
    { capo: player.capo, style: "full", strings: null },
    { useId: "u0", sectionId: "verse", chordId: "verse-l0-c0", symbol: "G" },
  ),
  ...fields,
});
