import type { Heading } from "./heading";
import type { SheetText } from "./sheet-text";

/** A word or two, as a name is written, with nothing behind them that ends a sentence. */
const NAME = /^\p{Lu}[\p{L}’'-]*(?: [\p{L}\d’'-]+)?$/u;
const LONGEST_NAME = 24;

/**
 * A heading nobody knows: a word or two alone in a line, after a gap, with chords in the next line. It may be sung; whoever reads
 * it is asked.
 * @param before the line before, null where it is no part of the song
 * @param isChords whether a line holds chords
 * @example bareHeading({ text: "Morning" }, null, { text: "A D E A" }, …)?.label // => "Morning"
 */
export function bareHeading(
  line: SheetText,
  before: SheetText | null | undefined,
  next: SheetText | null | undefined,
  isChords: (line: SheetText) => boolean,
): Heading | null {
  const text = line.text.trim();
  const isApart = !before || before.text.trim() === "";
  if (!isApart || text.length > LONGEST_NAME || !NAME.test(text) || !next) return null;
  return isChords(next) && !isChords(line) ? { label: text, kind: "other", repeat: 1 } : null;
}
