import {
  advance,
  type BoxAct,
  type BoxSettings,
  type BoxState,
  type HeardLayer,
  passOf,
  pressBox,
  renderSound,
  soundingOf,
  soundOfHit,
} from "@/core/loops";

/** What is heard of a layer, with its pass in seconds. */
type Heard = HeardLayer & { readonly beatSeconds: number };

/**
 * Plays a simulated looper on an audio clock. Presses carry their time on that clock; sounds are handed over a little
 * ahead, each at its exact time, and a track that is stopped falls silent at the moment of its press.
 */
export class LoopPlayer {
  state: BoxState;
  private readonly gains: GainNode[];
  private readonly buffers = new Map<string, AudioBuffer>();
  private until: number;

  constructor(
    readonly context: AudioContext,
    private readonly settings: BoxSettings,
    private readonly layers: ReadonlyMap<string, Heard>,
    state: BoxState,
  ) {
    this.state = state;
    this.until = context.currentTime;
    this.gains = state.tracks.map(() => {
      const gain = context.createGain();
      gain.gain.value = 1;
      gain.connect(context.destination);
      return gain;
    });
  }

  /** Puts another state in place of this one, as if a press had not been. */
  restore(state: BoxState, at: number): void {
    this.change(state, at);
  }

  press(act: BoxAct, at: number): void {
    this.change(pressBox(this.state, act, this.settings, at), at);
  }

  private change(next: BoxState, at: number): void {
    const [was, is] = [soundingOf(this.state), soundingOf(next)];
    const when = Math.max(at, this.context.currentTime);
    for (const [track, gain] of this.gains.entries()) {
      const bit = 1 << track;
      if (was & bit && !(is & bit)) gain.gain.setValueAtTime(0, when);
      if (is & bit && !(was & bit)) gain.gain.setValueAtTime(1, when);
    }
    this.state = next;
    // A track that has just come in is heard from this moment on, though that lies before what was handed over.
    for (const [track, one] of next.tracks.entries())
      if (one.runs && !(was & (1 << track))) this.hand(track, Math.max(one.since, at), this.until);
  }

  /** Hands over what sounds up to a moment; to be called many times a second. */
  tick(until: number): void {
    if (until > this.until) {
      for (const [track, one] of this.state.tracks.entries())
        if (one.runs) this.hand(track, this.until, until);
      this.until = until;
    }
    for (let due = this.state.waiting[0]; due && due.at <= until; due = this.state.waiting[0])
      this.change(advance(this.state, this.settings, due.at), due.at);
  }

  private hand(track: number, from: number, to: number): void {
    const one = this.state.tracks[track]!;
    const pass = passOf(one);
    if (pass <= 0 || to <= from) return;
    for (const { layer, seconds } of one.recorded) {
      const heard = this.layers.get(layer);
      if (!heard) continue;
      const first = Math.floor((from - one.since) / seconds);
      const last = Math.floor((to - one.since) / seconds);
      for (let round = Math.max(0, first); round <= last; round++)
        for (const hit of heard.hits) {
          const at = one.since + round * seconds + hit.beat * heard.beatSeconds;
          if (hit.beat * heard.beatSeconds >= seconds || at < from - 1e-9 || at >= to - 1e-9) continue;
          this.play(soundOfHit(heard, hit), hit.beats * heard.beatSeconds, at, this.gains[track]!);
        }
    }
  }

  private play(
    { plays, hz, gain }: ReturnType<typeof soundOfHit>,
    lasts: number,
    at: number,
    to: AudioNode,
  ): void {
    const key = `${plays} ${hz.join()} ${gain} ${lasts.toFixed(4)}`;
    let buffer = this.buffers.get(key);
    if (!buffer) {
      const rate = this.context.sampleRate;
      const samples = renderSound({ plays, hz, gain, lasts }, rate);
      buffer = this.context.createBuffer(1, samples.length, rate);
      buffer.getChannelData(0).set(samples);
      this.buffers.set(key, buffer);
    }
    const source = this.context.createBufferSource();
    source.buffer = buffer;
    source.connect(to);
    source.start(Math.max(at, this.context.currentTime));
  }

  silence(): void {
    for (const gain of this.gains) gain.disconnect();
  }
}
