import { beatsOfTicks } from "@/core/rhythm";
import { namerByShift } from "@/core/song/names";
import { type Passage, versionRow } from "@/core/song/read";
import type { VersionBody } from "@/core/song/schema";

/** Every chord that is played in some passages, as it sounds, with the beats it lasts. */
export function playedChords(
  body: Pick<VersionBody, "version">,
  passages: readonly Passage[],
): { symbol: string; beats: number }[] {
  const version = versionRow(body);
  const ticks = new Map<string, number>();
  const namerAt = namerByShift(body);
  for (const { lines, shift } of passages) {
    const namer = namerAt(shift);
    for (const { outline } of lines)
      for (const { chord: placed } of outline.chords) {
        const { chord, sounding } = namer.name(placed.symbol);
        if (chord && placed.ticks > 0) ticks.set(sounding, (ticks.get(sounding) ?? 0) + placed.ticks);
      }
  }
  return [...ticks].map(([symbol, length]) => ({ symbol, beats: beatsOfTicks(length, version.beatUnit) }));
}
