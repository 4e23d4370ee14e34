import { describe, expect, it } from "vitest";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { unwrap } from "../../../base";
import { applyEdit, singles } from "../../../document";
import { type ArrangeCell, arrange, arrangeCaseOf, bandSheet, takeArrangement } from "../../parts";
import { indexCells, outlineOf } from "../../song/read";
import { DOCUMENTS, type VersionBody } from "../../song/schema";
import { withLayers } from "./arranged-layers";

const song = sampleVersion(
  { verse: { lines: ["a/G:4 b/C:4", "c/G:4 d/C:4"] }, chorus: { lines: ["e/D:4 f/C:4"] } },
  ["verse", "chorus", "verse", "chorus", "verse"],
  [{ loops: true, level: "fluent" }],
);
let made = 0;
const makeId = () => `t${made++}`;
type Cells = readonly (readonly (ArrangeCell | undefined)[])[];
const taken = (body: VersionBody, cells: Cells): VersionBody => {
  const sheet = bandSheet(body);
  const taking = takeArrangement(body, sheet, indexCells(body, outlineOf(body)), { cells }, "take", makeId);
  return unwrap(applyEdit(DOCUMENTS.version, body, withLayers(body, sheet, taking, cells, makeId))).body;
};
const asked = arrangeCaseOf(song, bandSheet(song), { away: new Set(), arc: "rising", limits: [] });
const [split] = arrange(asked, ["one guitar and loops"]);

describe("a split with a looper, taken over", () => {
  it("has what goes round as layers, wanted under the later times", () => {
    const after = taken(song, split!.cells);
    const over = split!.cells.flatMap(([cell], at) => (cell!.over ? [`u${at}`] : []));
    expect(over.length).toBeGreaterThan(0);
    const layers = Object.values(after.loopLayers);
    expect(layers.length).toBeGreaterThan(0);
    expect(
      Object.values(after.loopWants)
        .map(({ useId }) => useId)
        .sort(),
    ).toEqual(over.sort());
    for (const { stretches } of Object.values(after.loopWants))
      expect(stretches).toEqual([{ from: 0, to: null, want: "on" }]);
    for (const { name, plays, chords } of layers) {
      expect(name).toMatch(/verse|chorus/u);
      expect(plays).not.toBe("thump");
      expect(chords.length).toBeGreaterThan(0);
    }
  });

  it("taken again, has each layer once", () => {
    const once = taken(song, split!.cells);
    const twice = taken(once, split!.cells);
    const names = (body: VersionBody) =>
      Object.values(body.loopLayers)
        .map(({ name }) => name)
        .sort();
    expect(names(twice)).toEqual(names(once));
    expect(Object.keys(twice.loopWants)).toHaveLength(Object.keys(once.loopWants).length);
  });

  it("leaves the looper alone where nothing goes round", () => {
    const cells = split!.cells.map((row) => row.map(({ over: _, ...cell }) => cell));
    const sheet = bandSheet(song);
    const taking = takeArrangement(song, sheet, indexCells(song, outlineOf(song)), { cells }, "take", makeId);
    expect(singles(withLayers(song, sheet, taking, cells, makeId))).toEqual(singles(taking));
  });
});
