import { describe, expect, it } from "vitest";
import { ScorePlayer, type Synth } from "./render";
import type { SoundScore } from "./score";

const RATE = 48_000;

/** Writes down at which sample it is told what, and how its blocks are cut. */
function listener() {
  let made = 0;
  const told: [number, string, number][] = [];
  const blocks: number[] = [];
  const controls: [number, number, number][] = [];
  const synth: Synth = {
    midiChannels: { length: 16 },
    createMIDIChannel: () => {
      throw new Error("there are enough");
    },
    reset: () => {},
    controllerChange: (channel, controller, value) => controls.push([channel, controller, value]),
    pitchWheel: (_, value, key) => told.push([made, `bend ${key}`, value]),
    programChange: (channel, program) => told.push([channel, "program", program]),
    noteOn: (_, key) => told.push([made, "on", key]),
    noteOff: (_, key) => told.push([made, "off", key]),
    process: (left, _, from, samples) => {
      blocks.push(samples);
      for (let at = from; at < from + samples; at++) left[at] = ++made;
    },
  };
  return { synth, told, blocks, controls };
}
const SCORE: SoundScore = {
  channels: [{ channel: 2, program: 25, part: 0 }],
  events: [
    { ms: 0, type: "on", channel: 2, key: 40, velocity: 85 },
    { ms: 1.5, type: "on", channel: 2, key: 47, velocity: 85 },
    { ms: 10, type: "off", channel: 2, key: 40, of: 0 },
    { ms: 10, type: "off", channel: 2, key: 47, of: 1.5 },
  ],
};

describe("ScorePlayer", () => {
  it("tells each event at its own sample, however the sound is asked for", () => {
    for (const asked of [64, 128, 200, 1000]) {
      const { synth, told, blocks } = listener();
      const player = new ScorePlayer(synth, SCORE, RATE);
      for (let made = 0; made < 1000; made += asked)
        player.render(new Float32Array(asked), new Float32Array(asked));
      expect(told).toEqual([
        [2, "program", 25],
        [0, "on", 40],
        [72, "on", 47],
        [480, "off", 40],
        [480, "off", 47],
      ]);
      expect(Math.max(...blocks)).toBeLessThanOrEqual(128);
      expect(Math.min(...blocks)).toBeGreaterThan(0);
    }
  });

  it("fills all that is asked for, and says when it is over", () => {
    const { synth } = listener();
    const player = new ScorePlayer(synth, SCORE, RATE);
    const left = new Float32Array(481);
    player.render(left, new Float32Array(481));
    expect([...left]).toEqual(Array.from({ length: 481 }, (_, at) => at + 1));
    expect(player.isOver).toBe(true);
    expect(new ScorePlayer(listener().synth, SCORE, RATE).isOver).toBe(false);
  });

  it("takes up what comes later, and does not end what was struck again meanwhile", () => {
    const { synth, told } = listener();
    const player = new ScorePlayer(
      synth,
      {
        channels: SCORE.channels,
        events: [
          { ms: 0, type: "on", channel: 2, key: 40, velocity: 85 },
          { ms: 8, type: "off", channel: 2, key: 40, of: 0 },
        ],
      },
      RATE,
    );
    player.render(new Float32Array(100), new Float32Array(100));
    player.add([
      { ms: 5, type: "on", channel: 2, key: 40, velocity: 85 },
      { ms: 12, type: "off", channel: 2, key: 40, of: 5 },
    ]);
    player.render(new Float32Array(900), new Float32Array(900));
    expect(told.slice(1)).toEqual([
      [0, "on", 40],
      [240, "on", 40],
      [576, "off", 40],
    ]);
  });

  it("bends a key, and straightens it before it is struck anew", () => {
    const { synth, told } = listener();
    const events = [
      { ms: 0, type: "on", channel: 2, key: 40, velocity: 85 },
      { ms: 1, type: "bend", channel: 2, key: 40, semitones: 12 },
      { ms: 2, type: "off", channel: 2, key: 40, of: 0 },
      { ms: 3, type: "on", channel: 2, key: 40, velocity: 85 },
    ] as const;
    new ScorePlayer(synth, { channels: SCORE.channels, events }, RATE).render(
      new Float32Array(200),
      new Float32Array(200),
    );
    expect(told.filter(([, what]) => what === "bend 40")).toEqual([
      [48, "bend 40", 8192 * 1.5],
      [144, "bend 40", 8192],
    ]);
  });

  it("mixes each part: silent, as it is, louder, and to a side", () => {
    const { synth, controls } = listener();
    const channels = [
      { channel: 0, program: 25, part: 0 },
      { channel: 1, program: 25, part: 1 },
    ];
    const player = new ScorePlayer(synth, { channels, events: [] }, RATE);
    controls.length = 0;
    player.mix([
      { gain: 0, pan: 0 },
      { gain: 1.44, pan: -1 },
    ]);
    expect(controls).toEqual([
      [0, 7, 0],
      [0, 10, 64],
      [1, 7, 120],
      [1, 10, 1],
    ]);
  });
});
