import { type ReadOptions, readChordText } from "./chord-text";
import { isChordPro, readChordPro } from "./chordpro";
import { bounded, type ChordSheet } from "./sheet";

export const TEXT_FORMATS = ["auto", "chordpro", "chords-over-words"] as const;
export type TextFormat = (typeof TEXT_FORMATS)[number];

/**
 * Reads a text in whichever of our text formats it is written.
 * @example readSheet("{title: Ferry}\n[G]Light").title // => "Ferry"
 */
export function readSheet(
  text: string,
  options: ReadOptions & { format?: TextFormat | undefined } = {},
): ChordSheet {
  const { format = "auto", ...known } = options;
  const pro = format === "chordpro" || (format === "auto" && isChordPro(text));
  return bounded(pro ? readChordPro(text, known) : readChordText(text, known));
}
