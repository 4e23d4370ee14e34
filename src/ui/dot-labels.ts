import { formatTone, parseChord, toneName } from "@/core/chord";
import type { Fingering } from "@/core/fretboard";
import { parsePitch, pitchClassOf, semitonesUp } from "@/core/pitch";
import type { DotLabels } from "./ChordDiagram";
import { pretty } from "./pretty";

/** What stands in the dots of a diagram. */
export const DOTS = ["fingers", "notes", "intervals"] as const;
export type Dots = (typeof DOTS)[number];

/** What a bass that is no tone of the chord is to its root. */
const DEGREES = ["1", "b2", "2", "b3", "3", "4", "b5", "5", "#5", "6", "b7", "7"] as const;

/**
 * A string each: the note, or its degree in the chord; nothing for fingers, which the diagram knows.
 * @param noteOf how a note is told, by its pitch class
 */
export function dotLabels(
  dots: Dots,
  { frets, pitches }: Pick<Fingering, "frets" | "pitches">,
  symbol: string,
  noteOf: (pitchClass: number) => string,
): DotLabels | undefined {
  if (dots === "fingers") return undefined;
  const sounding = [...pitches];
  const chord = parseChord(symbol);
  const degrees = new Map<number, string>();
  if (chord.ok && chord.value.kind === "chord") {
    const { root, bass, tones } = chord.value;
    if (bass !== null) degrees.set(pitchClassOf(bass), DEGREES[semitonesUp(root, bass)]!);
    for (const tone of tones) degrees.set(pitchClassOf(toneName(tone, root)), formatTone(tone));
  }
  return frets.map((fret) => {
    if (fret === null) return null;
    const pitch = sounding.shift() ?? "";
    const midi = parsePitch(pitch);
    if (dots === "notes") return midi.ok ? noteOf(midi.value % 12) : "?";
    return pretty((midi.ok && degrees.get(midi.value % 12)) || "?");
  });
}
