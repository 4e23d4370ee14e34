import { describe, expect, it } from "vitest";
import { capital, countBits, defined } from ".";

describe("small things", () => {
  it("counts the members of a set of bits", () => {
    expect([0, 1, 0b1011, 0xfff].map(countBits)).toEqual([0, 1, 3, 12]);
  });

  it("leaves out what is undefined, and keeps what is null or empty", () => {
    expect(defined({ a: undefined, b: null, c: "", d: 0 })).toEqual({ b: null, c: "", d: 0 });
  });

  it("begins a sentence with a capital", () => {
    expect([capital("capo 2"), capital("Étude"), capital("")]).toEqual(["Capo 2", "Étude", ""]);
  });
});
