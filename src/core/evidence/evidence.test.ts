import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { sampleVersion } from "../../../testing/song/sample-version";
import { unwrap } from "../../base";
import { parseKey } from "../pitch";
import { alignSources } from "./align-bars";
import { barUnlikeness, fitsTwoNames, unlikeness } from "./bar-similarity";
import { type EvidenceBar, type EvidenceSource, evidenceOf } from "./evidence-bars";
import { fewestColumns, weighEvidence } from "./weigh";

/** Bars written as "G C/2": two chords share a bar; "*" before a bar begins a section. */
const source = (name: string, text: string): EvidenceSource => ({
  name,
  bars: text
    .split(" ")
    .filter((one) => one !== "")
    .map((bar, index): EvidenceBar => {
      const symbols = bar.replace("*", "").split("+");
      return {
        chords: symbols.map((symbol, at) => ({
          symbol,
          chordId: `${name}${index}.${at}`,
          from: at / symbols.length,
          to: (at + 1) / symbols.length,
        })),
        section: "S",
        starts: bar.startsWith("*") || index === 0,
        number: index + 1,
        shift: 0,
        beats: 4,
      };
    }),
});

describe("unlikeness, worked by hand", () => {
  it.each([
    ["G", "G", 0],
    ["A#m", "Bbm", 0],
    // C E G against A C E G: 3 shared of 3 + 4; another bass.
    ["C", "Am7", 0.75 * (1 - 6 / 7) + 0.25],
    ["C", "C/E", 0.25],
    ["C", "F#", 1],
    ["N.C.", "N.C.", 0],
    ["N.C.", "C", 1],
    ["Xq", "C", 1],
    ["Xq", "Xq", 0],
  ])("%s and %s: %s", (a, b, cost) => expect(unlikeness(a, b)).toBeCloseTo(cost, 9));

  it("weighs a bar by how long each difference lasts", () => {
    const [a] = source("a", "C+F#").bars;
    const [b] = source("b", "C").bars;
    expect(barUnlikeness(a!, b!)).toBeCloseTo(0.5, 9);
  });

  it("knows when only the bass decides the name", () => {
    expect(fitsTwoNames("C6", "Am7")).toBe(true);
    expect(fitsTwoNames("Csus2", "Gsus4")).toBe(true);
    expect(fitsTwoNames("C", "Am7")).toBe(false);
    expect(fitsTwoNames("C", "C/E")).toBe(false);
  });
});

describe("laying sources", () => {
  it("finds a bar that one source leaves out", () => {
    const laid = alignSources([source("a", "G C D G"), source("b", "G C G")]);
    expect(laid.columns).toEqual([
      [0, 0],
      [1, 1],
      [2, null],
      [3, 2],
    ]);
    expect(laid).toMatchObject({ cost: 0.6, exact: true });
  });

  it("keeps sections together where chords alone would not tell", () => {
    const laid = alignSources([source("a", "*G G *G G"), source("b", "*G G G *G G")]);
    expect(laid.columns.filter((column) => column[0] === 2)).toEqual([[2, 3]]);
  });

  it("costs the least of all ways: the slow plain search agrees, for two and three sources (law)", () => {
    const slow = (lists: EvidenceBar[][]): number => {
      if (lists.every((bars) => bars.length === 0)) return 0;
      let best = Number.POSITIVE_INFINITY;
      for (let move = 1; move < 1 << lists.length; move++) {
        if (lists.some((bars, index) => (move >> index) & 1 && bars.length === 0)) continue;
        let cost = 0;
        for (let i = 0; i < lists.length; i++) {
          for (let j = i + 1; j < lists.length; j++) {
            const both = ((move >> i) & 1) + ((move >> j) & 1);
            if (both === 1) cost += 600;
            if (both === 2) {
              const [a, b] = [lists[i]![0]!, lists[j]![0]!];
              cost += Math.round(1000 * barUnlikeness(a, b)) + (a.starts === b.starts ? 0 : 200);
            }
          }
        }
        const rest = lists.map((bars, index) => ((move >> index) & 1 ? bars.slice(1) : bars));
        best = Math.min(best, cost + slow(rest));
      }
      return best;
    };
    const bars = fc
      .array(fc.constantFrom("G", "C", "*D", "Em", "G+C"), { maxLength: 4 })
      .map((list) => list.join(" "));
    fc.assert(
      fc.property(fc.array(bars, { minLength: 2, maxLength: 3 }), (texts) => {
        const sources = texts.map((text, index) => source(`s${index}`, text));
        const laid = alignSources(sources);
        expect(laid.exact).toBe(true);
        expect(Math.round(laid.cost * 1000)).toBe(slow(sources.map((one) => [...one.bars])));
        for (const [index, one] of sources.entries())
          expect(laid.columns.flatMap((column) => (column[index] === null ? [] : [column[index]]))).toEqual([
            ...one.bars.keys(),
          ]);
      }),
      { numRuns: 60 },
    );
  });

  it("past its budget gives a way with a bound below its cost", () => {
    const texts = ["G C D Em G C", "C D G Em C G D", "D D C G Em C"];
    const laid = alignSources(
      texts.map((text, index) => source(`s${index}`, text)),
      2,
    );
    const best = alignSources(texts.map((text, index) => source(`s${index}`, text)));
    expect(laid.exact).toBe(false);
    expect(laid.bound).toBeLessThanOrEqual(best.cost);
    expect(laid.cost).toBeGreaterThanOrEqual(best.cost);
    for (const index of [0, 1, 2])
      expect(laid.columns.flatMap((column) => column[index] ?? [])).toEqual([
        ...Array(texts[index]!.split(" ").length).keys(),
      ]);
  });
});

