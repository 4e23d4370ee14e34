import { describeMove } from "../pitch";
import { tellBars } from "../song/moments";
import { type BarRanges, formatBars } from "../song/read";
import type { BarsSaid } from "../song/schema";
import type { SheetPart } from "./band";

/**
 * Bars as they were said, of their section.
 * @example "bars 5–8 of Verse 1", "the second half of Verse 1", "the last 2 bars of Verse 1"
 */
function tellSaid(said: BarsSaid, bars: BarRanges, label: string): string {
  const [one] = said;
  if (said.length !== 1 || !one || typeof one[0] === "number" || one[0] === "from")
    return tellBars(formatBars(bars), label);
  if (one[0] === "half") return `the ${formatBars(said)} of ${label}`;
  return `the ${formatBars(said)}${one[1] === 1 ? "" : " bars"} of ${label}`;
}

/** @example "one shape, moved, about fret 10, each time from one fret below" */
function describePlace({
  fret,
  moved,
  approach,
}: Pick<SheetPart["cell"], "fret" | "moved" | "approach">): string {
  const place = fret.value === null ? "" : `about fret ${fret.value}`;
  const below = moved.value && approach.value ? "each time from one fret below" : "";
  return [moved.value ? "one shape, moved" : "", place, below].filter((one) => one !== "").join(", ");
}

/** How a line is played where it sounds otherwise than it was written. @example ", 2 semitones up, fingered anew" */
function tellFollow(follow: SheetPart["follow"]): string {
  if (!follow || follow.by === 0) return "";
  const moved = `, ${describeMove(follow.by)}`;
  return follow.ways[0]!.how === "re-fingered" ? `${moved}, fingered anew` : moved;
}

/**
 * How a part is played, in short phrases for stage and paper, where the strum itself is drawn beside: pattern or technique, line, sound, bars, roles by phrase,
 * whom it doubles. Nothing for a part that is out.
 * @param patternName what the pattern is called, or null
 * @param label the section by its name there: its bars are counted from it
 * @example describePart(part, "skip the three", nameOf, "Verse 1") // => ["skip the three", "plays bars 5–8 of Verse 1"]
 */
export function describePart(
  part: SheetPart,
  patternName: string | null,
  nameOf: (playerId: string) => string,
  label: string,
): string[] {
  if (part.out) return [];
  const { cell, technique, riff, follow } = part;
  const barsHere = (ranges: BarRanges): string => tellBars(formatBars(ranges), label);
  const how = patternName === null ? (technique?.words ?? "") : patternName;
  const { bars, barsSaid, phrases, doubles, sound } = cell;
  return [
    how,
    riff ? `line: ${riff.name}${riff.sure ? "" : ", not sure"}${tellFollow(follow)}` : "",
    sound.value === "" ? "" : `sound: ${sound.value}`,
    bars.value === null ? "" : `plays ${tellSaid(barsSaid.value ?? [], bars.value, label)}`,
    describePlace(cell),
    cell.optional.value ? "may be left out" : "",
    ...phrases.value.map(({ from, to, role }) => `${barsHere([[from, to]])}: ${role}`),
    doubles.value === null ? "" : `doubles ${nameOf(doubles.value)}`,
  ].filter((one) => one !== "");
}
