import type { Ticks } from "../../../base";
import type { OutlineLine } from "../read/outline";
import type { VersionCommand } from "./edits";
import { batch, set } from "./makers";

/** New lengths for the chords of a line. */
export type LineBeats = { readonly line: OutlineLine; readonly ticks: readonly Ticks[] };

/**
 * Sets the beats of whole lines in one step; they are no guesses after. A line with another number of chords is left alone.
 * @returns null where nothing would change
 */
export function setBeats(rows: readonly LineBeats[], label = "Set the beats"): VersionCommand | null {
  const steps = rows.flatMap(({ line, ticks }) =>
    line.chords.length !== ticks.length
      ? []
      : line.chords.flatMap(({ chord }, at) =>
          chord.ticks === ticks[at] && !chord.guessed
            ? []
            : [set("chords", chord.id, { ticks: ticks[at]!, guessed: false })],
        ),
  );
  return steps.length === 0 ? null : batch(label, steps);
}
