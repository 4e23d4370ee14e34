import { isInKey, type Key, nameInKey, pitchClassOf } from "../pitch";
import { pitchClassesOf, type SoundingChord } from "./chord";

/**
 * The pitch classes that grate against a chord: not in it, and a semitone from one of its tones. A seventh of the
 * key over its own chord is left in peace.
 * @example clashesWith([0, 4, 8], C, C major) // => [8]
 */
export function clashesWith(classes: readonly number[], chord: SoundingChord, key: Key | null): number[] {
  const tones = pitchClassesOf(chord);
  const root = pitchClassOf(chord.root);
  return [...new Set(classes)].filter((one) => {
    if (tones.includes(one)) return false;
    const above = (one - root + 12) % 12;
    const isSeventh = above === 10 || above === 11;
    const inKey = key !== null && isInKey(nameInKey(one, key), key);
    if (isSeventh && inKey) return false;
    return tones.some((tone) => (one - tone + 12) % 12 === 1 || (tone - one + 12) % 12 === 1);
  });
}
