import { formatStrokes, type LibraryPattern, type Pattern } from "@/core/rhythm";

const LONGEST_NAME = 80;

/** A pattern that was said, to be kept: it is called what was said. */
export const saidAsRow = (
  { meter, subdivision, swing, strokes }: Pattern,
  words: string,
): Omit<LibraryPattern, "id"> => ({
  name: words.slice(0, LONGEST_NAME),
  kind: "strum",
  meter,
  subdivision,
  swing,
  text: formatStrokes(strokes),
});
