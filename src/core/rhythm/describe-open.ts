import type { Ticks } from "../../base";
import type { LengthFix, OpenSection, TimedChord } from "./bars";
import { beatsOfTicks, countBeats, formatBeats } from "./beats";

export type SaidFix = LengthFix & { readonly words: string };

/**
 * The sentence for a section that does not close, and an offer in words for each fix.
 * @example "The section ends 3 beats into a bar of 4: 1 beat is missing."
 */
export function describeOpenSection(
  open: OpenSection,
  lines: readonly (readonly TimedChord[])[],
  bar: Ticks,
  beatUnit: string,
): { message: string; fixes: SaidFix[] } {
  const beats = (ticks: Ticks) => beatsOfTicks(ticks, beatUnit);
  const missing = countBeats(beats(open.missing));
  const message = `The section ends ${countBeats(beats(open.over))} into a bar of ${formatBeats(beats(bar))}: ${missing} ${
    beats(open.missing) === 1 ? "is" : "are"
  } missing, or ${formatBeats(beats(open.over))} too many.`;
  const fixes = open.fixes.map((fix) => {
    const line = lines[fix.line]!.map((chord, at) =>
      at === fix.at ? { ...chord, ticks: fix.ticks } : chord,
    );
    const total = line.reduce((sum, chord) => sum + chord.ticks, 0);
    const names = line.map((chord) => `${chord.symbol} ${formatBeats(beats(chord.ticks))}`).join(", ");
    const bars = total / bar;
    const whole = Number.isInteger(bars) ? `, ${bars === 1 ? "1 bar" : `${bars} bars`}` : "";
    return { ...fix, words: `Line ${fix.line + 1}: ${names}: ${countBeats(beats(total))}${whole}` };
  });
  return { message, fixes };
}
