import type { ChordSum } from "./sum";

/**
 * How much of each chord each pitch class sounds in the rest of the band: what a line drawn up from the chords looks at.
 * @param sums of the whole band, see `sumOfBand`
 * @param chordIds of a section, in time
 * @returns a chord's pitch classes with the share of its beats, 0 to 1; none where nothing is known of it
 * @example heardBeside(sums, "u1", ["c1"], "p0")[0] // => Map { 0 => 1, 4 => 0.5 }
 */
export function heardBeside(
  sums: readonly ChordSum[],
  useId: string,
  chordIds: readonly string[],
  playerId: string,
): ReadonlyMap<number, number>[] {
  return chordIds.map((chordId) => {
    const own = sums.filter((sum) => sum.useId === useId && sum.chordId === chordId);
    const beats = own.reduce((count, sum) => count + sum.beats.length, 0);
    const heard = new Map<number, number>();
    for (const { voices, beats: sounding } of own) {
      const others = voices.filter((voice) => voice.playerId !== playerId && !voice.passing);
      for (const pitchClass of new Set(others.map(({ pitch }) => pitch % 12)))
        heard.set(pitchClass, (heard.get(pitchClass) ?? 0) + sounding.length / beats);
    }
    return heard;
  });
}
