import { hzOf } from "@/core/pitch";
import { notesOf, type SoundScore } from "./score";
import { running, type Sound } from "./sounder";

/** Before the first tone, so that none is late, s. */
const LEAD_S = 0.05;
/** How loud one tone is, of full scale: many sound together. */
const GAIN = 0.08;
const LEAST = 0.0005;

/** Tones that stand in where the bank of sounds does not load. */
export class SimpleTones implements Sound {
  private context: AudioContext | null = null;

  async play(score: SoundScore, onHeard?: () => void): Promise<void> {
    this.stop();
    const context = new AudioContext({ latencyHint: "interactive" });
    this.context = context;
    await running(context);
    const start = context.currentTime + LEAD_S;
    for (const { key, ms, lastsMs } of notesOf(score)) {
      const from = start + ms / 1000;
      const until = from + lastsMs / 1000;
      const voice = new OscillatorNode(context, { type: "triangle", frequency: hzOf(key) });
      const level = new GainNode(context, { gain: 0 });
      level.gain.setValueAtTime(GAIN, from);
      level.gain.exponentialRampToValueAtTime(LEAST, until);
      voice.connect(level).connect(context.destination);
      voice.start(from);
      voice.stop(until);
    }
    onHeard?.();
  }

  stop(): void {
    void this.context?.close();
    this.context = null;
  }
}
