import { moveChord, parseChord } from "../chord";
import { moveKey } from "../pitch";
import { batch, set, type VersionCommand } from "../song/edit";
import { namerByShift } from "../song/names";
import { keysOf } from "../song/read";
import type { VersionBody } from "../song/schema";

/**
 * Settles chords in doubt: each sounds as said from now on, written in the version's own key, and is sure. One that
 * sounds so already only becomes sure, and keeps its source.
 * @param places chords of the version, with the key shift of the place where they sound as said
 * @param sourceId the source that was right, or null
 */
export function settleChords(
  body: VersionBody,
  places: readonly { readonly chordId: string; readonly shift: number }[],
  symbol: string,
  sourceId: string | null,
): VersionCommand {
  const { written, sounding } = keysOf(body);
  const chord = parseChord(symbol);
  const namerAt = namerByShift(body);
  return batch(
    "Settle a chord",
    places.flatMap(({ chordId, shift }) => {
      const row = body.chords[chordId];
      if (!row) return [];
      if (namerAt(shift).name(row.symbol).sounding === symbol)
        return [set("chords", chordId, { sure: true })];
      const here = moveKey(sounding, shift);
      const asWritten = chord.ok ? moveChord(chord.value, here, written) : symbol;
      return [set("chords", chordId, { symbol: asWritten, sure: true, sourceId })];
    }),
  );
}
