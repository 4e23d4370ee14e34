import { hzOf } from "@/core/pitch";
import type { Mix } from "./render";
import { inTime, notesOf, type SoundEvent, type SoundScore } from "./score";
import { heardAt, type Running, running, type Sound } from "./sounder";

/** Before the first tone, so that none is late, s. */
const LEAD_S = 0.05;
/** How loud one tone is, of full scale: many sound together. */
const GAIN = 0.08;
const LEAST = 0.0005;

/** Tones that stand in where the bank of sounds does not load. */
export class SimpleTones implements Sound {
  private context: AudioContext | null = null;

  async play(score: SoundScore, onHeard?: () => void): Promise<number> {
    const { position } = await this.begin(score, [], onHeard);
    return performance.now() - position();
  }

  async begin({ channels, events }: SoundScore, mix: Mix, onHeard?: () => void): Promise<Running> {
    this.stop();
    const context = new AudioContext({ latencyHint: "interactive" });
    this.context = context;
    await running(context);
    const start = context.currentTime + LEAD_S;
    const parts = new Map<number, GainNode>();
    const outOf = (channel: number): AudioNode => {
      const part = channels.find((one) => one.channel === channel)?.part ?? 0;
      const out = parts.get(part) ?? new GainNode(context, { gain: mix[part]?.gain ?? 1 });
      if (!parts.has(part)) out.connect(context.destination);
      parts.set(part, out);
      return out;
    };
    const add = (more: readonly SoundEvent[]) => {
      for (const { key, channel, ms, lastsMs } of notesOf(inTime(more)))
        tone(context, outOf(channel), { hz: hzOf(key), from: start + ms / 1000, lasts: lastsMs / 1000 });
    };
    add(events);
    onHeard?.();
    return {
      add,
      mix: (now) => {
        for (const [part, out] of parts) out.gain.value = now[part]?.gain ?? 1;
      },
      position: () => (heardAt(context) - start) * 1000,
    };
  }

  stop(): void {
    void this.context?.close();
    this.context = null;
  }
}

function tone(
  context: AudioContext,
  out: AudioNode,
  { hz, from, lasts }: { hz: number; from: number; lasts: number },
): void {
  const voice = new OscillatorNode(context, { type: "triangle", frequency: hz });
  const level = new GainNode(context, { gain: 0 });
  level.gain.setValueAtTime(GAIN, from);
  level.gain.exponentialRampToValueAtTime(LEAST, from + lasts);
  voice.connect(level).connect(out);
  voice.start(from);
  voice.stop(from + lasts);
}
