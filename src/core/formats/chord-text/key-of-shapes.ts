import { formatKey, type Key, moveKey, parseKey, pitchClassOf } from "../../pitch";
import { keyOfSheet } from "../draft";
import type { ChordSheet } from "../sheet";

/**
 * The key the chords of a sheet are written in. Where a capo stands beside a key that its chords don't fit, and they fit that
 * key less the capo, the key is what sounds and the chords are shapes: "Capo: 3" under "Key: Bb" over G, C and D.
 */
export function keyOfShapes(sheet: Pick<ChordSheet, "sections" | "form" | "key" | "capo">): string | null {
  const { key, capo } = sheet;
  const written = key === null ? null : parseKey(key);
  if (capo === 0 || !written?.ok) return key;
  const below = moveKey(written.value, -capo);
  const found = keyOfSheet(sheet);
  const guessed = found && parseKey(found.key);
  return guessed?.ok && isSame(guessed.value, below) && !isSame(guessed.value, written.value)
    ? formatKey(below)
    : key;
}

/** Whether two keys are the same, or relatives: their chords are. */
const isSame = (a: Key, b: Key): boolean => majorOf(a) === majorOf(b);

const majorOf = ({ tonic, mode }: Key): number => (pitchClassOf(tonic) + (mode === "minor" ? 3 : 0)) % 12;
