import type { Ticks } from "../../../base";

/** A note of a sung line, where it sounds in the key the song is written in. */
export type MelodyNote = {
  /** From the beginning of the section, its pickup counted. */
  readonly tick: Ticks;
  readonly ticks: Ticks;
  /** MIDI: 60 is C4. */
  readonly pitch: number;
};

/**
 * One note after the other, as a voice sings: of several at once the highest, each ended where the next begins; notes that no
 * pitch or length can be made of are passed over.
 */
export function oneVoice<Note extends MelodyNote>(notes: readonly Note[]): Note[] {
  const sound = notes.filter(
    ({ tick, ticks, pitch }) =>
      tick >= 0 && ticks > 0 && Number.isInteger(pitch) && pitch >= 0 && pitch <= 127,
  );
  const sung: Note[] = [];
  for (const note of sound.toSorted((a, b) => a.tick - b.tick || b.pitch - a.pitch)) {
    const last = sung.at(-1);
    if (last?.tick === note.tick) continue;
    if (last && last.tick + last.ticks > note.tick)
      sung[sung.length - 1] = { ...last, ticks: note.tick - last.tick };
    sung.push(note);
  }
  return sung;
}

/** Lowest and highest pitch; null without notes. */
export const rangeOfMelody = (notes: readonly MelodyNote[]): [number, number] | null =>
  notes.length === 0
    ? null
    : [Math.min(...notes.map(({ pitch }) => pitch)), Math.max(...notes.map(({ pitch }) => pitch))];

/** A melody as a row of the song keeps it. @example writeMelody([{ tick: 0, ticks: 960, pitch: 67 }]) // => "0 960 67" */
export const writeMelody = (notes: readonly MelodyNote[]): string =>
  notes.map(({ tick, ticks, pitch }) => `${tick} ${ticks} ${pitch}`).join(",");

/** Reads what {@link writeMelody} writes; what is no note is passed over. */
export function readMelody(text: string): MelodyNote[] {
  return text.split(",").flatMap((one): MelodyNote[] => {
    const match = /^(\d{1,9}) (\d{1,9}) (\d{1,3})$/u.exec(one);
    const [tick, ticks, pitch] = (match?.slice(1) ?? []).map(Number);
    return tick === undefined || !ticks || pitch === undefined || pitch > 127 ? [] : [{ tick, ticks, pitch }];
  });
}
