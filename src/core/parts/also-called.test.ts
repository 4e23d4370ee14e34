import { describe, expect, it } from "vitest";
import { unwrap } from "../../base";
import { parseKey } from "../pitch";
import { alsoCalled } from "./also-called";

const names = (pitches: string, is: string) =>
  alsoCalled(pitches.split(" "), unwrap(parseKey("C")), is).map((one) => one.symbol);

describe("alsoCalled (common practice, no source)", () => {
  it("gives the other names of a shape, complete ones only", () => {
    expect(names("C3 E3 G3 A3", "C6")).toContain("Am7/C");
    expect(names("C3 E3 G3 A3", "C6")).not.toContain("C6");
    expect(names("D3 G3 A3", "Dsus4")).toContain("Gsus2/D");
    expect(names("C3 E3 G3", "C")).toEqual([]);
    expect(alsoCalled([], unwrap(parseKey("C")), "C")).toEqual([]);
  });
});
