import { type Chord, formatTone, toneName } from "../chord";
import {
  formatNoteName,
  type Key,
  type NoteName,
  pitchClassOf,
  type ScaleName,
  scaleNotes,
  type Tuning,
} from "../pitch";

/** A note a chord or scale has: how it is spelled and what degree it is. */
export type WantedNote = { readonly name: NoteName; readonly degree: string };

/** A place on the neck that gives one. */
export type NeckPlace = {
  readonly string: number;
  readonly fret: number;
  /** Letter name. */
  readonly note: string;
  readonly degree: string;
  readonly isRoot: boolean;
};

export const notesOfScale = (key: Key, scale: ScaleName): WantedNote[] => scaleNotes(key.tonic, scale);

export const notesOfChord = (chord: Chord): WantedNote[] =>
  chord.kind === "none"
    ? []
    : chord.tones.map((tone) => ({ name: toneName(tone, chord.root), degree: formatTone(tone) }));

/**
 * Every place of some notes on a neck, frets counted from the capo, string by string.
 * @example neckPlaces(notesOfChord(C), { tuning, capo: 0, frets: 3 }).filter((place) => place.string === 1).map((place) => place.fret) // => [3]
 */
export function neckPlaces(
  notes: readonly WantedNote[],
  neck: { readonly tuning: Tuning; readonly capo: number; readonly frets: number },
): NeckPlace[] {
  const byClass = new Map(notes.map((note) => [pitchClassOf(note.name), note]));
  return neck.tuning.flatMap((open, string) =>
    Array.from({ length: neck.frets + 1 }, (_, fret) => fret).flatMap((fret): NeckPlace[] => {
      const note = byClass.get((open + neck.capo + fret) % 12);
      if (!note) return [];
      return [
        { string, fret, note: formatNoteName(note.name), degree: note.degree, isRoot: note.degree === "1" },
      ];
    }),
  );
}

/** How many frets a box spans. */
const BOX_FRETS = 4;
const OCTAVE = 12;

/**
 * The pentatonic box of a key: the scale's places within one hand's stretch, where the minor tonic (of a major key,
 * its relative's) lies on the string nearest the face.
 * @returns the places, and the frets they lie between
 */
export function pentatonicBox(
  key: Key,
  neck: { readonly tuning: Tuning; readonly capo: number },
): {
  readonly scale: ScaleName;
  readonly from: number;
  readonly to: number;
  readonly places: readonly NeckPlace[];
} {
  const scale: ScaleName = key.mode === "minor" ? "minor pentatonic" : "major pentatonic";
  const minorTonic = key.mode === "minor" ? key.tonic : key.tonic + 3;
  const from = (pitchClassOf(minorTonic) - ((neck.tuning[0]! + neck.capo) % OCTAVE) + OCTAVE) % OCTAVE;
  const to = from + BOX_FRETS - 1;
  const places = neckPlaces(notesOfScale(key, scale), { ...neck, frets: to }).filter(
    ({ fret }) => fret >= from,
  );
  return { scale, from, to, places };
}
