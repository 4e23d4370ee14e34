import type { Ticks } from "../../../base";
import { type Meter, onsetsOf, type Pattern, readPattern, ticksOfBar, ticksOfPattern } from "../../rhythm";
import type { StrumRow } from "../../song/schema";

type PatternRow = Pick<StrumRow, "meterBeats" | "meterUnit" | "subdivision" | "swing" | "pattern" | "kind">;

/** Rows never change: each is read once. */
const known = new WeakMap<PatternRow, Pattern | null>();

/** The pattern of a row of the document, or null where it can't be read: it is kept as typed. */
export function patternOfRow(row: PatternRow): Pattern | null {
  const before = known.get(row);
  if (before !== undefined) return before;
  const { meterBeats, meterUnit, subdivision, swing, pattern: text, kind } = row;
  const read = readPattern({
    meter: { beats: meterBeats, unit: meterUnit },
    subdivision,
    swing,
    text,
    kind,
  });
  const pattern = read.ok ? read.value : null;
  known.set(row, pattern);
  return pattern;
}

/** Where a pattern strikes in one bar: a shorter one comes round again, of a longer one all its bars lie over another. */
export function onsetsInBar(pattern: Pattern, meter: Meter): readonly Ticks[] {
  const [bar, length, onsets] = [ticksOfBar(meter), ticksOfPattern(pattern), onsetsOf(pattern)];
  const rounds = Math.max(1, Math.ceil(bar / length));
  const all = Array.from({ length: rounds }, (_, round) =>
    onsets.map((tick) => (tick + round * length) % bar),
  ).flat();
  return [...new Set(all)].sort((a, b) => a - b);
}
