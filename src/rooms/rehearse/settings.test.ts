import { describe, expect, it } from "vitest";
import type { HeardPart } from "@/core/practice";
import { isHeard, mixOf, PLAIN_WAY, readWay, wayOf } from "./settings";

const part = (id: string): HeardPart => ({
  player: { id, name: id, instrument: "guitar", plugged: false },
  strokes: [],
  notes: [],
  drums: [],
});
const parts = ["a", "b", "c"].map(part);

describe("who is heard", () => {
  it("is everybody at first, as they play", () => {
    expect(mixOf(PLAIN_WAY, parts)).toEqual(Array.from({ length: 4 }, () => ({ gain: 1, pan: 0 })));
  });

  it("is who is on; where some are alone only they, whatever else is on", () => {
    const plain = wayOf(PLAIN_WAY, "a");
    const off = { ...PLAIN_WAY, parts: { a: { ...plain, on: false } } };
    expect(parts.map(({ player }) => isHeard(off, parts, player.id))).toEqual([false, true, true]);
    const alone = { ...PLAIN_WAY, parts: { b: { ...plain, alone: true, loudness: "louder" as const } } };
    expect(mixOf(alone, parts).map(({ gain }) => gain)).toEqual([0, 1.6, 0, 1]);
  });
});

describe("what a window kept", () => {
  it("comes back as it was", () => {
    const way = {
      ...PLAIN_WAY,
      reader: "b",
      stretch: { from: 2, to: 6 },
      speed: 0.7,
      countBars: 2,
      gapBars: 1,
      circles: true,
      click: "offbeats" as const,
      parts: { a: { ...wayOf(PLAIN_WAY, "a"), on: false, side: "left" as const, voice: "nylon" as const } },
    };
    expect(readWay(JSON.parse(JSON.stringify(way)))).toEqual(way);
  });

  it("is plain where it can't be read", () => {
    for (const kept of [null, 7, "x", {}, { stretch: { from: 4, to: 2 }, speed: 9, click: "loud", parts: 3 }])
      expect(readWay(kept)).toEqual(PLAIN_WAY);
    expect(readWay({ parts: { a: { voice: "trumpet", loudness: "deafening" } } }).parts.a).toEqual(
      wayOf(PLAIN_WAY, "a"),
    );
  });
});
