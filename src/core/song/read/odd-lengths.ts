import { capital, type Ticks } from "../../../base";
import { describeList } from "../../fretboard";
import { countBars } from "../../rhythm";
import type { SectionKind } from "../schema";
import type { OutlineSection } from "./outline";

/** Sections that are sung to a form: most have an even number of bars. Common practice, no source. */
const FORMED: ReadonlySet<SectionKind> = new Set(["verse", "pre-chorus", "chorus", "bridge"]);
/** Shorter ones are called odd by nobody. */
const LEAST_ODD = 5;

/** What is unusual in the lengths of a section: often a sign that two beats were written wrong. */
export type OddLengths = {
  /** Bars of the lines that are as long as most, and the lines that are not; null where none is. */
  readonly lines: {
    readonly usual: number;
    readonly others: readonly { readonly line: number; readonly bars: number }[];
  } | null;
  /** Bars of the whole, where they are an odd number. */
  readonly bars: number | null;
};

/**
 * Looks for lines that are longer or shorter than the others of their section, even where the whole comes out, and for a
 * verse, chorus or bridge of an odd number of bars. A line twice as long with at least twice the chords is as expected.
 * @param bar ticks of a bar
 * @param nextPickup ticks of the last bar that the next section's pickup fills
 * @example four lines of 4, 3, 5 and 4 bars: usual 4, others line 1 of 3 and line 2 of 5
 */
export function oddLengths(
  { section, lines }: OutlineSection,
  bar: Ticks,
  nextPickup: Ticks = 0,
): OddLengths {
  const last = lines.findLastIndex(({ chords }) => chords.length > 0);
  const played = lines.flatMap(({ chords, ticks }, line) => {
    const bars = (ticks - (line === 0 ? section.pickup : 0) + (line === last ? nextPickup : 0)) / bar;
    return chords.length > 0 && bars > 0 ? [{ line, bars, chords: chords.length }] : [];
  });
  const usual = mostCommon(played.map(({ bars }) => bars));
  const fewest = Math.min(...played.filter(({ bars }) => bars === usual).map(({ chords }) => chords));
  const others = played.filter(
    ({ bars, chords }) =>
      bars !== usual &&
      !(bars === 2 * usual && chords >= 2 * fewest) &&
      !(2 * bars === usual && 2 * chords <= fewest),
  );
  const all = played.reduce((sum, { bars }) => sum + bars, 0);
  const isOdd = FORMED.has(section.kind) && all >= LEAST_ODD && all % 2 === 1;
  return {
    lines: others.length > 0 ? { usual, others: others.map(({ line, bars }) => ({ line, bars })) } : null,
    bars: isOdd ? all : null,
  };
}

/** The value that stands most often, of several the one that stands first. */
function mostCommon(values: readonly number[]): number {
  const counts = new Map<number, number>();
  for (const value of values) counts.set(value, (counts.get(value) ?? 0) + 1);
  let [best, most] = [0, 0];
  for (const [value, count] of counts) if (count > most) [best, most] = [value, count];
  return best;
}

const MOST_NAMED = 4;

/** @example "Line 2 has 3 bars and line 3 has 5 bars, the others 4." */
export function describeOddLengths({ lines, bars }: OddLengths, label: string): string[] {
  const said: string[] = [];
  if (lines) {
    const named = lines.others
      .slice(0, MOST_NAMED)
      .map((one) => `line ${one.line + 1} has ${countBars(one.bars)}`);
    const more = lines.others.length - named.length;
    if (more > 0) named.push(`${more} more ${more === 1 ? "line is" : "lines are"} of other lengths`);
    said.push(`${capital(describeList(named))}; most lines here have ${countBars(lines.usual)}.`);
  }
  if (bars !== null)
    said.push(`${label} has ${bars} bars: an odd number is rare. Is a line a bar too short or too long?`);
  return said;
}
