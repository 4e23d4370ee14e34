import {
  formatNoteName,
  isInKey,
  type Key,
  type NoteName,
  nameInKey,
  nameOfPitchClass,
  pitchClassOf,
} from "../pitch";
import { QUALITIES } from "./qualities";
import { formatTone, isPerfectFifth, type Tone, toneName, toneSemitones } from "./tone";

/** A name for what sounds. */
export type ChordName = {
  readonly symbol: string;
  /** Whether every tone of that chord sounds. */
  readonly complete: boolean;
  /** Tones of it that do not sound. */
  readonly omits: readonly string[];
  /** How the bass makes it read. */
  readonly reading: string;
};

type Reading = ChordName & {
  readonly bassIsRoot: boolean;
  readonly inKey: boolean;
  readonly quality: number;
};

const READINGS: Readonly<Record<number, string>> = Object.freeze({
  1: "root in the bass",
  2: "second in the bass",
  3: "third in the bass",
  4: "fourth in the bass",
  5: "fifth in the bass",
  6: "sixth in the bass",
  7: "seventh in the bass",
  9: "ninth in the bass",
  11: "eleventh in the bass",
  13: "thirteenth in the bass",
});

/**
 * Every chord of the table of qualities, on every root, that holds all the sounding pitch classes and misses at
 * most one tone besides a perfect fifth. The same shape has several names until the bass decides.
 *
 * Order: fewest tones missing, bass is the root, all tones in the key, plainest quality, name.
 * @param classes sounding pitch classes, 0 to 11; none gives no names
 * @param bass the lowest of them
 * @example identify([0, 4, 7, 9], 9, null)[0].symbol // => "Am7"
 */
export function identify(classes: readonly number[], bass: number, key: Key | null): ChordName[] {
  if (classes.length === 0) return [];
  const readings: Reading[] = [];
  for (let rootClass = 0; rootClass < 12; rootClass++) {
    const root = key === null ? nameOfPitchClass(rootClass) : nameInKey(rootClass, key);
    const above = new Set(classes.map((one) => (one - rootClass + 12) % 12));
    for (const [quality, { text, tones }] of QUALITIES.entries()) {
      const reading = readAs(tones, text, root, above, bass, key);
      if (reading) readings.push({ ...reading, quality });
    }
  }
  return readings
    .sort(
      (a, b) =>
        a.omits.length - b.omits.length ||
        Number(b.bassIsRoot) - Number(a.bassIsRoot) ||
        Number(b.inKey) - Number(a.inKey) ||
        a.quality - b.quality ||
        (a.symbol < b.symbol ? -1 : 1),
    )
    .map(({ symbol, complete, omits, reading }) => ({ symbol, complete, omits, reading }));
}

function readAs(
  tones: readonly Tone[],
  quality: string,
  root: NoteName,
  above: ReadonlySet<number>,
  bass: number,
  key: Key | null,
): Omit<Reading, "quality"> | null {
  const held = new Set(tones.map(toneSemitones));
  for (const semitones of above) if (!held.has(semitones)) return null;
  const missing = tones.filter((tone) => !above.has(toneSemitones(tone)));
  if (missing.filter((tone) => !isPerfectFifth(tone)).length > 1) return null;
  const bassTone = tones.find((tone) => pitchClassOf(toneName(tone, root)) === bass)!;
  const bassIsRoot = bassTone.degree === 1;
  const slash = bassIsRoot ? "" : `/${formatNoteName(toneName(bassTone, root))}`;
  return {
    symbol: formatNoteName(root) + quality + slash,
    complete: missing.length === 0,
    omits: missing.map(formatTone),
    reading: READINGS[bassTone.degree]!,
    bassIsRoot,
    inKey: key !== null && tones.every((tone) => isInKey(toneName(tone, root), key)),
  };
}
