import { type ChordName, identify } from "../chord";
import { type Key, parsePitch } from "../pitch";

const TOLD = 3;

/**
 * Other names of what a shape sounds, the likeliest first: complete chords, as long as nobody's bass decides.
 * @param is the name it already has
 * @example alsoCalled(["C3", "E3", "G3", "A3"], C major, "C6")[0].symbol // => "Am7/C"
 */
export function alsoCalled(pitches: readonly string[], key: Key, is: string): ChordName[] {
  const midis = pitches.flatMap((text) => {
    const pitch = parsePitch(text);
    return pitch.ok ? [pitch.value] : [];
  });
  if (midis.length === 0) return [];
  const names = identify([...new Set(midis.map((midi) => midi % 12))], Math.min(...midis) % 12, key);
  return names.filter((name) => name.complete && name.symbol !== is).slice(0, TOLD);
}
