import { layOut, MARKS, plainLayout, type TimedLine } from "./lay-out";
import type { LaidLine, Round } from "./layout";
import type { OutlineException, OutlineSection } from "./outline";
import { shiftChords } from "./shift-chords";

/** A time through a section that is neither its first nor its last. */
const ANY_TIME: Round = Object.freeze({ round: 0, last: true, next: null, time: 1, lastTime: false });

/**
 * A section by itself as it is played every time: its own lines, with what it says of its chords each time.
 * @param shared what the section says
 */
export function sketchOf(section: OutlineSection, shared: readonly OutlineException[]): readonly TimedLine[] {
  const marks = shared.filter(({ exception }) => exception.times === "every" && MARKS.has(exception.kind));
  if (marks.length === 0) return plainLayout(section).lines;
  const laid = section.lines.map(
    (outline): LaidLine => ({ outline, origin: "section", slot: outline.line.id }),
  );
  const { lines } = layOut(laid, marks, ANY_TIME);
  return shiftChords([{ lines, turn: ANY_TIME }], () => marks)[0]!.lines;
}
