import { pitchClassesOf } from "../../chord";
import { hzOf, pitchClassOf, pitchFrom } from "../../pitch";
import type { LayerSound } from "../../song/schema";
import type { ChordBeats } from "../loop-case";

/** One sound of a layer: when in its pass, in beats, how long at most, and its pitches. */
export type LayerHit = { readonly beat: number; readonly beats: number; readonly hz: readonly number[] };

/** What is known of a layer's playing besides its chords, in beats of its pass. */
export type Played = {
  /** Where its pattern strikes. */
  readonly onsets?: readonly number[];
  /** The notes of its line. */
  readonly notes?: readonly { readonly beat: number; readonly beats: number; readonly midi: number }[];
};

/** Lowest notes of each sound, MIDI. Ours, no source. */
const LOWEST = Object.freeze({ chords: 52, strum: 52, bass: 40, voice: 57 });

/**
 * What a layer sounds like, beat by beat: simply, so that one hears which layer it is and when it begins. A thump stands
 * on the first beat (of four or more on the middle one too), a clap on the others, a chop between the beats.
 */
export function hitsOf(
  plays: LayerSound,
  bars: number,
  beatsPerBar: number,
  progression: readonly ChordBeats[],
  played: Played = {},
): LayerHit[] {
  const beats = Array.from({ length: Math.round(bars * beatsPerBar) }, (_, beat) => beat);
  const isStrong = (beat: number) =>
    beat % beatsPerBar === 0 ||
    (beatsPerBar >= 4 && beatsPerBar % 2 === 0 && beat % beatsPerBar === beatsPerBar / 2);
  const dry = (list: readonly number[]): LayerHit[] => list.map((beat) => ({ beat, beats: 0.25, hz: [] }));
  switch (plays) {
    case "thump":
      return dry(beats.filter(isStrong));
    case "clap":
      return dry(beats.filter((beat) => !isStrong(beat)));
    case "chop":
      return dry(beats.map((beat) => beat + 0.5));
    case "line":
      if (played.notes && played.notes.length > 0)
        return played.notes.map(({ beat, beats: lasts, midi }) => ({ beat, beats: lasts, hz: [hzOf(midi)] }));
      return onChords(progression, beats, (chord) => [pitchFrom(LOWEST.voice, chord[0]!)]);
    case "thumb bass":
      return onChords(progression, beats, (chord) => [pitchFrom(LOWEST.bass, chord[0]!)]);
    case "voice":
      return onChords(progression, chordStarts(progression), (chord) => [pitchFrom(LOWEST.voice, chord[0]!)]);
    case "strum":
      return onChords(progression, played.onsets ?? beats, (chord) =>
        chord.map((tone) => pitchFrom(LOWEST.strum, tone)),
      );
    case "chords":
      return onChords(progression, chordStarts(progression), (chord) =>
        chord.map((tone) => pitchFrom(LOWEST.chords, tone)),
      );
  }
}

function chordStarts(progression: readonly ChordBeats[]): number[] {
  const starts: number[] = [];
  let beat = 0;
  for (const { beats } of progression) {
    starts.push(beat);
    beat += beats;
  }
  return starts.length > 0 ? starts : [0];
}

/** Hits at some beats with the pitches of the chord there; pitch classes begin with the root. */
function onChords(
  progression: readonly ChordBeats[],
  at: readonly number[],
  pitches: (classes: readonly number[]) => readonly number[],
): LayerHit[] {
  const ends = chordStarts(progression).map((start, index) => start + (progression[index]?.beats ?? 0));
  return at.flatMap((beat, index): LayerHit[] => {
    const here = ends.findIndex((end) => beat < end - 1e-9);
    const chord = progression[here]?.chord;
    if (progression.length > 0 && chord?.kind !== "chord") return [];
    const root = chord?.kind === "chord" ? pitchClassOf(chord.root) : 0;
    const classes =
      chord?.kind === "chord" ? [root, ...pitchClassesOf(chord).filter((one) => one !== root)] : [0];
    const until = Math.min(at[index + 1] ?? Number.POSITIVE_INFINITY, ends[here] ?? beat + 1);
    return [{ beat, beats: Math.max(0.125, until - beat), hz: pitches(classes).map(hzOf) }];
  });
}
