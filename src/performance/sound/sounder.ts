import type { FromSound, ToSound } from "./message";
import type { Mix } from "./render";
import type { SoundEvent, SoundScore } from "./score";

const WORKLET = "/sound-worklet.js";
const BANK = "/sounds.sf3";
/** It begins softly: a headphone may be loud. */
const GAIN = 0.5;
/** What is louder is held down, dB below full scale; nothing is cut off. */
const LIMIT_DB = -6;

/** Something that sounds, is told more while it does, and says where it is. */
export type Running = {
  /** What comes later. */
  readonly add: (events: readonly SoundEvent[]) => void;
  readonly mix: (mix: Mix) => void;
  /** How far it is heard now, ms from its begin; below 0 before that. */
  readonly position: () => number;
};

/** Whatever a score can be heard by. */
export type Sound = {
  /**
   * Plays a score in place of what sounds.
   * @param onHeard when its first sound is made
   * @returns when it begins to be heard, by the page's clock, ms
   */
  readonly play: (score: SoundScore, onHeard?: () => void) => Promise<number>;
  /** Begins something that goes on, in place of what sounds. */
  readonly begin: (score: SoundScore, mix: Mix, onHeard?: () => void) => Promise<Running>;
  readonly stop: () => void;
};

/** The sound of this window: one audio context and its thread, made when something is first heard. */
export class Sounder implements Sound {
  /** When the first sound of what plays was made; null until then. */
  private heard: (() => void) | null = null;
  private began: ((at: number) => void) | null = null;
  /** Which score plays, counted: what is told of one before is not heard any more. */
  private playing = 0;

  private constructor(
    private readonly context: AudioContext,
    private readonly node: AudioWorkletNode,
  ) {
    node.port.onmessage = ({ data }: MessageEvent<FromSound>) => {
      if (data.type === "sounding") this.heard?.();
      else if (data.type === "began" && data.id === this.playing) this.began?.(data.at);
    };
  }

  /**
   * Opens the sound of this window and loads the bank.
   * @throws where there is no sound, or the bank does not load
   */
  static async open(): Promise<Sounder> {
    const context = new AudioContext({ latencyHint: "interactive" });
    try {
      const [bank] = await Promise.all([fetchBank(), context.audioWorklet.addModule(WORKLET)]);
      const node = new AudioWorkletNode(context, "lantern-sound", {
        numberOfInputs: 0,
        outputChannelCount: [2],
      });
      await ready(node, bank);
      const limiter = new DynamicsCompressorNode(context, { threshold: LIMIT_DB, ratio: 20, attack: 0.001 });
      node
        .connect(new GainNode(context, { gain: GAIN }))
        .connect(limiter)
        .connect(context.destination);
      return new Sounder(context, node);
    } catch (error) {
      void context.close();
      throw error;
    }
  }

  async play(score: SoundScore, onHeard?: () => void): Promise<number> {
    const { at } = await this.start({ score, mix: [], isOpen: false }, onHeard);
    return performance.now() + (at - heardAt(this.context)) * 1000;
  }

  async begin(score: SoundScore, mix: Mix, onHeard?: () => void): Promise<Running> {
    const { id, at } = await this.start({ score, mix, isOpen: true }, onHeard);
    const tell = (message: ToSound) => {
      if (id === this.playing) this.send(message);
    };
    return {
      add: (events) => tell({ type: "more", events }),
      mix: (one) => tell({ type: "mix", mix: one }),
      position: () => (heardAt(this.context) - at) * 1000,
    };
  }

  /** Begins a score. @returns when, by the audio context's clock, s */
  private async start(
    what: Pick<Extract<ToSound, { type: "play" }>, "score" | "mix" | "isOpen">,
    onHeard: (() => void) | undefined,
  ): Promise<{ id: number; at: number }> {
    this.heard = onHeard ?? null;
    await running(this.context);
    const id = ++this.playing;
    const began = new Promise<number>((resolve) => {
      this.began = resolve;
    });
    this.send({ type: "play", id, ...what });
    return { id, at: await began };
  }

  stop(): void {
    this.playing++;
    this.send({ type: "stop" });
  }

  private send(message: ToSound): void {
    this.node.port.postMessage(message);
  }
}

/** What leaves the loudspeaker now, by an audio context's clock, s. */
export function heardAt(context: AudioContext): number {
  const { contextTime = 0, performanceTime = 0 } = context.getOutputTimestamp();
  if (performanceTime === 0) return context.currentTime - (context.outputLatency || 0);
  return contextTime + (performance.now() - performanceTime) / 1000;
}

/** A loudspeaker that is not there is not waited for longer, ms. */
const LONGEST_MS = 2000;

/**
 * Waits until an audio context runs.
 * @throws where it does not: no loudspeaker, or a browser that lets nothing sound
 */
export async function running(context: AudioContext): Promise<void> {
  if (context.state === "running") return;
  const late = new Promise((resolve) => setTimeout(resolve, LONGEST_MS));
  await Promise.race([context.resume(), late]);
  // Read anew: it has changed meanwhile.
  const { state }: { state: string } = context;
  if (state !== "running") throw new Error(`Nothing can sound here: the audio is ${state}.`);
}

async function fetchBank(): Promise<ArrayBuffer> {
  const answer = await fetch(BANK);
  if (!answer.ok) throw new Error(`The bank of sounds did not come (${answer.status}).`);
  return answer.arrayBuffer();
}

/** Waits until the thread has read the bank. */
function ready(node: AudioWorkletNode, bank: ArrayBuffer): Promise<void> {
  return new Promise((resolve, reject) => {
    node.onprocessorerror = () => reject(new Error("The thread of the sound ended."));
    node.port.onmessage = ({ data }: MessageEvent<FromSound>) => {
      if (data.type === "ready") resolve();
      else if (data.type === "failed") reject(new Error(data.reason));
    };
    const message: ToSound = { type: "bank", bank };
    node.port.postMessage(message, [bank]);
  });
}
