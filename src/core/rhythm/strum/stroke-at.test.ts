import { describe, expect, it } from "vitest";
import { unwrap } from "../../../base";
import { strokeAt } from "./stroke-at";
import { readPattern } from "./written";

const TEMPO = { bpm: 60, beatUnit: "1/4" } as const;
const read = (text: string) => unwrap(readPattern({ meter: { beats: 4, unit: 4 }, subdivision: 2, text }));
const at = (text: string, ...ms: number[]) => ms.map((one) => strokeAt(read(text), TEMPO, one));

describe("the stroke that sounds", () => {
  it("is the last that was struck, round after round: eighths at 60 are half a second each", () => {
    expect(at("D . D U", 0, 400, 999, 1000, 1499, 1500, 2000, 3100)).toEqual([0, 0, 0, 2, 2, 3, 0, 2]);
  });

  it("is none before the first, and the last of the round before until the next", () => {
    expect(at(". D . U", -1, 0, 499, 500, 1999, 2000, 2499, 2500)).toEqual([null, null, null, 1, 3, 3, 3, 1]);
    expect(at(". . . .", 700, 5000)).toEqual([null, null]);
  });
});
