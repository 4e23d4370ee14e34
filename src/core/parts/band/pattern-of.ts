import type { Ticks } from "../../base";
import { type Meter, onsetsOf, type Pattern, readPattern, ticksOfBar, ticksOfPattern } from "../../rhythm";
import type { StrumRow } from "../../song";

/** The pattern of a row of the document, or null where it can't be read: it is kept as typed. */
export function patternOfRow(
  row: Pick<StrumRow, "meterBeats" | "meterUnit" | "subdivision" | "swing" | "pattern" | "kind">,
): Pattern | null {
  const { meterBeats, meterUnit, subdivision, swing, pattern, kind } = row;
  const read = readPattern({
    meter: { beats: meterBeats, unit: meterUnit },
    subdivision,
    swing,
    text: pattern,
    kind,
  });
  return read.ok ? read.value : null;
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
