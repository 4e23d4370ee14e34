import { type Midi, modulo, type Ticks } from "../../../base";
import { pitchClassesOf } from "../../chord";
import { pitchClassOf, pitchFrom } from "../../pitch";
import type { ChordUnder } from "./judge-line";
import { PLAIN_NOTE, type TabNote } from "./note";
import { type PlaceOptions, placeLine } from "./place-line";

/** Ways to draw a bass line up from the chords, the plainest first. */
export const BASS_WAYS = ["roots", "root and fifth", "walk", "octave"] as const;
export type BassWay = (typeof BASS_WAYS)[number];

/** The highest a first note may lie above the lowest open string: an octave. */
const WITHIN = 12;

/**
 * A bass line drawn up from the chords as a start: the slash bass, else the root, on each chord; with the fifth by turns
 * on half the bar; with steps to the next chord's bass on the last beats; or with the octave above on every other beat.
 * @param beat ticks of a beat
 * @returns the line on the neck, or null where the neck has no place for it
 */
export function bassLine(
  chords: readonly ChordUnder[],
  way: BassWay,
  beat: Ticks,
  scale: ReadonlySet<number>,
  options: PlaceOptions,
): readonly TabNote[] | null {
  const { neck } = options;
  const lowest = Math.min(...neck.tuning) + neck.capo;
  const sounding = chords.flatMap(({ tick, ticks, chord }) =>
    chord.kind === "none" ? [] : [{ tick, ticks, chord, bass: pitchClassOf(chord.bass ?? chord.root) }],
  );
  const low = (pitchClass: number): Midi => pitchFrom(lowest, pitchClass);
  const made: { readonly tick: Ticks; readonly ticks: Ticks; readonly pitch: Midi }[] = [];
  for (const [at, { tick, ticks, chord, bass }] of sounding.entries()) {
    const root = low(bass);
    const put = (from: Ticks, length: Ticks, pitch: Midi) =>
      made.push({ tick: tick + from, ticks: length, pitch });
    const beats = Math.max(1, Math.floor(ticks / beat));
    switch (way) {
      case "roots":
        put(0, ticks, root);
        break;
      case "root and fifth": {
        const classes = pitchClassesOf(chord);
        const fifth = [7, 6, 8]
          .map((up) => (pitchClassOf(chord.root) + up) % 12)
          .find((one) => classes.includes(one));
        for (let from = 0; from < ticks; from += 2 * beat)
          put(
            from,
            Math.min(2 * beat, ticks - from),
            (from / (2 * beat)) % 2 === 1 && fifth !== undefined ? low(fifth) : root,
          );
        break;
      }
      case "octave":
        for (let from = 0; from < ticks; from += beat)
          put(from, Math.min(beat, ticks - from), root + ((from / beat) % 2 === 1 ? WITHIN : 0));
        break;
      case "walk": {
        const next = sounding[at + 1];
        const steps = next ? stepsTo(root, low(next.bass), scale).slice(-(beats - 1)) : [];
        const walking = beats > 1 ? steps : [];
        put(0, ticks - walking.length * beat, root);
        for (const [step, pitch] of walking.entries())
          put(ticks - (walking.length - step) * beat, beat, pitch);
        break;
      }
    }
  }
  const notes = made.map(({ tick, ticks }): TabNote => ({ ...PLAIN_NOTE, tick, ticks, string: 0, fret: 0 }));
  const placed = placeLine(
    notes,
    made.map(({ pitch }) => pitch),
    options,
  );
  return placed.ok ? placed.value.notes : null;
}

/** Notes of the scale strictly between two pitches, in the direction of the second. */
function stepsTo(from: Midi, to: Midi, scale: ReadonlySet<number>): Midi[] {
  const direction = Math.sign(to - from);
  const steps: Midi[] = [];
  for (let pitch = from + direction; direction !== 0 && pitch !== to; pitch += direction)
    if (scale.has(modulo(pitch, 12))) steps.push(pitch);
  return steps;
}
