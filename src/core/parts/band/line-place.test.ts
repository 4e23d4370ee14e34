import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { timelineOf } from "../../song/read";
import { LINE_FILLS } from "../../song/schema";
import { lineRounds, lineSpans, tellFill } from "./line-place";

const BAR = 3840;
const passage = () =>
  timelineOf(sampleVersion({ verse: { lines: ["a/G:16", "b/C:16"] } }, ["verse"])).passages[0]!;
const cell = (bars: readonly (readonly [number, number])[] | null) => ({
  bars: { value: bars, from: "own" as const },
  stays: null,
});
const begins = (from: number, to: number, length: number, fill: (typeof LINE_FILLS)[number]) =>
  lineRounds({ from: from * BAR, to: to * BAR }, length * BAR, fill).map((round) => round.begins / BAR);

describe("where a line is played", () => {
  it("is the whole section, or the bars its part plays", () => {
    expect(lineSpans(cell(null), passage())).toEqual([{ from: 0, to: 8 * BAR }]);
    expect(lineSpans(cell([[6, 8]]), passage())).toEqual([{ from: 6 * BAR, to: 8 * BAR }]);
    expect(
      lineSpans(
        cell([
          [0, 2],
          [4, 6],
        ]),
        passage(),
      ),
    ).toEqual([
      { from: 0, to: 2 * BAR },
      { from: 4 * BAR, to: 6 * BAR },
    ]);
  });

  it("begins within a bar where that is said: from a word on", () => {
    const [span] = lineSpans(cell([[1.5, 4]]), passage());
    expect(span).toEqual({ from: 1.5 * BAR, to: 4 * BAR });
  });

  it("begins anew in the bars it is played in: three bars in the last four, by hand", () => {
    expect(begins(4, 8, 3, "again")).toEqual([4, 7]);
    expect(begins(4, 8, 3, "once")).toEqual([4]);
    expect(begins(4, 8, 3, "to the end")).toEqual([2, 5]);
  });

  it("says how it fills them, and nothing where it comes out even", () => {
    expect(tellFill(4, 6, "again")).toBe("4 bars in 6: again until they end, the last time cut");
    expect(tellFill(1, 6, "once")).toBe("1 bar in 6: once, then silent");
    expect(tellFill(4, 8, "again")).toBe("");
    expect(tellFill(4, 4, "once")).toBe("");
  });

  it("stays within its span, one round after the other (law)", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 20 }),
        fc.integer({ min: 1, max: 20 }),
        fc.integer({ min: 1, max: 9 }),
        fc.constantFrom(...LINE_FILLS),
        (from, long, length, fill) => {
          const rounds = lineRounds({ from, to: from + long }, length, fill);
          expect(rounds[0]!.from).toBe(from);
          for (const [at, round] of rounds.entries()) {
            expect(round.to).toBeGreaterThan(round.from);
            expect(round.from).toBeGreaterThanOrEqual(Math.max(from, round.begins));
            expect(round.to - round.begins).toBeLessThanOrEqual(length);
            const next = rounds[at + 1];
            if (next) expect(next.begins - round.begins).toBe(length);
          }
          if (fill !== "once") expect(rounds.at(-1)!.to).toBe(from + long);
          if (fill === "to the end") expect(rounds.at(-1)!.begins + length).toBe(from + long);
        },
      ),
    );
  });

  it("is nowhere for a line of no length, or in no bars", () => {
    expect(lineRounds({ from: 0, to: BAR }, 0, "again")).toEqual([]);
    expect(lineRounds({ from: BAR, to: BAR }, BAR, "again")).toEqual([]);
  });
});
