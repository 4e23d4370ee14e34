import { describe, expect, it } from "vitest";
import { guitar } from "../../../../testing/parts/arrange-player";
import { ARRANGE_WEIGHTS, type ArrangeCase, type ArrangePlayer, type ArrangeUse } from "./case";
import { CONTRAST_WAYS, contrastsOf, overlapOf } from "./contrast";
import { ideaOf } from "./ideas";

const use = (id: string, energy: number): ArrangeUse => ({
  id,
  section: id,
  kind: "verse",
  bars: 4,
  chordBars: [0],
  voice: { low: 57, high: 69 },
  energy,
  bass: "free",
});
const asked = (a: Partial<ArrangePlayer> = {}, b: Partial<ArrangePlayer> = {}): ArrangeCase => ({
  meter: { beats: 4, unit: 4 },
  players: [guitar("a", a), guitar("b", b)],
  uses: [use("v", 1), use("c", 3)],
  arc: "steady",
  weights: ARRANGE_WEIGHTS,
  limits: [],
  tastes: [],
  ideas: null,
});

describe("two guitars in contrast", () => {
  it("are five ways, for every use, each unlike in technique or place", () => {
    const offers = contrastsOf(asked(), [0, 1], [0, 1]);
    expect(offers.map(({ way }) => way).sort()).toEqual([...CONTRAST_WAYS].sort());
    for (const { cells } of offers) {
      expect(cells).toHaveLength(2);
      for (const [one, other] of cells)
        expect(
          one.technique !== other.technique ||
            Math.abs(one.low! + one.high! - other.low! - other.high!) >= 14,
        ).toBe(true);
    }
  });

  it("the same of them is the one all through; the fuller use has the fuller ideas", () => {
    for (const { way, cells } of contrastsOf(asked(), [0, 1], [0, 1])) {
      const full = cells.map((pair) => pair.reduce((sum, { idea }) => sum + ideaOf(idea)!.full, 0));
      expect(full[1]!, way).toBeGreaterThanOrEqual(full[0]!);
    }
  });

  it("leave out what a hand or a mouth can’t do", () => {
    const offers = contrastsOf(
      asked({ level: "beginner" }, { level: "beginner", sings: true }),
      [0, 1],
      [0, 1],
    );
    expect(offers.map(({ way }) => way)).not.toContain("chords and a line");
    for (const { cells } of offers)
      for (const pair of cells) for (const { needs } of pair) expect(needs).toBe("beginner");
  });

  it("shared register and strokes, by hand", () => {
    const heard = (low: number, high: number, onsets: number[]) => ({ low, high, onsets });
    expect(
      overlapOf([
        { bars: 3, pair: [heard(40, 60, [0, 1920]), heard(55, 70, [0, 960])] },
        { bars: 1, pair: [heard(40, 50, [0]), heard(60, 70, [960])] },
      ]),
    ).toEqual({ semitones: (5 * 3) / 4, strokes: ((1 / 3) * 3) / 4 });
    expect(overlapOf([])).toEqual({ semitones: 0, strokes: 0 });
  });
});
