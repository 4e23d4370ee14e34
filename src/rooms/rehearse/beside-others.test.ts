import { describe, expect, it } from "vitest";
import { tellFeel, tellShared } from "./BesideOthers";

const beside = (more: object) => ({
  meter: "6/8",
  bpm: 62.4,
  songs: 9,
  inMeter: 4,
  asFast: 3,
  chords: 6,
  alike: [],
  proved: {},
  ...more,
});

describe("a song beside the others", () => {
  it("is usual, seldom, new or far by its metre and tempo", () => {
    expect(tellFeel(beside({}))).toBe("6/8 at 62 is usual here: 3 other songs in 6/8 about as fast.");
    expect(tellFeel(beside({ asFast: 1 }))).toBe(
      "6/8 at 62 is seldom here: 1 other song in 6/8 about as fast, 4 in 6/8 in all.",
    );
    expect(tellFeel(beside({ asFast: 0 }))).toBe(
      "6/8 at 62 is new: 4 other songs in 6/8, none about as fast.",
    );
    expect(tellFeel(beside({ asFast: 0, inMeter: 0 }))).toBe(
      "6/8 at 62 is far from what you play: no other song is in 6/8.",
    );
    expect(tellFeel(beside({ songs: 0, asFast: 0, inMeter: 0 }))).toContain("no other song to lay it beside");
  });

  it("says what it shares, and what is a step before it", () => {
    const one = { versionId: "v", title: "One", versionName: "Full band" };
    expect(tellShared({ ...one, shared: 4, chords: 6 }, 6)).toBe("4 of its 6 chords are in this one");
    expect(tellShared({ ...one, shared: 4, chords: 4 }, 6)).toBe(
      "all of its 4 chords are in this one: an easier step before it",
    );
    expect(tellShared({ ...one, shared: 6, chords: 6 }, 6)).toBe("all of its 6 chords are in this one");
  });
});
