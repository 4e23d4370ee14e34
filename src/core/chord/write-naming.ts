import { alterOf, formatNoteName, type Key, type NoteName } from "../pitch";
import { parseChord } from "./chord";
import type { Naming } from "./naming";

/**
 * Writes a chord by a custom, real accidentals included where the custom has its own words for notes.
 * @param symbol in letter names; what can't be read, and N.C., stays as it is
 * @param key what degrees are counted from
 * @example writeChord("F#m7/C#", "syllables") // => "Fa♯m7/Do♯"
 * @example writeChord("Bb", "german") // => "B"
 * @example writeChord("D/F#", "degrees", G major) // => "5/7"
 */
export function writeChord(symbol: string, naming: Naming, key: Key | null = null): string {
  if (naming === "letters" || (naming === "degrees" && key === null)) return symbol;
  const read = parseChord(symbol);
  if (!read.ok || read.value.kind === "none") return symbol;
  const { root, bass, quality } = read.value;
  const write = (name: NoteName) => writeNote(name, naming, key);
  // A digit straight after a degree's digit would read as another number.
  const rest = naming === "degrees" && /^\d/u.test(quality) ? `·${quality}` : quality;
  return write(root) + rest + (bass === null ? "" : `/${write(bass)}`);
}

const SYLLABLES = ["Fa", "Do", "Sol", "Ré", "La", "Mi", "Si"] as const;

const signs = (alter: number): string => (alter < 0 ? "♭".repeat(-alter) : "♯".repeat(alter));

/** Writes a note by a custom. @example writeNote(5, "german", null) // => "H" */
export function writeNote(name: NoteName, naming: Naming, key: Key | null): string {
  const alter = alterOf(name);
  switch (naming) {
    case "letters":
      return formatNoteName(name);
    case "german":
      return writeGerman(name, alter);
    case "syllables":
      return SYLLABLES[(((name + 1) % 7) + 7) % 7]! + signs(alter);
    case "degrees":
      return key === null ? formatNoteName(name) : writeDegree(name - key.tonic);
  }
}

/** Only B is another letter: B is H, and B flat is B. */
function writeGerman(name: NoteName, alter: number): string {
  const letters = formatNoteName(name);
  if (!letters.startsWith("B")) return letters;
  return alter === -1 ? "B" : `H${letters.slice(1)}`;
}

/** Degrees of the major scale by their place on the line of fifths from the tonic. */
const DEGREES = [4, 1, 5, 2, 6, 3, 7] as const;

/** A degree has one sign at most: a name farther off takes its neighbour's. */
function writeDegree(far: number): string {
  let fifths = far;
  while (fifths < -8) fifths += 12;
  while (fifths > 12) fifths -= 12;
  const alter = Math.floor((fifths + 1) / 7);
  return signs(alter) + DEGREES[(((fifths + 1) % 7) + 7) % 7]!;
}
