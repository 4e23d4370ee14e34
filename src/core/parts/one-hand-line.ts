import type { Ticks } from "../../base";
import { inOrder, PLAIN_NOTE, type TabNote } from "../fretboard";
import type { OneHand } from "./one-hand";

/**
 * A plan of line and chords in one hand as a line of its own: every string of a chord where it is struck, and the notes between,
 * each until its string or the chord changes. Notes of the line keep what is said of them.
 * @param steps of the plan, in time
 * @param notes of the line the plan was made with, from where the section begins
 * @param end of the section, in ticks
 */
export function oneHandLine(
  { steps }: Pick<OneHand, "steps">,
  notes: readonly TabNote[],
  end: Ticks,
): TabNote[] {
  const found: TabNote[] = [];
  for (const [at, { tick, event, fingering }] of steps.entries()) {
    const later = steps.slice(at + 1);
    /** When something else happens to a string. */
    const until = (string: number): Ticks =>
      later.find(
        (step) =>
          step.tick > tick &&
          (step.event.kind === "chord" || (step.event.kind === "note" && step.event.string === string)),
      )?.tick ?? end;
    if (event.kind === "note") {
      const own = notes.find((note) => note.tick === tick && note.string === event.string);
      const ticks = Math.min(own?.ticks ?? until(event.string) - tick, until(event.string) - tick);
      found.push({ ...PLAIN_NOTE, ...own, tick, ticks, string: event.string, fret: event.fret });
      continue;
    }
    for (const [string, fret] of fingering.frets.entries()) {
      if (fret === null) continue;
      const own = notes.find((note) => note.tick === tick && note.string === string);
      found.push({ ...PLAIN_NOTE, ...own, tick, ticks: until(string) - tick, string, fret });
    }
  }
  return inOrder(found.filter(({ ticks }) => ticks > 0));
}