describe("weighing the evidence", () => {
  it("tells agreement, questions and what to listen to", () => {
    const evidence = weighEvidence([
      source("sheet", "G C6 D G *G C6 D+F G"),
      source("take", "G Am7 D G *G Am7 D+Fm G"),
    ]);
    expect(
      evidence.questions.map(({ says, columns, twoNames, beats }) => [says, columns, twoNames, beats]),
    ).toEqual([
      [["C6", "Am7"], [1, 5], true, 8],
      [["F", "Fm"], [6], false, 2],
    ]);
    expect(evidence.listen).toHaveLength(2);
    // 32 beats, of which 8 + 2 are in doubt.
    expect(evidence.agreement).toBeCloseTo(22 / 32, 9);
    expect(evidence.columns[6]!.spots.map((spot) => spot.agreement)).toEqual([1, 0]);
  });

  it("asks nothing where a source does not write a stretch, but does where it leaves out a bar", () => {
    const whole = source("a", "*G C *D Em Am D *G C *D Em Am D");
    const once = weighEvidence([whole, source("b", "*G C *D Em Am D")]);
    expect(once.columns.slice(0, 6).map((column) => column.bars)).toEqual(
      [0, 1, 2, 3, 4, 5].map((at) => [at, at]),
    );
    expect(once.questions).toEqual([]);
    const short = weighEvidence([whole, source("b", "*G C *D Em D *G C *D Em Am D")]);
    expect(short.questions.map((one) => one.says)).toEqual([["Am", null]]);
  });

  it("hears one bar that asks several questions rather than several bars", () => {
    expect(
      fewestColumns([
        [0, 3],
        [1, 3],
        [2, 3],
      ]),
    ).toEqual([3]);
    // The column with most open questions is not always on the shortest list.
    expect(fewestColumns([[0, 1], [0, 1], [0, 2], [0, 2], [1], [2]])).toEqual([1, 2]);
    expect(fewestColumns([])).toEqual([]);
  });

  it("plays versions out and lays them in one key", () => {
    const body = sampleVersion({ v: { lines: ["a/G:4 b/D:2 c/C:2"] } }, ["vx2"]);
    const moved = evidenceOf(body, "A", unwrap(parseKey("A")));
    expect(
      moved.bars.map((bar) => bar.chords.map((chord) => `${chord.symbol} ${chord.from}-${chord.to}`)),
    ).toEqual([["A 0-1"], ["E 0-0.5", "D 0.5-1"], ["A 0-1"], ["E 0-0.5", "D 0.5-1"]]);
    expect(moved.bars.map((bar) => [bar.number, bar.starts])).toEqual([
      [1, true],
      [2, false],
      [3, true],
      [4, false],
    ]);
  });
});
