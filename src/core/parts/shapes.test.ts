import { describe, expect, it } from "vitest";
import { sampleHand } from "../../../testing/parts/sample-hand";
import { fingerings, readFrets } from "../fretboard";
import { ANY_SHAPE, type ShapeWish, shapeQuestion } from "./shapes";

const request = { ...sampleHand({ level: "fluent" }), symbol: "C" };
const found = (wish: Partial<ShapeWish>) => {
  const question = shapeQuestion(request, { ...ANY_SHAPE, ...wish })!;
  return fingerings(question.chord, question.options).fingerings.map(({ frets }) => frets);
};
const frets = (text: string) => {
  const read = readFrets(text, 6);
  return read.ok ? read.value : [];
};

describe("what is asked of a chord's shapes", () => {
  it("about a fret has no open strings and lies within two frets of it", () => {
    const all = found({ fret: 9, limit: 200 });
    expect(all.length).toBeGreaterThan(0);
    for (const shape of all)
      for (const fret of shape) if (fret !== null) expect(fret >= 7 && fret <= 11).toBe(true);
  });

  it("on strings of one's own leaves the bass to somebody else", () => {
    // The small major shape high on the neck (common practice, no source).
    expect(found({ strings: [3, 4, 5], fret: 9 })).toContainEqual(frets("x x x 9 8 8"));
  });

  it("on two strings, neighbours or not, is a shape of two strings: low E and G for a tenth", () => {
    const tenths = found({ strings: [0, 3], fret: 9 });
    expect(tenths[0]).toEqual(frets("8 x x 9 x x"));
  });

  it("is in the part's own style and as many as are listed at first, when nothing is wished", () => {
    expect(shapeQuestion(request)!.options).toMatchObject({ style: "full", limit: ANY_SHAPE.limit });
    expect(shapeQuestion({ ...request, symbol: "?" })).toBeNull();
  });
});
