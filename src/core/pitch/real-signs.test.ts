import { describe, expect, it } from "vitest";
import { realSigns } from "./real-signs";

describe("realSigns", () => {
  it.each([
    ["Bb/D#", "B♭/D♯"],
    ["C7b9", "C7♭9"],
    ["Hm7b5", "Hm7♭5"],
    ["Ebb", "E♭♭"],
    ["Solb", "Solb"],
  ])("%s is written %s", (symbol, told) => expect(realSigns(symbol)).toBe(told));
});
