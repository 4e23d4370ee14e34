import { describe, expect, it } from "vitest";
import { unwrap } from "@/base";
import { readPattern } from "@/core/rhythm";
import { sampleNote } from "../../testing/fretboard/sample-note";
import { describePattern } from "./StrumRow";
import { signOfNote } from "./TabLines";

describe("a pattern in words, for who can't see it", () => {
  const said = (text: string, kind: "strum" | "fingers" | "zones" = "strum") =>
    describePattern(unwrap(readPattern({ meter: { beats: 4, unit: 4 }, subdivision: 2, text, kind })));

  it("tells count, weight and stroke; what rings on is left out", () =>
    expect(said("D3 . U1 x - D")).toBe("1 accented down, 2 light up, & dead, 3 choke, & down"));

  it("tells fingers and zones", () => {
    expect(said("p ima", "fingers")).toBe("1 p, & ima");
    expect(said("LH .", "zones")).toBe("1 low+high");
  });
});

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
