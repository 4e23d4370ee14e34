import { describe, expect, it } from "vitest";
import { unwrap } from "../../../base";
import { readAloud, readCounted, readPattern } from ".";

const read = (text: string, kind: "strum" | "fingers" | "zones" | "free" = "strum") =>
  unwrap(readPattern({ meter: { beats: 4, unit: 4 }, subdivision: 2, text, kind }));

describe("a pattern in words, for who can't see it", () => {
  it("tells count, weight and stroke; what rings on is left out", () =>
    expect(readCounted(read("D3 . U1 x - D"))).toBe("1 accented down, 2 light up, & dead, 3 choke, & down"));

  it("tells fingers and zones as they are called", () => {
    expect(readCounted(read("p ima", "fingers"))).toBe("1 thumb, & index and middle and ring");
    expect(readCounted(read("LH .", "zones"))).toBe("1 low and high");
  });

  it("has the same words without the counts, and of a free one only that it is free", () => {
    expect(readAloud(read("D3 . U1 x - D"))).toBe("accented down, rest, light up, dead, choke, down");
    expect(readCounted(read("D U", "free"))).toBe(readAloud(read("D U", "free")));
  });
});
