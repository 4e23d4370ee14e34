/** @example describeSemitones(1) // => "1 semitone" */
export const describeSemitones = (count: number): string =>
  `${count} ${count === 1 ? "semitone" : "semitones"}`;
