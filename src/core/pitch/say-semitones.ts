/** @example saySemitones(1) // => "1 semitone" */
export const saySemitones = (count: number): string => `${count} ${count === 1 ? "semitone" : "semitones"}`;
