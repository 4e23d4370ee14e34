import { describe, expect, it } from "vitest";
import { BAR, plainPassage } from "../../../testing/stage/plain-passage";
import { stretchOf, tellWhat } from "./rehearsal";

const song = { passages: [plainPassage(4), plainPassage(2, { id: "u1 0", label: "Chorus", firstBar: 5 })] };
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
