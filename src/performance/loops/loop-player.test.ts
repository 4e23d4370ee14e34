import { describe, expect, it } from "vitest";
import { type BoxSettings, type BoxState, emptyBox } from "@/core/loops";
import { knocks } from "../../../testing/loops/knocks";
import { fakeContext } from "../../../testing/performance/fake-context";
import { LoopPlayer } from "./loop-player";

const SETTINGS: BoxSettings = {
  tracks: 2,
  allStart: true,
  allStop: true,
  quantised: false,
  sharedLength: false,
  undoLast: true,
};

/** A thump of one bar of four on track 1, half a second a beat. */
function playerOf(runs: boolean, settings: BoxSettings = SETTINGS) {
  const fake = fakeContext();
  const layers = new Map([
    ["thump", { id: "thump", plays: "thump", hits: knocks([0, 2]), level: -6, beatSeconds: 0.5 } as const],
  ]);
  const box: BoxState = {
    ...emptyBox(2),
    tracks: [
      { recorded: [{ layer: "thump", seconds: 2 }], runs, since: 0 },
      { recorded: [], runs: false, since: 0 },
    ],
  };
  const player = new LoopPlayer(fake.context as unknown as AudioContext, settings, layers, box);
  const until = (seconds: number, step = 0.03) => {
    while (fake.context.currentTime < seconds) {
      fake.context.currentTime = Math.min(seconds, fake.context.currentTime + step);
      player.tick(fake.context.currentTime + 0.15);
    }
  };
  return { player, until, ...fake };
}

describe("the player of the simulated looper", () => {
  it("hands every hit over once, at its exact time, however unevenly it is called", () => {
    for (const step of [0.01, 0.03, 0.11]) {
      const { until, started } = playerOf(true);
      until(6, step);
      // The first one lies at the moment the player begins: it sounds as soon as it is called.
      expect(started.filter((at) => at > 0.2 && at < 6)).toEqual([1, 2, 3, 4, 5]);
    }
  });

  it("starts a track's loop at its press and silences it at the next one", () => {
    const { player, until, started, gains } = playerOf(false);
    until(1);
    player.press({ do: "track", track: 0 }, 0.98);
    until(2.5);
    expect(started[0]).toBe(1);
    expect(started.slice(1)).toEqual([1.98]);
    player.press({ do: "track", track: 0 }, 2.5);
    until(5);
    expect(gains).toEqual([
      [1, 1],
      [0, 2.5],
    ]);
    expect(started.filter((at) => at > 2.7)).toEqual([]);
  });

  it("takes a press back without playing again what lies behind", () => {
    const { player, until, started } = playerOf(true);
    until(5.3);
    const before = player.state;
    player.press({ do: "track", track: 0 }, 5.3);
    const handed = started.length;
    player.restore(before, 5.32);
    expect(started.length - handed).toBeLessThanOrEqual(1);
    until(7.5);
    expect(started.filter((at) => at > 5.5 && at < 7.5)).toEqual([6, 7]);
  });

  it("waits for the loop point on a box that waits, to the sample", () => {
    const { player, until, gains } = playerOf(true, { ...SETTINGS, quantised: true });
    until(2.5);
    player.press({ do: "stop-all" }, 2.5);
    until(5);
    expect(gains).toEqual([[0, 4]]);
  });
});
