import { describe, expect, it } from "vitest";
import { ScorePlayer, type Synth } from "./render";
import type { SoundScore } from "./score";

const RATE = 48_000;

/** Writes down at which sample it is told what, and how its blocks are cut. */
function listener() {
  let made = 0;
  const told: [number, string, number][] = [];
  const blocks: number[] = [];
  const synth: Synth = {
    programChange: (channel, program) => told.push([channel, "program", program]),
    noteOn: (_, key) => told.push([made, "on", key]),
    noteOff: (_, key) => told.push([made, "off", key]),
    process: (left, _, from, samples) => {
      blocks.push(samples);
      for (let at = from; at < from + samples; at++) left[at] = ++made;
    },
  };
  return { synth, told, blocks };
}
const SCORE: SoundScore = {
  programs: [{ channel: 2, program: 25 }],
  events: [
    { ms: 0, type: "on", channel: 2, key: 40, velocity: 85 },
    { ms: 1.5, type: "on", channel: 2, key: 47, velocity: 85 },
    { ms: 10, type: "off", channel: 2, key: 40 },
    { ms: 10, type: "off", channel: 2, key: 47 },
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
});
