import { openSynth, RATE, readBank } from "../../scripts/lib/heard.mjs";
import { unwrap } from "../../src/base";
import { layerPasses, planLoops, songLoops } from "../../src/core/loops";
import { type HeardPart, heardBand, layRun, loopedParts, wholeOf } from "../../src/core/practice";
import { outlineOf, timelineOf } from "../../src/core/song/read";
import type { VersionBody } from "../../src/core/song/schema";
import { passagesOf } from "../../src/core/stage";
import { RunFeed, ScorePlayer } from "../../src/performance/sound";
import { usualVoice } from "../../src/rooms/hear";

/** What a song sounds like, rendered offline. */
export type Rendered = {
  readonly seconds: number;
  /** The loudest sample, of full scale, as the window plays it before its limiter. */
  readonly peak: number;
  /** How much faster than it sounds it is rendered, and how long the slowest telling of a few bars took, ms. */
  readonly timesRealTime: number;
  readonly slowestMs: number;
  /** How far a note begins from when it is told to, at most, ms; and how many began. */
  readonly worstMs: number;
  readonly onsets: number;
};

/** The window plays so much softer than the synthesizer. */
const WINDOW_GAIN = 0.5;

/** What goes round in a song, as it is planned. */
function loopsOf(body: VersionBody): HeardPart[] {
  const outline = outlineOf(body);
  const song = songLoops(body, outline, timelineOf(body, outline));
  if (!song.asked) return [];
  return loopedParts(song, unwrap(planLoops(song.asked, { trade: false })), layerPasses(body, song));
}

/**
 * Renders a song with all its players, its loops and a click.
 * @param most seconds of it at most
 * @param rounds goes round the whole song until then, where it is shorter
 */
export async function renderSong(
  body: VersionBody,
  bank: string,
  most: number,
  rounds = false,
): Promise<Rendered> {
  const passages = passagesOf(body);
  const voiced = [...heardBand(body), ...loopsOf(body)].map((part) => ({
    part,
    voice: usualVoice(part.player),
  }));
  const run = layRun(passages, { ...wholeOf(passages), speed: 1, countBars: 1, gapBars: 0, circles: rounds });
  const feed = new RunFeed(run, voiced, "beats");
  const synth = await openSynth(readBank(bank));
  const seconds = rounds ? most : Math.min(most, (run.countMs + run.soundMs) / 1000);
  const due: number[] = [];
  let made = 0;
  let worstMs = 0;
  let onsets = 0;
  const listening = {
    get midiChannels() {
      return synth.midiChannels;
    },
    createMIDIChannel: () => synth.createMIDIChannel(),
    reset: () => synth.reset(),
    programChange: synth.programChange.bind(synth),
    controllerChange: synth.controllerChange.bind(synth),
    pitchWheel: synth.pitchWheel.bind(synth),
    noteOff: synth.noteOff.bind(synth),
    noteOn: (channel: number, key: number, velocity: number) => {
      const told = due.shift()!;
      worstMs = Math.max(worstMs, Math.abs((made / RATE) * 1000 - told));
      onsets++;
      synth.noteOn(channel, key, velocity);
    },
    process: (left: Float32Array, right: Float32Array, from: number, samples: number) => {
      synth.process(left, right, from, samples);
      made += samples;
    },
  };
  let slowestMs = 0;
  let renderMs = 0;
  let peak = 0;
  const player = new ScorePlayer(listening, { channels: feed.channels, events: [] }, RATE);
  for (let second = 0; second < seconds; second++) {
    while (!feed.isOver && feed.until < (second + 2) * 1000) {
      const from = performance.now();
      const events = feed.next();
      slowestMs = Math.max(slowestMs, performance.now() - from);
      due.push(...events.flatMap((event) => (event.type === "on" ? [event.ms] : [])));
      due.sort((a, b) => a - b);
      player.add(events);
    }
    const [left, right] = [new Float32Array(RATE), new Float32Array(RATE)];
    const from = performance.now();
    player.render(left, right);
    renderMs += performance.now() - from;
    for (const side of [left, right]) for (const value of side) peak = Math.max(peak, Math.abs(value));
  }
  return {
    seconds,
    peak: peak * WINDOW_GAIN,
    timesRealTime: (seconds * 1000) / renderMs,
    slowestMs,
    worstMs,
    onsets,
  };
}
