import { alterOf, type NoteName } from "./note-name";

/** Which of two names of one pitch people would rather read: as the key has it, always the sharp, or always the flat. */
export const ACCIDENTALS = ["key", "sharps", "flats"] as const;
export type Accidentals = (typeof ACCIDENTALS)[number];

/** One pitch has a second name twelve fifths away. */
const SAME_PITCH = 12;

/**
 * A name with the accidentals somebody prefers; the pitch stays, and a natural stays as it is.
 * @example preferAccidentals(B♭, "sharps") // => A♯
 * @example preferAccidentals(G♯, "flats") // => A♭
 */
export function preferAccidentals(name: NoteName, accidentals: Accidentals): NoteName {
  let told = name;
  if (accidentals === "sharps") while (alterOf(told) < 0) told += SAME_PITCH;
  if (accidentals === "flats") while (alterOf(told) > 0) told -= SAME_PITCH;
  return told;
}
