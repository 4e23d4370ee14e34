/**
 * What a reading of guessed beats costs. Set on two thirds of the sheets of `checks/readings/sheets.txt` by trying values at
 * random and keeping what got more sections right; the last third was not used. Common practice, no source.
 */
export const WEIGHTS = Object.freeze({
  /** A line of so many bars. Other lengths are not tried. */
  length: Object.freeze({ 1: 0.9, 2: 0, 3: 1.6, 4: 0.16, 6: 1.6, 8: 1 } as Readonly<Record<number, number>>),
  /** The same where a bar has two or three beats. */
  shortLength: Object.freeze({ 1: 1.8, 2: 0.92, 3: 1.6, 4: 0, 6: 1.6, 8: 0.3 } as Readonly<
    Record<number, number>
  >),
  /** The same of a section without words. */
  playedLength: Object.freeze({ 1: 0, 2: 0, 3: 1.6, 4: 0, 6: 1.6, 8: 0.3 } as Readonly<
    Record<number, number>
  >),
  /** A line twice as long as the others of its section. */
  double: 0.5,
  /** How far a chord stands from where its syllables put it, as a share of the line. */
  syllable: 1.7,
  /** So many times that where syllables are far from an even share: they say how it goes then. */
  far: 2.5,
  /** Any other share than an even one. */
  uneven: 0.3,
  /** A chord that lasts no doubled or halved bar, such as three beats of four. */
  odd: 0.85,
  /** Chords that begin on a half of the bar, on another beat, and between beats. */
  half: 0.23,
  beat: 0.5,
  off: 2,
  /** Chords that begin off the middle of the line, for each halving more. */
  deep: 0.17,
  /** Squared distance of a line's syllables a bar from the song's own, in octaves (doublings). */
  pace: 0.8,
  /** The song's own syllables a bar, most often, and squared octaves from there. */
  usualPace: 2.4,
  pacePrior: 0.95,
  /** Squared octaves of a line's chords a bar from one. */
  rate: 0.8,
} as const);
