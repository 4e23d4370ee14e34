import { describe, expect, it } from "vitest";
import { sampleRiff } from "../../../../testing/song/sample-riff";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { unwrap } from "../../../base";
import { applyEdit } from "../../../document";
import { STRUM_LIBRARY } from "../../rhythm";
import { outlineOf } from "../read/outline";
import { indexCells, resolveCell } from "../read/resolve-cells";
import { DOCUMENTS } from "../schema";
import type { VersionBody } from "../schema/documents";
import type { VersionCommand } from "./edits";
import {
  addRiff,
  clearCells,
  copyCell,
  fillDown,
  pasteCells,
  setCells,
  setRiffNotes,
  takePattern,
} from "./part-commands";

const start = sampleVersion(
  { verse: { lines: ["a/C:4"] }, chorus: { lines: ["b/G:4"] } },
  ["verse", "chorus", "verse", "chorus"],
  [{}, {}],
);
let made = 0;
const ids = () => () => `n${made++}`;
const index = (body: VersionBody) => indexCells(body, outlineOf(body));
const apply = (body: VersionBody, command: VersionCommand) =>
  unwrap(applyEdit(DOCUMENTS.version, body, command)).body;
const sheet = (body: VersionBody) =>
  outlineOf(body).form.map((use) => ["p0", "p1"].map((playerId) => ({ useId: use.id, playerId })));
const cellAt = (body: VersionBody, use: number, player: number) => {
  const outline = outlineOf(body);
  return resolveCell(index(body), outline.form[use]!, body.players[`p${player}`]!);
};

describe("the sheet's edits", () => {
  const base = apply(
    start,
    setCells(
      index(start),
      "x",
      [
        { useId: "u0", playerId: "p0", fields: { light: 3, technique: "picking" } },
        { useId: "u1", playerId: "p1", fields: { role: "line", note: "high" } },
      ],
      ids(),
    ),
  );

  it("fill a column down from the first of a selection", () => {
    const filled = apply(
      base,
      fillDown(
        index(base),
        sheet(base).map((row) => row.slice(0, 1)),
        ids(),
      ),
    );
    for (const use of [1, 2, 3])
      expect(cellAt(filled, use, 0).technique).toEqual({ value: "picking", from: "own" });
    expect(cellAt(filled, 3, 1).note.value).toBe("high");
  });

  it("paste a block, run over its end, and repeat it over a larger selection", () => {
    const copied = [[copyCell(index(base), "u0", "p0"), copyCell(index(base), "u0", "p1")]];
    const one = apply(
      base,
      pasteCells(index(base), copied, { row: 2, column: 0, rows: 1, columns: 1 }, sheet(base), ids()),
    );
    expect(cellAt(one, 2, 0).light).toEqual({ value: 3, from: "own" });
    const many = apply(
      base,
      pasteCells(index(base), copied, { row: 1, column: 0, rows: 3, columns: 2 }, sheet(base), ids()),
    );
    expect([1, 2, 3].map((use) => cellAt(many, use, 0).light.value)).toEqual([3, 3, 3]);
    expect(cellAt(many, 1, 1).role.from).toBe("player");
    const last = pasteCells(
      index(base),
      [...copied, ...copied],
      { row: 3, column: 1, rows: 1, columns: 1 },
      sheet(base),
      ids(),
    );
    expect(last).toMatchObject({ commands: { length: 1 } });
  });

  it("give everything back to inherit", () => {
    const cleared = apply(
      base,
      clearCells(index(base), [
        { useId: "u0", playerId: "p0" },
        { useId: "u3", playerId: "p0" },
      ]),
    );
    expect(cellAt(cleared, 0, 0).technique.value).toBeNull();
  });

  it("take a library pattern once, however often it is chosen", () => {
    const pattern = STRUM_LIBRARY[0]!;
    const make = ids();
    const once = apply(
      base,
      takePattern(base, index(base), pattern, [{ useId: "u0", playerId: "p0" }], () => `a${make()}`),
    );
    const twice = apply(
      once,
      takePattern(once, index(once), pattern, [{ useId: "u1", playerId: "p0" }], () => `b${make()}`),
    );
    expect(Object.keys(twice.strums)).toHaveLength(1);
    expect(cellAt(twice, 1, 0).strumId.value).toBe(cellAt(twice, 0, 0).strumId.value);
    // The second verse inherits the first; with a technique of its own it takes no strum from it.
    expect(cellAt(twice, 2, 0).strumId.from).toBe("first use");
    const own = apply(
      twice,
      setCells(
        index(twice),
        "x",
        [{ useId: "u2", playerId: "p0", fields: { technique: "chops" } }],
        () => "own",
      ),
    );
    expect(cellAt(own, 2, 0).strumId).toEqual({ value: null, from: "player" });
    expect(cellAt(own, 2, 0).style.value).toBe("triad");
  });

  it("keep the notes of a line that stay as they are", () => {
    const note = (tick: number, fret: number) => ({
      tick,
      ticks: 480,
      string: 2,
      fret,
      art: "plain" as const,
      bend: 0,
      ring: false,
      short: false,
      optional: false,
      round: null,
      weight: 2 as const,
      stroke: null,
      times: "only" as const,
      finger: null,
    });
    const riff = sampleRiff();
    const make = ids();
    const added = apply(
      base,
      addRiff(
        base,
        index(base),
        riff,
        [note(0, 2), note(480, 4)],
        [{ useId: "u0", playerId: "p0" }],
        () => `r${make()}`,
      ),
    );
    const id = Object.keys(added.riffs)[0]!;
    expect(cellAt(added, 0, 0).riffId.value).toBe(id);
    const kept = Object.values(added.riffNotes).find((one) => one.fret === 2)!;
    const changed = apply(
      added,
      setRiffNotes(added, id, [note(0, 2), note(960, 5)], () => `s${make()}`, { capo: 2 }),
    );
    expect(
      Object.values(changed.riffNotes)
        .map((one) => one.fret)
        .sort(),
    ).toEqual([2, 5]);
    expect(changed.riffNotes[kept.id]).toEqual(kept);
    expect(changed.riffs[id]!.capo).toBe(2);
  });
});
