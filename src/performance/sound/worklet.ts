/**
 * The thread that makes sound, in an audio worklet (Web Audio API): a score is played to the sample by the synthesizer of
 * `spessasynth_core`. Compiled on its own, into `public/sound-worklet.js`.
 */
import { SoundBankLoader, SpessaSynthProcessor } from "spessasynth_core";
import type { FromSound, ToSound } from "./message";
import { ScorePlayer } from "./render";

declare const sampleRate: number;
declare const currentTime: number;
declare class AudioWorkletProcessor {
  readonly port: MessagePort;
}
declare function registerProcessor(name: string, of: new () => AudioWorkletProcessor): void;

/** Softer than this, of full scale, nothing is heard; and softer than that nothing is left of what died away. */
const LEAST_HEARD = 1e-4;
const LEAST_LEFT = 1e-6;

class SoundProcessor extends AudioWorkletProcessor {
  private synth: SpessaSynthProcessor | null = null;
  private player: ScorePlayer | null = null;
  private isSilent = true;
  private isOpen = false;
  /** The score that has yet to be told of; null where none has. */
  private fresh: number | null = null;

  constructor() {
    super();
    this.port.onmessage = ({ data }: MessageEvent<ToSound>) => this.hear(data);
  }

  private hear(data: ToSound): void {
    switch (data.type) {
      case "bank":
        void this.load(data.bank);
        return;
      case "play":
        this.play(data);
        return;
      case "more":
        this.player?.add(data.events);
        return;
      case "mix":
        this.player?.mix(data.mix);
        return;
      case "stop":
        this.stop();
    }
  }

  private async load(bank: ArrayBuffer): Promise<void> {
    try {
      const synth = new SpessaSynthProcessor(sampleRate, { eventsEnabled: false, effectsEnabled: false });
      await synth.processorInitialized;
      synth.soundBankManager.addSoundBank(SoundBankLoader.fromArrayBuffer(bank), "bank");
      this.synth = synth;
      this.tell({ type: "ready" });
    } catch (error) {
      this.tell({ type: "failed", reason: error instanceof Error ? error.message : String(error) });
    }
  }

  private play({ id, score, mix, isOpen }: Extract<ToSound, { type: "play" }>): void {
    this.stop();
    if (!this.synth) return;
    this.player = new ScorePlayer(this.synth, score, sampleRate, mix);
    this.isSilent = true;
    this.fresh = id;
    this.isOpen = isOpen;
  }

  private stop(): void {
    this.player = null;
    this.synth?.stopAllChannels(true);
  }

  process(_inputs: unknown, outputs: readonly (readonly Float32Array[])[]): boolean {
    const left = outputs[0]?.[0];
    const right = outputs[0]?.[1];
    if (!this.player || !left || !right) return true;
    if (this.fresh !== null) this.tell({ type: "began", id: this.fresh, at: currentTime });
    this.fresh = null;
    this.player.render(left, right);
    const isHeard = left.some((value) => Math.abs(value) > LEAST_HEARD);
    if (this.isSilent && isHeard) this.tell({ type: "sounding" });
    this.isSilent &&= !isHeard;
    // What has died away takes no more work.
    if (!this.isOpen && this.player.isOver && !left.some((value) => Math.abs(value) > LEAST_LEFT))
      this.player = null;
    return true;
  }

  private tell(message: FromSound): void {
    this.port.postMessage(message);
  }
}

registerProcessor("lantern-sound", SoundProcessor);
