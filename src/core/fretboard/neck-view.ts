import type { Fret } from "../../base";
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
import type { Level } from "./level";
import { betweenFretsMm, GUITAR_SCALE_MM } from "./neck";

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

/** A place on the neck where a scale lies under one hand: two of its notes on each string. */
export type ScaleBox = {
  readonly scale: ScaleName;
  /** The lowest and highest fret, from the capo; 0 is open. */
  readonly from: Fret;
  readonly to: Fret;
  readonly places: readonly NeckPlace[];
  /** From its lowest fretted note to its highest, mm. */
  readonly stretchMm: number;
};

/** Two notes of a scale of five on each string make a box. */
const NOTES_A_STRING = 2;
/** From its lowest fret to its highest a box spans so many at most: more is no one place. */
const WIDEST_BOX = 4;
/** The highest fret of a box: farther up there is little room, and acoustic bodies begin. Ours, no source. */
const HIGHEST_BOX = 17;

/**
 * The pentatonic boxes of a key, one from each of its five notes on the string nearest the face, lowest first: two notes
 * a string, each string going on where the last one ended.
 * @returns those that lie on the neck; none where strings are too far apart for one hand
 */
export function pentatonicBoxes(
  key: Key,
  neck: { readonly tuning: Tuning; readonly capo: number; readonly scaleMm?: number },
): ScaleBox[] {
  const { tuning, capo, scaleMm = GUITAR_SCALE_MM } = neck;
  const scale: ScaleName = key.mode === "minor" ? "minor pentatonic" : "major pentatonic";
  const wanted = notesOfScale(key, scale);
  const all = neckPlaces(wanted, { tuning, capo, frets: HIGHEST_BOX });
  const open = tuning.map((pitch) => pitch + capo);
  const pitches = [...new Set(all.map((place) => open[place.string]! + place.fret))].sort((a, b) => a - b);
  const placeOf = new Map(all.map((place) => [`${place.string} ${open[place.string]! + place.fret}`, place]));
  const found = new Map<string, ScaleBox>();
  for (const start of all.filter((place) => place.string === 0)) {
    const first = pitches.indexOf(open[0]! + start.fret);
    const places = tuning.flatMap((_, string) =>
      Array.from(
        { length: NOTES_A_STRING },
        (__, at) => pitches[first + string * NOTES_A_STRING + at],
      ).flatMap((pitch) => placeOf.get(`${string} ${pitch}`) ?? []),
    );
    // A note that lies below an open string leaves a gap: the same box an octave up has none.
    if (places.length < tuning.length * NOTES_A_STRING || found.has(start.degree)) continue;
    const frets = places.map(({ fret }) => fret);
    const [from, to] = [Math.min(...frets), Math.max(...frets)];
    if (to - from > WIDEST_BOX) continue;
    const low = Math.min(to, ...frets.filter((fret) => fret > 0));
    found.set(start.degree, {
      scale,
      from,
      to,
      places,
      stretchMm: betweenFretsMm(low, to, capo, scaleMm),
    });
  }
  return [...found.values()].sort((a, b) => a.from - b.from);
}

/** How far a hand plays along without moving, mm. Ours, no source. */
const EASY_STRETCH_MM: Readonly<Record<Level, number>> = Object.freeze({
  beginner: 85,
  steady: 100,
  fluent: 120,
});

/** The box that suits a hand: the lowest it spans without a stretch, or else the one with the least. */
export const boxForHand = (boxes: readonly ScaleBox[], level: Level): ScaleBox | null =>
  boxes.find(({ stretchMm }) => stretchMm <= EASY_STRETCH_MM[level]) ??
  [...boxes].sort((a, b) => a.stretchMm - b.stretchMm)[0] ??
  null;
