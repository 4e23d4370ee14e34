import { describe, expect, it } from "vitest";
import type { Stroke } from "../rhythm";
import { stringsOf } from "./strings-of-stroke";

const AM = [null, 0, 2, 2, 1, 0];
const strings = (stroke: Stroke, frets: readonly (number | null)[] = AM) =>
  stringsOf(stroke, frets).map(({ string }) => string);
const fingers = (signs: readonly ("p" | "i" | "m" | "a")[]): Stroke => ({
  kind: "fingers",
  fingers: signs,
  weight: 2,
});

describe("the strings of a stroke", () => {
  it("are those that sound, from the face down and from the floor up", () => {
    expect(strings({ kind: "down", weight: 2 })).toEqual([1, 2, 3, 4, 5]);
    expect(strings({ kind: "up", weight: 2 })).toEqual([5, 4, 3, 2, 1]);
    expect(strings({ kind: "dead" })).toEqual([1, 2, 3, 4, 5]);
    expect(strings({ kind: "ring" })).toEqual([]);
  });

  it("are open while the other hand is on its way", () => {
    expect(stringsOf({ kind: "up", weight: 2, open: true }, [3, 2, 0, null, null, 3])).toEqual([
      { string: 5, fret: 0 },
      { string: 2, fret: 0 },
      { string: 1, fret: 0 },
      { string: 0, fret: 0 },
    ]);
  });

  it("are one a finger: the bass for the thumb, the last three for the others", () => {
    expect(strings(fingers(["p"]))).toEqual([1]);
    expect([strings(fingers(["i"])), strings(fingers(["m"])), strings(fingers(["a"]))]).toEqual([
      [3],
      [4],
      [5],
    ]);
    expect(strings(fingers(["p", "a"]))).toEqual([1, 5]);
  });

  it("are never none for a finger, however few sound", () => {
    for (const frets of [
      [null, 3],
      [0, 2],
      [1, 2, 3],
      [null, null, 5, 5],
    ])
      for (const finger of ["p", "i", "m", "a"] as const)
        expect(strings(fingers([finger]), frets), `${frets} ${finger}`).toHaveLength(1);
    expect(strings(fingers(["p", "i", "m", "a"]), [null, null])).toEqual([]);
  });

  it("are a third of the neck a zone", () => {
    const zone = (...zones: ("L" | "M" | "H")[]) => strings({ kind: "zones", zones, weight: 2 });
    expect([zone("L"), zone("M"), zone("H"), zone("L", "H")]).toEqual([[1], [2, 3], [4, 5], [1, 4, 5]]);
  });
});
