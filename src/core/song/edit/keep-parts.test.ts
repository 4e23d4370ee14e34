import { describe, expect, it } from "vitest";
import { edited } from "../../../../testing/song/heard";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { unwrap } from "../../../base";
import { outlineOf } from "../read/outline";
import { indexCells, isOut, resolveCell } from "../read/resolve-cells";
import type { VersionBody } from "../schema/documents";
import { EMPTY_CELL } from "../schema/parts";
import { fold } from "./fold";
import { unfold } from "./unfold";

let count = 0;
const makeId = () => `p${count++}`;

/** Two verses of like chords; the guitar is out in the first, and plays the second picked, twice. */
const song = (): VersionBody => {
  const body = sampleVersion(
    { one: { lines: ["a/G:4"] }, two: { lines: ["b/G:4"] } },
    ["one", "two", "one", "two"],
    [{}],
  );
  const cell = (id: string, useId: string, fields: object) => ({
    ...EMPTY_CELL,
    id,
    useId,
    playerId: "p0",
    ...fields,
  });
  const cells = [
    cell("c0", "u0", { role: "out" }),
    cell("c1", "u1", { technique: "picking", light: 3, bars: [["half", 2]] }),
  ];
  return { ...body, cells: Object.fromEntries(cells.map((one) => [one.id, one])) };
};

/** What the guitar does at each place. */
const parts = (body: VersionBody) => {
  const outline = outlineOf(body);
  const index = indexCells(body, outline);
  return outline.form.map((use) => {
    const cell = resolveCell(index, use, body.players.p0!);
    return [isOut(cell), cell.technique.value, cell.light.value, cell.barsSaid.value];
  });
};

describe("parts of a form that is changed", () => {
  it("stay what they were when a section is folded into another: a silence there silences nobody here", () => {
    const body = song();
    const after = edited(body, unwrap(fold(body, outlineOf(body), "two", "one", makeId)));
    expect(parts(after)).toEqual(parts(body));
    expect(Object.keys(after.sections)).toEqual(["one"]);
  });

  it("stay what they were when a place becomes a section of its own, the first one too", () => {
    for (const useId of ["u0", "u1", "u3"]) {
      const body = song();
      expect(parts(edited(body, unfold(body, outlineOf(body), useId, makeId)))).toEqual(parts(body));
    }
  });
});
