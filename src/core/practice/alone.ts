import type { BandSheet } from "../parts";
import type { Player } from "../song/schema";

/** Whether one player could carry a song alone, and what it would lack. */
export type Alone = {
  readonly player: Pick<Player, "id" | "name" | "instrument" | "sings">;
  /** Sections that ask for a bass, each once: nobody plays one then. */
  readonly noBass: readonly string[];
};

/**
 * Who could carry a song alone: whoever plays chords, on a guitar or on keys. A bass that a section asks for is then missing,
 * save on keys, whose left hand plays it (common practice, no source).
 */
export function whoCarriesAlone({ players, rows }: Pick<BandSheet, "players" | "rows">): Alone[] {
  const asked = [...new Set(rows.flatMap(({ bass, label }) => (bass === "needed" ? [label] : [])))];
  return players
    .filter(({ instrument }) => instrument === "keys" || instrument === "guitar")
    .map(({ id, name, instrument, sings }) => ({
      player: { id, name, instrument, sings },
      noBass: instrument === "keys" ? [] : asked,
    }));
}
