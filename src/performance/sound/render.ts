import type { SoundEvent, SoundScore } from "./score";

/** As much of a synthesizer as a score needs. */
export type Synth = {
  readonly programChange: (channel: number, program: number) => void;
  readonly noteOn: (channel: number, key: number, velocity: number) => void;
  readonly noteOff: (channel: number, key: number) => void;
  /** Adds sound to both sides, from a place on, so many samples. */
  readonly process: (left: Float32Array, right: Float32Array, from: number, samples: number) => void;
};

/** So many samples are made at once, at most. */
const BLOCK = 128;

/** Plays a score on a synthesizer, each event at its own sample: blocks are cut where something begins or ends. */
export class ScorePlayer {
  private next = 0;
  private played = 0;

  /** @param rate samples a second */
  constructor(
    private readonly synth: Synth,
    private readonly score: SoundScore,
    private readonly rate: number,
  ) {
    for (const { channel, program } of score.programs) synth.programChange(channel, program);
  }

  /** Whether all of it has begun and ended. */
  get isOver(): boolean {
    return this.next >= this.score.events.length;
  }

  /** Adds the samples that come next to both sides. */
  render(left: Float32Array, right: Float32Array): void {
    let at = 0;
    while (at < left.length) {
      this.due();
      const event = this.score.events[this.next];
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
      const event = this.score.events[this.next];
      if (!event || this.sampleOf(event) > this.played) return;
      this.next++;
      if (event.type === "on") this.synth.noteOn(event.channel, event.key, event.velocity);
      else this.synth.noteOff(event.channel, event.key);
    }
  }
}
