import { describe, expect, it } from "vitest";
import { unwrap } from "../../../base";
import { drawnPattern, drawnRow, halvesOf, placeInBars, readPattern } from ".";

const read = (text: string, subdivision = 2, kind: "strum" | "fingers" | "free" = "strum") =>
  unwrap(readPattern({ meter: { beats: 4, unit: 4 }, subdivision, text, kind }));
const BAR = "D . D U . U D U";
const OTHER = "D . . . D . . .";

describe("a pattern as it is drawn", () => {
  it("has counts and words at each stroke, none where it rings on", () => {
    const row = drawnRow(read("D3 . U1 x - D"));
    expect(row.counts).toEqual(["1", "&", "2", "&", "3", "&"]);
    expect(row.words).toEqual(["accented down", "", "light up", "dead", "choke", "down"]);
  });

  it("folds equal bars, begins to count anew in each, and says where a stroke stands", () => {
    const { bars } = drawnPattern(read([BAR, BAR, OTHER].join(" ")));
    expect(bars.map(({ bar, times }) => [bar, times])).toEqual([
      [1, 2],
      [3, 1],
    ]);
    expect(bars[1]!.counts[0]).toBe("1");
    expect(placeInBars(bars, 3)).toEqual({ at: 0, place: 3 });
    expect(placeInBars(bars, 11)).toEqual({ at: 0, place: 3 });
    expect(placeInBars(bars, 20)).toEqual({ at: 1, place: 4 });
    expect(placeInBars(bars, 24)).toBeNull();
    expect(placeInBars([], 0)).toBeNull();
  });

  it("counts a fill to the end of its bar", () =>
    expect(drawnPattern(read("D U D U3", 4), true).bars[0]!.counts).toEqual(["4", "e", "&", "a"]));

  it("goes on counting in the second half of a bar that is broken", () => {
    const [bar] = drawnPattern(read("D U D U D U D U D U D U D U D U", 4)).bars;
    expect(halvesOf(bar!, 8).map(({ from, counts }) => [from, counts[0], counts.length])).toEqual([
      [0, "1", 8],
      [8, "3", 8],
    ]);
    expect(halvesOf(bar!, 16)).toHaveLength(1);
  });
});
