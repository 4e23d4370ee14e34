import { parsePitch } from "../pitch";
import type { ShapePlan } from "./shape-plan";

/** How two guitars lie to each other over one chord. */
type ChordPair = {
  readonly symbol: string;
  readonly beats: number;
  readonly a: readonly string[];
  readonly b: readonly string[];
  /** Pitches both sound. */
  readonly shared: readonly string[];
  /** Semitones from the middle of the one to the middle of the other. */
  readonly apart: number;
};

export type GuitarComparison = {
  readonly chords: readonly ChordPair[];
  /** Semitones the second guitar lies above the first on the mean, by beats; below, negative. */
  readonly higher: number;
  /** Semitones apart on the mean, whichever way. */
  readonly apart: number;
  /** Share of the sounding pitches, by beats, that both sound. */
  readonly doubled: number;
};

const midiOf = (text: string): number => {
  const pitch = parsePitch(text);
  return pitch.ok ? pitch.value : 0;
};
const mean = (pitches: readonly string[]): number =>
  pitches.reduce((sum, pitch) => sum + midiOf(pitch), 0) / Math.max(1, pitches.length);
const round = (value: number): number => Math.round(value * 10) / 10;

/** Every chord of a plan once: what sounds, and for how long. The first shape of a chord counts. */
function soundsOf(
  plan: ShapePlan,
): Map<string, { readonly pitches: readonly string[]; readonly beats: number }> {
  const sounds = new Map<string, { pitches: readonly string[]; beats: number }>();
  for (const { run, path } of plan.runs) {
    for (const [index, { symbol, beats }] of run.events.entries()) {
      const known = sounds.get(symbol);
      sounds.set(symbol, {
        pitches: known?.pitches ?? path[index]!.pitches,
        beats: (known?.beats ?? 0) + beats,
      });
    }
  }
  return sounds;
}

/**
 * How far apart two guitars sound over the chords both play, and where they are one guitar twice: pitches both sound,
 * as a share of all that either sounds.
 */
export function compareGuitars(a: ShapePlan, b: ShapePlan): GuitarComparison {
  const [ours, theirs] = [soundsOf(a), soundsOf(b)];
  const chords = [...ours].flatMap(([symbol, { pitches, beats }]): ChordPair[] => {
    const other = theirs.get(symbol);
    if (!other || pitches.length === 0 || other.pitches.length === 0) return [];
    const classes = new Set(other.pitches.map(midiOf));
    return [
      {
        symbol,
        beats: Math.min(beats, other.beats),
        a: pitches,
        b: other.pitches,
        shared: pitches.filter((pitch) => classes.has(midiOf(pitch))),
        apart: round(mean(other.pitches) - mean(pitches)),
      },
    ];
  });
  const beats = chords.reduce((sum, one) => sum + one.beats, 0) || 1;
  const weighed = (value: (one: ChordPair) => number) =>
    chords.reduce((sum, one) => sum + value(one) * one.beats, 0) / beats;
  return {
    chords,
    higher: round(weighed((one) => one.apart)),
    apart: round(weighed((one) => Math.abs(one.apart))),
    doubled:
      Math.round(
        weighed((one) => one.shared.length / new Set([...one.a, ...one.b].map(midiOf)).size) * 1000,
      ) / 1000,
  };
}
