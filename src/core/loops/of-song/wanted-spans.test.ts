import fc from "fast-check";
import { describe, expect, it } from "vitest";
import type { Want } from "../loop-case";
import { paint, type WantedSpan, wantAt } from "./wanted-spans";

const TOTAL = 100;
const want = fc.constantFrom<Want>("on", "off", "either");
const stroke = fc.tuple(fc.nat(TOTAL - 1), fc.integer({ min: 1, max: TOTAL }), want);

describe("painting what is wanted", () => {
  it("draws, loosens and cuts, by hand", () => {
    const drawn = paint([], 0, 40, "on", TOTAL);
    expect(drawn).toEqual([{ from: 0, to: 40, want: "on" }]);
    const loose = paint(drawn, 20, 30, "either", TOTAL);
    expect(loose).toEqual([
      { from: 0, to: 20, want: "on" },
      { from: 20, to: 30, want: "either" },
      { from: 30, to: 40, want: "on" },
    ]);
    expect(paint(loose, 20, 30, "on", TOTAL)).toEqual(drawn);
    expect(paint(drawn, 10, 20, "off", TOTAL)).toEqual([
      { from: 0, to: 10, want: "on" },
      { from: 20, to: 40, want: "on" },
    ]);
  });

  it("lets a span that reaches the end go on with the section, however long it becomes", () => {
    expect(paint([], 60, TOTAL, "on", TOTAL)).toEqual([{ from: 60, to: null, want: "on" }]);
    expect(paint([{ from: 0, to: null, want: "on" }], 20, 40, "off", TOTAL)).toEqual([
      { from: 0, to: 20, want: "on" },
      { from: 40, to: null, want: "on" },
    ]);
    expect(wantAt([{ from: 60, to: null, want: "on" }], 5000)).toBe("on");
  });

  it("changes what it covers and nothing else, in order, without overlaps, and no more than needed", () => {
    fc.assert(
      fc.property(fc.array(stroke, { maxLength: 12 }), (strokes) => {
        const plain: Want[] = Array(TOTAL).fill("off");
        let spans: WantedSpan[] = [];
        for (const [a, length, wanted] of strokes) {
          const to = Math.min(TOTAL, a + length);
          spans = paint(spans, a, to, wanted, TOTAL);
          plain.fill(wanted, a, to);
        }
        expect(plain.map((_, tick) => wantAt(spans, tick))).toEqual(plain);
        const runs = plain.filter((one, tick) => one !== "off" && one !== plain[tick - 1]).length;
        expect(spans).toHaveLength(runs);
        for (const [at, { from, to }] of spans.entries()) {
          expect(to === null || to > from).toBe(true);
          expect(at === 0 || from >= spans[at - 1]!.to!).toBe(true);
        }
      }),
    );
  });
});
