/**
 * The thread that makes sound, in an audio worklet (Web Audio API): a score is played to the sample by the synthesizer of
 * `spessasynth_core`. Compiled on its own, into `public/sound-worklet.js`.
 */
import { SoundBankLoader, SpessaSynthProcessor } from "spessasynth_core";
import type { FromSound, ToSound } from "./message";
import { ScorePlayer } from "./render";
import type { SoundScore } from "./score";

declare const sampleRate: number;
declare class AudioWorkletProcessor {
  readonly port: MessagePort;
}
declare function registerProcessor(name: string, of: new () => AudioWorkletProcessor): void;

class SoundProcessor extends AudioWorkletProcessor {
  private synth: SpessaSynthProcessor | null = null;
  private player: ScorePlayer | null = null;
  private isSilent = true;

  constructor() {
    super();
    this.port.onmessage = ({ data }: MessageEvent<ToSound>) => {
      if (data.type === "bank") void this.load(data.bank);
      else if (data.type === "play") this.play(data.score);
      else this.stop();
    };
  }

  private async load(bank: ArrayBuffer): Promise<void> {
    try {
      const synth = new SpessaSynthProcessor(sampleRate, { eventsEnabled: false });
      await synth.processorInitialized;
      synth.soundBankManager.addSoundBank(SoundBankLoader.fromArrayBuffer(bank), "bank");
      this.synth = synth;
      this.tell({ type: "ready" });
    } catch (error) {
      this.tell({ type: "failed", reason: error instanceof Error ? error.message : String(error) });
    }
  }

  private play(score: SoundScore): void {
    this.stop();
    if (!this.synth) return;
    this.player = new ScorePlayer(this.synth, score, sampleRate);
    this.isSilent = true;
  }

  private stop(): void {
    this.player = null;
    this.synth?.stopAllChannels(true);
  }

  process(_inputs: unknown, outputs: readonly (readonly Float32Array[])[]): boolean {
    const left = outputs[0]?.[0];
    const right = outputs[0]?.[1];
    if (!this.player || !left || !right) return true;
    this.player.render(left, right);
    if (this.isSilent && left.some((value) => Math.abs(value) > 1e-4)) {
      this.isSilent = false;
      this.tell({ type: "sounding" });
    }
    return true;
  }

  private tell(message: FromSound): void {
    this.port.postMessage(message);
  }
}

registerProcessor("lantern-sound", SoundProcessor);
