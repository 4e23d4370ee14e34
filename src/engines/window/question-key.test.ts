import { isDeepStrictEqual } from "node:util";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { Numbering } from "./question-key";

const value = fc.letrec((tie) => ({
  any: fc.oneof(
    { maxDepth: 3 },
    fc.constantFrom(null, true, 1, 2, "1", "a", "", "#0"),
    fc.array(tie("any"), { maxLength: 3 }),
    fc.dictionary(fc.constantFrom("a", "b", "1"), tie("any"), { maxKeys: 3, noNullPrototype: true }),
    fc
      .array(fc.tuple(fc.constantFrom("a", "b"), tie("any")), { maxLength: 2 })
      .map((pairs) => new Map(pairs as [string, unknown][])),
  ),
})).any;

describe("numbers of questions", () => {
  it("law: are the same exactly where the questions say the same", () => {
    const numbers = new Numbering();
    fc.assert(
      fc.property(value, value, (a, b) => {
        expect(numbers.of(a) === numbers.of(b)).toBe(isDeepStrictEqual(a, b));
        expect(numbers.of(structuredClone(a))).toBe(numbers.of(a));
      }),
      { numRuns: 2000 },
    );
  });

  it("do not mind the order of fields, nor fields that are not there", () => {
    const numbers = new Numbering();
    expect(numbers.of({ a: 1, b: [2] })).toBe(numbers.of({ b: [2], c: undefined, a: 1 }));
    expect(numbers.of([1, 2])).not.toBe(numbers.of([2, 1]));
  });

  it("never give unlike questions one number when they forget", () => {
    const numbers = new Numbering(3);
    const seen = new Set(Array.from({ length: 50 }, (_, at) => numbers.of({ at })));
    expect(seen.size).toBe(50);
  });

  it("let a marked object be only like itself", () => {
    const numbers = new Numbering();
    const [plan, same] = [{ shapes: [1] }, { shapes: [1] }];
    numbers.mark(plan);
    expect(numbers.of({ plan })).toBe(numbers.of({ plan }));
    expect(numbers.of({ plan })).not.toBe(numbers.of({ plan: same }));
  });

  it("look again only at what has changed", () => {
    const numbers = new Numbering();
    let looks = 0;
    const row = (id: string) =>
      Object.defineProperty({ id }, "at", { enumerable: true, get: () => looks++ && 0 });
    const rows = Object.fromEntries(Array.from({ length: 100 }, (_, at) => [`r${at}`, row(`r${at}`)]));
    const first = numbers.of({ rows });
    expect([numbers.of({ rows }) === first, looks]).toEqual([true, 100]);
    expect(numbers.of({ rows: { ...rows, r1: { id: "r1", at: 7 } } })).not.toBe(first);
    expect(looks).toBe(100);
  });
});
