import { describe, expect, it } from "vitest";
import { GUITAR_TUNING, parseTuning } from "../pitch";
import { hearShape } from "./hear-shape";

const read = parseTuning([...GUITAR_TUNING]);
const tuning = read.ok ? read.value : [];

describe("hearShape", () => {
  it("goes from string to string, then strikes all of them", () => {
    const onsets = hearShape({ frets: [null, 0, 2, null, null, null], tuning, capo: 2 });
    expect(onsets.map(({ ms, pitch, lastsMs }) => [ms, pitch, lastsMs])).toEqual([
      [0, 47, 1120],
      [220, 54, 900],
      [1120, 47, 1800],
      [1132, 54, 1788],
    ]);
  });

  it("is silent where no string sounds", () => {
    expect(hearShape({ frets: [null, null], tuning: [40, 45], capo: 0 })).toEqual([]);
  });
});
