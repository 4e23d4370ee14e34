import { parseChord } from "@/core/chord";

/** Says what is wrong with a chord as typed, or null. */
export const checkSymbol = (text: string): string | null =>
  parseChord(text).ok
    ? null
    : text.trim() === ""
      ? "A chord needs a name, such as G or F#m7."
      : `“${text}” can’t be read as a chord. Write it such as G, F#m7, D/F# or N.C.`;
