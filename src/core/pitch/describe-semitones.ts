/** @example describeSemitones(1) // => "1 semitone" */
export const describeSemitones = (count: number): string =>
  `${count} ${count === 1 ? "semitone" : "semitones"}`;

/** How far something is moved, and which way. @example describeMove(-2) // => "2 semitones down" */
export const describeMove = (by: number): string =>
  `${describeSemitones(Math.abs(by))} ${by < 0 ? "down" : "up"}`;
