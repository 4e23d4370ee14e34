import { describe, expect, it } from "vitest";
import { sampleNote } from "../../testing/fretboard/sample-note";
import { signOfNote } from "./TabLines";

describe("a note as it is written on its string", () => {
  it("has its way of beginning before the fret, bends in whole tones behind", () => {
    const sign = (more: object) => signOfNote(sampleNote(0, 2, 7, more));
    expect(sign({})).toBe("7");
    expect(sign({ art: "hammer" })).toBe("h7");
    expect(sign({ art: "pull" })).toBe("p7");
    expect(sign({ art: "slide" })).toBe("/7");
    expect(sign({ art: "dead" })).toBe("x");
    expect(sign({ bend: 1 })).toBe("7↑¼");
    expect(sign({ bend: 4 })).toBe("7↑1");
    expect(sign({ short: true, optional: true })).toBe("(7·)");
  });
});
