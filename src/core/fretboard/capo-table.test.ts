import { describe, expect, it } from "vitest";
import { unwrap } from "../../base";
import { parseChord } from "../chord";
import { formatKey, GUITAR_TUNING, parseKey, parseTuning } from "../pitch";
import { capoTable, shapeKeyAt } from "./capo-table";
import { fingerings } from "./fingerings";

const guitar = unwrap(parseTuning(GUITAR_TUNING));
const table = (key: string, chords: string, options = {}) =>
  capoTable(
    unwrap(parseKey(key)),
    chords.split(" ").map((item) => {
      const [symbol, beats] = item.split(":");
      return { chord: unwrap(parseChord(symbol!)), beats: Number(beats ?? 4) };
    }),
    { tuning: guitar, ...options },
  );

describe("capoTable", () => {
  it("names the shapes behind each capo", () => {
    const rows = table("F", "F Bb/D C Dm");
    const at = (capo: number) => rows.find((row) => row.capo === capo)!;
    expect(rows.map((row) => row.capo).sort((a, b) => a - b)).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8, 9]);
    expect([formatKey(at(3).shapeKey), at(3).chords.map((one) => one.shape)]).toEqual([
      "D",
      ["D", "G/B", "A", "Bm"],
    ]);
    expect([formatKey(at(5).shapeKey), at(5).chords.map((one) => one.shape)]).toEqual([
      "C",
      ["C", "F/A", "G", "Am"],
    ]);
    expect(at(0).chords.map((one) => one.shape)).toEqual(["F", "Bb/D", "C", "Dm"]);
  });

  it("is sorted by effort, the mean difficulty weighted by beats, N.C. left out", () => {
    const rows = table("G", "G:6 N.C.:8 D:2");
    for (let at = 1; at < rows.length; at++)
      expect(rows[at]!.effort!).toBeGreaterThanOrEqual(rows[at - 1]!.effort!);
    const open = rows.find((row) => row.capo === 0)!;
    const difficulty = (symbol: string) =>
      fingerings(unwrap(parseChord(symbol)), { tuning: guitar }).fingerings[0]!.difficulty;
    expect(open.effort).toBeCloseTo((6 * difficulty("G") + 2 * difficulty("D")) / 8, 5);
    const hardest = difficulty("G") > difficulty("D") ? "G" : "D";
    expect(open.hardest).toEqual({ shape: hardest, difficulty: difficulty(hardest) });
    expect(open.chords[1]).toEqual({ symbol: "N.C.", shape: "N.C." });
  });

  it("keeps the shape names of a guitar tuned down", () => {
    const down = unwrap(parseTuning("Eb2 Ab2 Db3 Gb3 Bb3 Eb4".split(" ")));
    expect(formatKey(shapeKeyAt(unwrap(parseKey("Eb")), 0, down))).toBe("E");
    expect(table("Eb", "Eb Ab", { tuning: down, maxCapo: 0 })[0]!.chords.map((one) => one.shape)).toEqual([
      "E",
      "A",
    ]);
  });

  it("puts last, without effort, a capo where a shape has no fingering", () => {
    const rows = table("C", "C G13 C7(b9,#11)", {
      tuning: unwrap(parseTuning(["C3", "G3", "C4"])),
      maxCapo: 2,
    });
    expect(rows.every((row) => row.effort === null)).toBe(true);
    expect(rows.map((row) => row.capo)).toEqual([0, 1, 2]);
    expect(rows[0]!.hardest?.difficulty).toBeNull();
  });

  it("costs nothing without chords", () => {
    expect(table("C", "N.C.", { maxCapo: 1 }).map((row) => [row.capo, row.effort, row.hardest])).toEqual([
      [0, 0, null],
      [1, 0, null],
    ]);
  });
});
