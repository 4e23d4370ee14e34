import { describe, expect, it } from "vitest";
import { unwrap } from "../../../base";
import { readAloud, readPattern } from ".";

const read = (text: string, kind: "strum" | "fingers" | "zones" | "free" = "strum") =>
  unwrap(readPattern({ meter: { beats: 4, unit: 4 }, subdivision: 2, text, kind }));

describe("a pattern in words, for who can't see it", () => {
  it("tells weight and stroke, runs of rests once", () =>
    expect(readAloud(read("D3 . . x U1 -"))).toBe("accented down, rest, dead, light up, choke"));

  it("tells fingers and zones as they are called", () => {
    expect(readAloud(read("p ima", "fingers"))).toBe("thumb, index and middle and ring");
    expect(readAloud(read("LH .", "zones"))).toBe("low and high, rest");
  });
});
