/** The 240 chords the hand is measured on: 20 common types on every root. */
export const ROOTS = ["C", "C#", "D", "Eb", "E", "F", "F#", "G", "Ab", "A", "Bb", "B"] as const;
export const QUALITIES = [
  ...["", "m", "7", "m7", "maj7", "sus2", "sus4", "7sus4", "add9", "6"],
  ...["m6", "9", "m9", "maj9", "dim", "dim7", "m7b5", "aug", "m(add9)", "6/9"],
] as const;
