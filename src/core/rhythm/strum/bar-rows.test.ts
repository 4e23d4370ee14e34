import { describe, expect, it } from "vitest";
import { unwrap } from "../../../base";
import { barRows, lastBeats } from "./bar-rows";
import { signedBars } from "./strum-signs";
import { formatStrokes, readPattern } from "./written";

const rows = (text: string, subdivision = 2) =>
  barRows(unwrap(readPattern({ meter: { beats: 4, unit: 4 }, subdivision, text })));
const told = (text: string, subdivision = 2) =>
  rows(text, subdivision).map(({ strokes, times, bar }) => `${bar}: ${formatStrokes(strokes)} × ${times}`);

const BAR = "D . D U . U D U";
const OTHER = "D . . . D . . .";

describe("a pattern a bar at a time", () => {
  it("folds equal bars that follow each other", () => {
    expect(told([BAR, BAR, BAR, OTHER, BAR].join(" "))).toEqual([
      `1: ${BAR} × 3`,
      `4: ${OTHER} × 1`,
      `5: ${BAR} × 1`,
    ]);
  });

  it("shows half a bar as the bar it makes", () => {
    expect(told("D . D U")).toEqual(["1: D . D U D . D U × 1"]);
    expect(rows("D . D U")[0]!.at).toEqual([0, 1, 2, 3, 0, 1, 2, 3]);
    expect(told("D . D U . U D U", 4)).toEqual(["1: D . D U . U D U D . D U . U D U × 1"]);
  });

  it("is a few signs where there is no room", () => {
    const signs = (text: string, kind: "strum" | "fingers" | "free" = "strum") =>
      signedBars(unwrap(readPattern({ meter: { beats: 4, unit: 4 }, subdivision: 2, text, kind }))).map(
        (one) => `${one.bars} ${one.signs}`.trim(),
      );
    expect(signs("D3 . D U - x D Uo")).toEqual(["↓!·↓↑|×↓↑°"]);
    expect(signs("p i ma3 i", "fingers")).toEqual(["pima!ipima!i"]);
    expect(signs("D U D U", "free")).toEqual(["free"]);
  });

  it("is the last beats of a bar where it is a fill", () => {
    const fill = (text: string, subdivision: number, meter = { beats: 4, unit: 4 }) =>
      lastBeats(unwrap(readPattern({ meter, subdivision, text })));
    expect(fill("D U D U3", 4).counts).toEqual(["4", "e", "&", "a"]);
    expect(fill("D D U D", 2).counts).toEqual(["3", "&", "4", "&"]);
    expect(fill("D U D", 3, { beats: 6, unit: 8 }).counts).toEqual(["4", "5", "6"]);
    expect(fill("D U D U3", 4).row).toMatchObject({ at: [0, 1, 2, 3], times: 1 });
  });

  it("says at which bars it is otherwise", () => {
    const bars = `${BAR} ${BAR} ${OTHER} ${BAR}`;
    const four = unwrap(readPattern({ meter: { beats: 4, unit: 4 }, subdivision: 2, text: bars }));
    expect(signedBars(four).map((one) => one.bars)).toEqual(["1–2", "3", "4"]);
  });
});
