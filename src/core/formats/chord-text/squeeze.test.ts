import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { squeeze } from "./squeeze";

describe("words with runs of spaces closed up", () => {
  it("places in a run are those of the next word, past the end the end", () => {
    const { words, place } = squeeze("Light  on");
    expect([words, place(0), place(5), place(6), place(7), place(9), place(40)]).toEqual([
      "Light on",
      0,
      6,
      6,
      6,
      8,
      8,
    ]);
    expect(squeeze("   Light").place(0)).toBe(0);
    expect(squeeze("").place(3)).toBe(0);
  });

  it("law: a line without runs is the same with its columns told one by one", () => {
    const word = fc.stringMatching(/^[a-zé]{1,6}$/u);
    fc.assert(
      fc.property(
        fc.array(word, { minLength: 1, maxLength: 5 }),
        fc.integer({ min: 0, max: 50 }),
        (sung, at) => {
          const text = sung.join(" ");
          const told = squeeze(
            text,
            Array.from({ length: text.length + 1 }, (_, index) => index),
          );
          expect([squeeze(text).words, squeeze(text).place(at)]).toEqual([told.words, told.place(at)]);
        },
      ),
    );
  });
});
