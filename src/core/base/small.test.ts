import { describe, expect, it } from "vitest";
import { capital, countBits } from ".";

describe("small things", () => {
  it("counts the members of a set of bits", () => {
    expect([0, 1, 0b1011, 0xfff].map(countBits)).toEqual([0, 1, 3, 12]);
  });

  it("begins a sentence with a capital", () => {
    expect([capital("capo 2"), capital("Étude"), capital("")]).toEqual(["Capo 2", "Étude", ""]);
  });
});
