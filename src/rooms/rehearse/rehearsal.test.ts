import { describe, expect, it } from "vitest";
import type { LivePassage } from "@/core/stage";
import { stretchOf, tellWhat } from "./rehearsal";

const BAR = 3840;
const passage = (id: string, bars: number, firstBar: number): LivePassage => ({
  id,
  label: id,
  kind: "verse",
  ticks: bars * BAR,
  firstBar,
  bars: Array.from({ length: bars }, (_, at) => at * BAR),
  beat: 960,
  bar: BAR,
  bpm: 80,
  signs: [],
});
const song = { passages: [passage("Verse", 4, 1), passage("Chorus", 2, 5)] };
const told = (from: number, to: number) => tellWhat(song, { stretch: { from, to } });

describe("a stretch of a song", () => {
  it("is told as a section, as bars, or not at all where it is the whole", () => {
    expect(tellWhat(song, { stretch: null })).toBe("");
    expect(told(0, 6)).toBe("");
    expect(told(4, 6)).toBe("Chorus");
    expect(told(1, 3)).toBe("bars 2–3 of Verse");
    expect(told(1, 5)).toBe("bar 2 of Verse to bar 1 of Chorus");
  });

  it("lies between bar lines, as far as the song goes", () => {
    expect(stretchOf(song, { stretch: { from: 4, to: 6 } })).toMatchObject({ from: 4 * BAR, to: 6 * BAR });
    expect(stretchOf(song, { stretch: { from: 4, to: 90 } })).toMatchObject({ to: 6 * BAR, last: 6 });
    // A song that was cut shorter is gone through whole.
    expect(stretchOf(song, { stretch: { from: 9, to: 12 } })).toMatchObject({ from: 0, to: 6 * BAR });
  });
});
