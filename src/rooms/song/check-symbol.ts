import type { Namer } from "@/core/song/names";

/** Says what is wrong with a chord as typed in the reader's names, or null. */
export const checkSymbol = (text: string, namer: Namer): string | null =>
  namer.toWritten(text) !== null
    ? null
    : text.trim() === ""
      ? `A chord needs a name, such as ${example(namer)}.`
      : `“${text}” can’t be read as a chord. Write it such as ${example(namer)} or N.C.`;

/** Chords of the reader's own key: "G, F♯m7, D/F♯" to who reads letters in G. */
const example = (namer: Namer): string => {
  const [tonic, minor, slash] = namer.examples();
  return `${tonic}, ${minor}, ${slash}`;
};
