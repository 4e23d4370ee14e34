import type { SoundChannel } from "./channels";
import { inTime, type SoundEvent, type SoundScore } from "./score";

/** Controllers of the MIDI standard (1.0): volume, pan, expression, and the registered parameter that says how far a bend goes. */
const CONTROL = Object.freeze({
  volume: 7,
  pan: 10,
  expression: 11,
  data: 6,
  parameterLow: 100,
  parameterHigh: 101,
} as const);
type Control = (typeof CONTROL)[keyof typeof CONTROL];
/** As much of a synthesizer as a score needs. */
export type Synth = {
  readonly midiChannels: { readonly length: number };
  readonly createMIDIChannel: () => void;
  /** Every channel as it is by itself. */
  readonly reset: () => void;
  readonly programChange: (channel: number, program: number) => void;
  readonly controllerChange: (channel: number, controller: Control, value: number) => void;
  readonly pitchWheel: (channel: number, value: number, key: number) => void;
  readonly noteOn: (channel: number, key: number, velocity: number) => void;
  readonly noteOff: (channel: number, key: number) => void;
  /** Adds sound to both sides, from a place on, so many samples. */
  readonly process: (left: Float32Array, right: Float32Array, from: number, samples: number) => void;
};

/** How loud a part is (0 is silent, 1 as it is played), and where it stands: -1 left, 1 right. */
type PartMix = { readonly gain: number; readonly pan: number };
export type Mix = readonly PartMix[];

/** So many samples are made at once, at most. */
const BLOCK = 128;

/** The volume a channel has by itself (General MIDI 1). */
const USUAL_VOLUME = 100;
/** A bend goes so many semitones either way. */
const BEND_RANGE = 24;
const STRAIGHT = 8192;

/** Plays a score on a synthesizer, each event at its own sample: blocks are cut where something begins or ends. */
export class ScorePlayer {
  private events: readonly SoundEvent[];
  private next = 0;
  private played = 0;
  /** When each key that sounds was begun, and keys that are bent. */
  private readonly begun = new Map<string, number>();
  private readonly bent = new Set<string>();
  private readonly channels: readonly SoundChannel[];

  /** @param rate samples a second */
  constructor(
    private readonly synth: Synth,
    { channels, events }: SoundScore,
    private readonly rate: number,
    mix: Mix = [],
  ) {
    this.events = events;
    this.channels = channels;
    const most = Math.max(-1, ...channels.map(({ channel }) => channel));
    while (synth.midiChannels.length <= most) synth.createMIDIChannel();
    synth.reset();
    for (const { channel, program } of channels) {
      if (program !== null) synth.programChange(channel, program);
      synth.controllerChange(channel, CONTROL.parameterHigh, 0);
      synth.controllerChange(channel, CONTROL.parameterLow, 0);
      synth.controllerChange(channel, CONTROL.data, BEND_RANGE);
    }
    this.mix(mix);
  }

  /** Whether all of it has begun and ended. */
  get isOver(): boolean {
    return this.next >= this.events.length;
  }

  /** Takes up what comes later, in any order of time. */
  add(events: readonly SoundEvent[]): void {
    this.events = inTime([...this.events.slice(this.next), ...events]);
    this.next = 0;
  }

  /** How loud each part is, and where it stands; at once. */
  mix(mix: Mix): void {
    for (const { channel, part, loudest = 1 } of this.channels) {
      const { gain, pan } = mix[part] ?? { gain: 1, pan: 0 };
      const volume = Math.round(Math.min(127, USUAL_VOLUME * Math.sqrt(gain * loudest)));
      this.synth.controllerChange(channel, CONTROL.volume, volume);
      this.synth.controllerChange(channel, CONTROL.pan, Math.round(64 + 63 * pan));
    }
  }

  /** Adds the samples that come next to both sides. */
  render(left: Float32Array, right: Float32Array): void {
    let at = 0;
    while (at < left.length) {
      this.due();
      const event = this.events[this.next];
      const toEvent = event ? this.sampleOf(event) - this.played : BLOCK;
      const samples = Math.min(BLOCK, left.length - at, toEvent);
      this.synth.process(left, right, at, samples);
      at += samples;
      this.played += samples;
    }
  }

  private sampleOf({ ms }: SoundEvent): number {
    return Math.round((ms / 1000) * this.rate);
  }

  private due(): void {
    for (;;) {
      const event = this.events[this.next];
      if (!event || this.sampleOf(event) > this.played) return;
      this.next++;
      this.tell(event);
    }
  }

  private tell(event: SoundEvent): void {
    const { channel } = event;
    if (event.type === "level") {
      const { loudest = 1 } = this.channels.find((one) => one.channel === channel) ?? {};
      // A channel gets as loud as the square of its expression (General MIDI 2, recommended response).
      const value = Math.round(127 * Math.sqrt(Math.min(1, event.gain / loudest)));
      this.synth.controllerChange(channel, CONTROL.expression, value);
      return;
    }
    const { key } = event;
    const name = `${channel} ${key}`;
    switch (event.type) {
      case "on":
        if (this.bent.delete(name)) this.synth.pitchWheel(channel, STRAIGHT, key);
        this.begun.set(name, event.ms);
        this.synth.noteOn(channel, key, event.velocity);
        return;
      case "off":
        // Struck again meanwhile, it goes on.
        if ((this.begun.get(name) ?? event.of) <= event.of) this.synth.noteOff(channel, key);
        return;
      case "bend": {
        this.bent.add(name);
        const value = Math.round(STRAIGHT + (event.semitones / BEND_RANGE) * STRAIGHT);
        this.synth.pitchWheel(channel, Math.min(2 * STRAIGHT - 1, Math.max(0, value)), key);
      }
    }
  }
}
