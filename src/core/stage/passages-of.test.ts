import { describe, expect, it } from "vitest";
import { sampleVersion } from "../../../testing/song/sample-version";
import { passagesOf } from "./passages-of";

describe("passagesOf", () => {
  it("has every time through a section with its bars, counted from its beginning", () => {
    const body = sampleVersion(
      { verse: { lines: ["Light/G:4 on/C:4"] }, chorus: { lines: ["Turn/D:4"], pickup: 1 } },
      ["versex2", "chorus"],
      [],
    );
    const passages = passagesOf(body);
    expect(passages.map(({ id, firstBar }) => [id.split(" ")[1], firstBar])).toEqual([
      ["0", 1],
      ["1", 3],
      ["0", expect.any(Number)],
    ]);
    expect(passages[0]).toMatchObject({
      ticks: 7680,
      bars: [0, 3840],
      beat: 960,
      bar: 3840,
      bpm: 60,
      signs: [],
    });
  });
});
