import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { type Marks, playOrder } from "./play-order";

const PLAIN: Marks = {
  forward: false,
  backward: 0,
  ending: null,
  endingStops: false,
  segno: false,
  coda: false,
  toCoda: false,
  fine: false,
  jump: null,
};
const order = (...marks: Partial<Marks>[]) =>
  playOrder(marks.map((mark) => ({ ...PLAIN, ...mark })))
    ?.map(({ measure, round }) => `${measure}.${round}`)
    .join(" ");

describe("playOrder, worked by hand", () => {
  it("plays straight on", () => expect(order({}, {}, {})).toBe("0.1 1.1 2.1"));
  it("repeats from the beginning", () => expect(order({}, { backward: 2 }, {})).toBe("0.1 1.1 0.2 1.2 2.1"));
  it("repeats between signs, three times", () =>
    expect(order({}, { forward: true }, { backward: 3 }, {})).toBe("0.1 1.1 2.1 1.2 2.2 1.3 2.3 3.1"));
  it("takes the first and second ending", () =>
    expect(
      order({}, { ending: [1], endingStops: true, backward: 2 }, { ending: [2], endingStops: true }, {}),
    ).toBe("0.1 1.1 0.2 2.2 3.1"));
  it("takes endings for several rounds", () =>
    expect(
      order(
        { forward: true },
        { ending: [1, 2], endingStops: true, backward: 2 },
        { ending: [3], endingStops: true },
      ),
    ).toBe("0.1 1.1 0.2 1.2 0.3 2.3"));
  it("goes back to the beginning and ends at fine", () =>
    expect(order({}, { fine: true }, { jump: "capo" })).toBe("0.1 1.1 2.1 0.1 1.1"));
  it("goes back to the sign and over to the coda", () =>
    expect(order({}, { segno: true }, { toCoda: true }, { jump: "segno" }, { coda: true })).toBe(
      "0.1 1.1 2.1 3.1 1.1 2.1 4.1",
    ));
  it("does not repeat again after a jump, and takes the last ending", () =>
    expect(
      order(
        {},
        { ending: [1], endingStops: true, backward: 2 },
        { ending: [2], endingStops: true },
        { jump: "capo" },
      ),
    ).toBe("0.1 1.1 0.2 2.2 3.1 0.1 2.2 3.1"));
  it("gives up where there is no end", () => {
    const many = Array.from({ length: 400 }, (_, index) => ({ backward: index % 2 ? 32 : 0 }));
    expect(order(...many)).toBeUndefined();
  });
});

describe("the cost of an order (law)", () => {
  const mark = fc.record(
    {
      forward: fc.boolean(),
      backward: fc.constantFrom(0, 0, 2, 3, 32),
      ending: fc.option(fc.array(fc.integer({ min: 1, max: 4 }), { minLength: 1, maxLength: 3 })),
      endingStops: fc.boolean(),
      segno: fc.boolean(),
      coda: fc.boolean(),
      toCoda: fc.boolean(),
      fine: fc.boolean(),
      jump: fc.constantFrom(null, null, "capo" as const, "segno" as const),
    },
    { requiredKeys: [] },
  );
  it("ends, and plays at most 6001 measures, for any marks", () => {
    fc.assert(
      fc.property(fc.array(mark, { maxLength: 30 }), (marks) => {
        const found = playOrder(marks.map((one) => ({ ...PLAIN, ...one })));
        expect(found?.length ?? 0).toBeLessThanOrEqual(6001);
      }),
      { numRuns: 500 },
    );
  });
});
