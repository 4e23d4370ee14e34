import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { OUT_CELL, SPLIT_WEIGHTS, type SplitCell, type SplitSection } from "./case";
import { entriesOf } from "./entries";
import { bestLamps, lampSets } from "./lamps";
import { lightOf } from "./split-score";
import { pairCost } from "./split-table";

describe("light handed out", () => {
  it("tries every set of lamps once", () => {
    // Four lights, with repetition, order aside: 4, 10, 20 of them.
    expect([0, 1, 2, 3].map((players) => lampSets(players).length)).toEqual([1, 4, 10, 20]);
  });

  it("comes as near to the energy as any set can", () => {
    for (let players = 0; players <= 5; players++)
      for (let energy = 0; energy <= 4; energy++) {
        const least = Math.min(...lampSets(players).map((set) => Math.abs(energy - lightOf(set))));
        expect(bestLamps(players, energy, null)!.distance).toBe(least);
      }
  });

  it("keeps a sum where one is asked for, and has none where it can't be", () => {
    expect(bestLamps(3, 2, 5)!.lamps.reduce((sum, lamp) => sum + lamp, 0)).toBe(5);
    expect(bestLamps(3, 2, 2)).toBeNull();
    expect(bestLamps(0, 2, 0)).toEqual({ lamps: [], distance: 2 });
  });
});

describe("who waits", () => {
  const cell = (role: SplitCell["role"], low: number, onsets: readonly number[]): SplitCell => ({
    ...OUT_CELL,
    role,
    low,
    high: low + 7,
    onsets,
    lamp: 1,
  });
  const section: SplitSection = { id: "s", bars: 8, chordBars: [0], voice: null, energy: 2, bass: "needed" };

  it("is nobody where nobody clashes", () =>
    expect(entriesOf([cell("bass", 28, [0]), cell("support", 60, [960])], section, SPLIT_WEIGHTS)).toEqual([
      1, 1,
    ]));

  it("is never the bass that is needed, and not who carries if another can", () => {
    expect(entriesOf([cell("bass", 40, [0]), cell("support", 42, [960])], section, SPLIT_WEIGHTS)).toEqual([
      1, 8,
    ]);
    expect(
      entriesOf(
        [cell("carry", 50, [0]), cell("support", 52, [960]), cell("bass", 28, [1920])],
        section,
        SPLIT_WEIGHTS,
      ),
    ).toEqual([1, 8, 1]);
  });

  it("leaves no two clashing from the first bar: law", () => {
    const any = fc.record({
      role: fc.constantFrom("carry", "support", "line") as fc.Arbitrary<SplitCell["role"]>,
      low: fc.integer({ min: 40, max: 70 }),
      onsets: fc.constantFrom([0], [0, 1920], [960, 2880]),
    });
    fc.assert(
      fc.property(fc.array(any, { minLength: 1, maxLength: 5 }), (items) => {
        const cells = items.map(({ role, low, onsets }) => cell(role, low, onsets));
        const entries = entriesOf(cells, { ...section, bass: "free" }, SPLIT_WEIGHTS);
        for (const [at, a] of cells.entries())
          for (const [other, b] of cells.entries())
            if (other > at && pairCost(a, b, SPLIT_WEIGHTS) > 0)
              expect(Math.max(entries[at]!, entries[other]!)).toBe(8);
      }),
    );
  });
});
