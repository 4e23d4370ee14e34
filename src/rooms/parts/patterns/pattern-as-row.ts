import { formatStrokes, type LibraryPattern, type Pattern, type PatternKind } from "@/core/rhythm";

const LONGEST_NAME = 80;

/** Which signs a pattern is written with. */
function kindOf({ strokes, free }: Pattern): PatternKind {
  if (free) return "free";
  if (strokes.some(({ kind }) => kind === "fingers")) return "fingers";
  return strokes.some(({ kind }) => kind === "zones") ? "zones" : "strum";
}

/** A pattern to be kept: of one that was said, its name is what was said. */
export const patternAsRow = (pattern: Pattern, name: string): Omit<LibraryPattern, "id"> => ({
  name: name.slice(0, LONGEST_NAME),
  kind: kindOf(pattern),
  meter: pattern.meter,
  subdivision: pattern.subdivision,
  swing: pattern.swing,
  text: formatStrokes(pattern.strokes),
});
