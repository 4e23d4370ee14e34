import type { Ticks } from "../../../base";
import { type Chord, pitchClassesOf } from "../../chord";
import { heardPitch, type LineNeck, type TabNote } from "./note";

/** How a note lies to the chord under it and the scale around it. */
export type NoteFit = "chord" | "scale" | "outside" | "between" | "none";

/** A chord of the section under a line, in the line's own ticks. */
export type ChordUnder = { readonly tick: Ticks; readonly ticks: Ticks; readonly chord: Chord };

/**
 * How each note fits: a tone of the chord that sounds then, else of the scale, else outside both; "between" is a bend
 * to a quarter tone, "none" a dead note, a string the neck doesn't have, or a place where no chord is.
 * @param scale pitch classes of the section's scale
 */
export function fitsOf(
  notes: readonly TabNote[],
  neck: LineNeck,
  chords: readonly ChordUnder[],
  scale: ReadonlySet<number>,
): readonly NoteFit[] {
  return notes.map((note) => {
    const pitch = heardPitch(note, neck);
    if (pitch === null) return "none";
    if (!Number.isInteger(pitch)) return "between";
    const under = chords.find(({ tick, ticks }) => note.tick >= tick && note.tick < tick + ticks)?.chord;
    if (!under || under.kind === "none") return scale.has(pitch % 12) ? "scale" : "none";
    if (pitchClassesOf(under).includes(pitch % 12)) return "chord";
    return scale.has(pitch % 12) ? "scale" : "outside";
  });
}
