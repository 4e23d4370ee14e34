import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { type BarSection, sumBars } from "./bars";
import { describeOpenSection } from "./describe-open";

const Q = 960;
const BAR = 4 * Q;

/** "G 4, C 2 | D 2" as lines of chords in quarters. */
const section = (text: string, pickup = 0): BarSection => ({
  pickup: pickup * Q,
  lines: text.split("|").map((line) =>
    line
      .split(",")
      .map((item) => item.trim())
      .filter((item) => item !== "")
      .map((item) => {
        const [symbol, beats] = item.split(" ");
        return { symbol: symbol!, ticks: Number(beats) * Q };
      }),
  ),
});
const write = (bars: readonly (readonly { symbol: string; ticks: number }[])[]) =>
  bars.map((bar) => bar.map(({ symbol, ticks }) => `${symbol} ${ticks / Q}`).join(", "));

describe("sumBars", () => {
  it("cuts a chord at the bar line and carries a line into the next", () => {
    const [sum] = sumBars([section("Bm 6, A 1 | G 1")], BAR);
    expect(write(sum!.bars)).toEqual(["Bm 4", "Bm 2, A 1, G 1"]);
    expect(sum!.lines).toEqual([
      { ticks: 7 * Q, carryIn: 0, carryOut: 3 * Q },
      { ticks: Q, carryIn: 3 * Q, carryOut: 0 },
    ]);
    expect(sum!.open).toBeNull();
  });

  it("gives a pickup to the bar before", () => {
    const [first, second] = sumBars([section("G 4, D 3"), section("C 1, C 4", 1)], BAR);
    expect(write(first!.bars)).toEqual(["G 4", "D 3, C 1"]);
    expect(write(second!.bars)).toEqual(["C 4"]);
    expect(second!.lines[0]).toEqual({ ticks: 5 * Q, carryIn: 3 * Q, carryOut: 0 });
    expect(first!.open).toBeNull();
    expect(second!.open).toBeNull();
  });

  it("makes a pickup at the very start a short bar of its own", () => {
    const [sum] = sumBars([section("G 1, C 4", 1)], BAR);
    expect(write(sum!.bars)).toEqual(["G 1", "C 4"]);
  });

  it("says what is missing and offers what closes", () => {
    const lines = section("Bm 6, A 2 | G 4, A 3").lines;
    const [sum] = sumBars([{ pickup: 0, lines }], BAR);
    expect(sum!.open).toMatchObject({ line: 1, at: 1, over: 3 * Q, missing: Q });
    const said = describeOpenSection(sum!.open!, lines, BAR, "1/4");
    expect(said.message).toBe("The section ends 3 beats into a bar of 4: 1 beat is missing, or 3 too many.");
    expect(said.fixes.map((fix) => fix.words)).toEqual(["Line 2: G 4, A 4: 8 beats, 2 bars"]);
  });

  it("suspects the one uneven line first", () => {
    const [sum] = sumBars([section("G 3 | C 4 | D 4")], BAR);
    expect(sum!.open!.line).toBe(0);
  });

  it("takes a section without chords as closed", () => {
    expect(sumBars([section("")], BAR)[0]!.open).toBeNull();
  });

  const chords = fc.array(fc.array(fc.integer({ min: 1, max: 9 }), { maxLength: 4 }), {
    minLength: 1,
    maxLength: 5,
  });
  const build = (lengths: number[][]): BarSection => ({
    pickup: 0,
    lines: lengths.map((line) => line.map((beats) => ({ symbol: "C", ticks: beats * Q }))),
  });

  it("loses no time: bars add up to the lines, and every bar but the last is whole (law)", () => {
    fc.assert(
      fc.property(chords, (lengths) => {
        const [sum] = sumBars([build(lengths)], BAR);
        const total = lengths.flat().reduce((a, b) => a + b, 0) * Q;
        const bars = sum!.bars.map((bar) => bar.reduce((all, chord) => all + chord.ticks, 0));
        expect(bars.reduce((a, b) => a + b, 0)).toBe(total);
        for (const bar of bars.slice(0, -1)) expect(bar).toBe(BAR);
        expect(sum!.open === null).toBe(total % BAR === 0);
      }),
    );
  });

  it("closes after any fix it offers (law)", () => {
    fc.assert(
      fc.property(chords, (lengths) => {
        const own = build(lengths);
        for (const fix of sumBars([own], BAR)[0]!.open?.fixes ?? []) {
          const lines = own.lines.map((line, index) =>
            line.map((chord, at) =>
              index === fix.line && at === fix.at ? { ...chord, ticks: fix.ticks } : chord,
            ),
          );
          expect(sumBars([{ pickup: 0, lines }], BAR)[0]!.open).toBeNull();
        }
      }),
    );
  });
});
