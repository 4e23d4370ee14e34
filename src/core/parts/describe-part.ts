import { countsOf, isOnset } from "../rhythm";
import { type BarRanges, formatBars } from "../song/read";
import type { SheetPart } from "./band";

/** The counts a pattern strikes, where it is no longer than two bars: "1, 2, 2&, 3&, 4, 4&". */
function describeCounts(part: SheetPart): string {
  if (!part.pattern || part.pattern.strokes.length > 32) return "";
  const counts = countsOf(part.pattern);
  let beat = "";
  const struck = part.pattern.strokes.flatMap((stroke, at) => {
    const count = counts[at]!;
    if (/^\d/u.test(count)) beat = count;
    return isOnset(stroke) ? [count === beat ? beat : `${beat}${count}`] : [];
  });
  return ` (${struck.join(", ")})`;
}

/**
 * How a part is played, in short phrases for stage and paper: pattern or technique, line, sound, bars, roles by phrase,
 * whom it doubles. Nothing for a part that is out.
 * @param patternName what the pattern is called, or null
 * @example describePart(part, "skip the three", nameOf) // => ["skip the three (1, 2, 2&, 3&, 4, 4&)", "bars 5-8"]
 */
export function describePart(
  part: SheetPart,
  patternName: string | null,
  nameOf: (playerId: string) => string,
): string[] {
  if (part.out) return [];
  const { cell, technique, riff } = part;
  const how = patternName === null ? (technique?.words ?? "") : `${patternName}${describeCounts(part)}`;
  const { bars, phrases, doubles, sound } = cell;
  return [
    how,
    riff ? `line: ${riff.name}` : "",
    sound.value === "" ? "" : `sound: ${sound.value}`,
    bars.value === null || formatBars(bars.value) === "all" ? "" : `plays ${describeBars(bars.value)}`,
    ...phrases.value.map(({ from, to, role }) => `${describeBars([[from, to]])}: ${role}`),
    doubles.value === null ? "" : `doubles ${nameOf(doubles.value)}`,
  ].filter((one) => one !== "");
}

/** "bar 2", "bars 1-4, 7". */
const describeBars = (ranges: BarRanges): string => {
  const said = formatBars(ranges);
  if (said === "none") return "no bars";
  return `${/^\d+$/u.test(said) ? "bar" : "bars"} ${said}`;
};
