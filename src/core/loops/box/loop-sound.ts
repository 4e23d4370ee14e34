import type { LayerSound } from "../../song/schema";
import type { LoopCase } from "../loop-case";
import { runsOf, sectionBeats } from "../track-runs";
import type { LoopWay } from "../way";
import { amplitudeOf } from "./levels";

/** A sound at its moment: seconds from the start of the song; it is cut at `until`. */
export type SoundEvent = {
  readonly seconds: number;
  readonly until: number;
  readonly plays: LayerSound | "count";
  readonly hz: readonly number[];
  /** Amplitude of its peak, 0 to 1. */
  readonly gain: number;
};

/** One sound of a layer. */
export type LayerHit = {
  /** When in its pass, in beats, and how long at most. */
  readonly beat: number;
  readonly beats: number;
  /** Its pitches; none of what is knocked or damped. */
  readonly hz: readonly number[];
  /** How much of the layer's level it has, 0 to 1. */
  readonly share: number;
};

/** One layer as it is heard. */
export type HeardLayer = {
  readonly id: string;
  readonly plays: LayerSound;
  readonly hits: readonly LayerHit[];
  readonly level: number;
};

/**
 * Everything a plan sounds like, in the order it begins: each run of a track goes round from the moment it starts and is
 * cut where it stops; one that was only muted comes in where it is.
 */
export function eventsOf(
  asked: LoopCase,
  way: Pick<LoopWay, "tracks" | "presses">,
  layers: readonly HeardLayer[],
): SoundEvent[] {
  const starts = sectionBeats(asked);
  const beat = 60 / asked.tempo;
  const heard = new Map(layers.map((layer) => [layer.id, layer]));
  const bars = new Map(asked.layers.map((layer) => [layer.id, layer.bars]));
  const events: SoundEvent[] = [];
  for (const { track, from, to, since } of runsOf(asked, way)) {
    const [start, end] = [starts[from]!, starts[to]!];
    for (const id of way.tracks[track]!) {
      const layer = heard.get(id);
      const length = bars.get(id)! * asked.beatsPerBar;
      if (!layer || length <= 0) continue;
      const gone = Math.floor((start - starts[since]!) / length + 1e-9) * length;
      for (let pass = starts[since]! + gone; pass < end - 1e-9; pass += length)
        for (const hit of layer.hits) {
          const at = pass + hit.beat;
          if (at >= end - 1e-9 || at < start - 1e-9) continue;
          const until = Math.min(end, at + hit.beats) * beat;
          events.push({
            seconds: at * beat,
            until,
            ...soundOfHit(layer, hit),
          });
        }
    }
  }
  return events.sort((a, b) => a.seconds - b.seconds);
}

/** What is rendered of a hit: damped strings of any layer are a chop. */
export const soundOfHit = (
  { plays, level }: Pick<HeardLayer, "plays" | "level">,
  { hz, share }: Pick<LayerHit, "hz" | "share">,
): Pick<SoundEvent, "plays" | "hz" | "gain"> => ({
  plays: hz.length > 0 || plays === "thump" || plays === "clap" ? plays : "chop",
  hz,
  gain: amplitudeOf(level) * share,
});

/** How long each sound rings by itself, seconds to a thousandth. Ours, no source. */
const DECAY: Readonly<Record<SoundEvent["plays"], number>> = Object.freeze({
  thump: 0.16,
  chop: 0.05,
  clap: 0.09,
  "thumb bass": 0.9,
  line: 0.8,
  strum: 0.7,
  chords: 2.2,
  voice: 4,
  count: 0.04,
});

/** A noise that is the same each time. */
function noiseFrom(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 31 - 1;
  };
}

/** Longest a sound may be rendered, s. */
const LONGEST = 8;

/**
 * The samples of one sound, mono, beginning with its attack at sample 0. The same samples are played live and written to
 * files.
 */
export function renderSound(
  event: Pick<SoundEvent, "plays" | "hz" | "gain"> & { readonly lasts: number },
  rate: number,
): Float32Array {
  const { plays, hz, gain, lasts } = event;
  const decay = DECAY[plays];
  const seconds = Math.min(LONGEST, lasts, decay);
  const samples = new Float32Array(Math.max(1, Math.round(seconds * rate)));
  const noise = noiseFrom(plays.length * 7919 + 1);
  const tones = hz.length > 0 ? hz : [plays === "thump" ? 70 : plays === "count" ? 1200 : 0];
  const isNoise = plays === "clap" || plays === "chop";
  const fade = Math.min(samples.length, Math.round(0.004 * rate));
  for (let at = 0; at < samples.length; at++) {
    const t = at / rate;
    const body = Math.exp((-6.9 * t) / decay);
    // A cosine begins at its peak: the attack is in the first sample.
    const tone = isNoise
      ? noise()
      : tones.reduce(
          (sum, one) => sum + Math.cos(2 * Math.PI * one * t) + 0.4 * Math.cos(4 * Math.PI * one * t),
          0,
        ) /
        (1.4 * tones.length);
    const end = samples.length - at;
    samples[at] = gain * body * tone * (end < fade ? end / fade : 1);
  }
  return samples;
}

/** Mixes events into one stretch of samples, mono. */
export function mixEvents(events: readonly SoundEvent[], seconds: number, rate: number): Float32Array {
  const mixed = new Float32Array(Math.ceil(seconds * rate));
  const known = new Map<string, Float32Array>();
  for (const event of events) {
    const lasts = Math.round((event.until - event.seconds) * 1e4) / 1e4;
    const key = `${event.plays} ${event.hz.join()} ${event.gain} ${lasts}`;
    const sound = known.get(key) ?? renderSound({ ...event, lasts }, rate);
    known.set(key, sound);
    const start = Math.round(event.seconds * rate);
    const end = Math.min(sound.length, mixed.length - start);
    for (let at = 0; at < end; at++) mixed[start + at]! += sound[at]!;
  }
  return mixed;
}

/** As loud as a file is at its loudest: a tenth is left for whoever plays it louder. */
const LOUDEST = 0.9;

/**
 * Samples as loud as a file can hold them: what is too loud somewhere is softer all through, so that nothing is cut off.
 * @example withinScale(Float32Array.of(0.5, -1.8)) // => 0.25, -0.9
 */
export function withinScale(samples: Float32Array): Float32Array {
  let most = 0;
  for (const sample of samples) most = Math.max(most, Math.abs(sample));
  return most <= LOUDEST ? samples : samples.map((sample) => (sample * LOUDEST) / most);
}

/** Samples as a WAV file: 16 bit PCM, mono, little endian (RIFF WAVE). Louder than full scale is held at full scale. */
export function wavOf(samples: Float32Array, rate: number): Uint8Array {
  const bytes = new Uint8Array(44 + samples.length * 2);
  const view = new DataView(bytes.buffer);
  const text = (at: number, word: string) => {
    for (let index = 0; index < word.length; index++) view.setUint8(at + index, word.charCodeAt(index));
  };
  text(0, "RIFF");
  view.setUint32(4, 36 + samples.length * 2, true);
  text(8, "WAVEfmt ");
  view.setUint32(16, 16, true);
  view.setUint16(20, 1, true);
  view.setUint16(22, 1, true);
  view.setUint32(24, rate, true);
  view.setUint32(28, rate * 2, true);
  view.setUint16(32, 2, true);
  view.setUint16(34, 16, true);
  text(36, "data");
  view.setUint32(40, samples.length * 2, true);
  for (let at = 0; at < samples.length; at++)
    view.setInt16(44 + at * 2, Math.round(Math.max(-1, Math.min(1, samples[at]!)) * 32767), true);
  return bytes;
}
