import { describe, expect, it } from "vitest";
import { sampleVersion } from "../../../testing/song/sample-version";
import { STRUM_LIBRARY } from "../rhythm";
import { strumRow } from "../song/edit";
import { type Cell, EMPTY_CELL } from "../song/schema";
import { bandSheet } from "./band";
import { describePart } from "./describe-part";

const said = (fields: Partial<Cell>): string[] => {
  const body = sampleVersion({ verse: { lines: ["a/G:8"] } }, ["verse"], [{}, { name: "Tobin" }]);
  const strum = { ...strumRow(body, STRUM_LIBRARY.find((one) => one.id === "44-skip")!, () => "s") };
  const cell: Cell = { ...EMPTY_CELL, ...fields, id: "c", useId: "u0", playerId: "p0" };
  const { rows } = bandSheet({ ...body, strums: { s: strum }, cells: { c: cell } });
  const part = rows[0]!.parts[0]!;
  const name = part.cell.strumId.value ? strum.name : null;
  return describePart(part, name, (id) => body.players[id]!.name, "Verse 2");
};

describe("a part in short phrases", () => {
  it("tells a pattern by its name: its strokes are drawn", () =>
    expect(said({ strumId: "s" })).toEqual(["skip the three"]));

  it("tells technique, sound, bars, phrases and doubling", () =>
    expect(
      said({
        technique: "chops",
        sound: "Bright",
        bars: [[1, 2]],
        phrases: [{ from: 0, to: 1, role: "carry" }],
        doubles: "p1",
      }),
    ).toEqual([
      "short chops on the backbeat",
      "sound: Bright",
      "plays bar 2 of Verse 2",
      "bar 1 of Verse 2: carry",
      "doubles Tobin",
    ]));

  it("tells where on the neck it lies, and that one shape is moved", () => {
    expect(said({ fret: 10, moved: true })).toEqual(["one shape, moved, about fret 10"]);
    expect(said({ fret: 7 })).toEqual(["about fret 7"]);
  });

  it("says nothing of a part that is out, or that nothing is said of", () => {
    expect(said({ light: 0, technique: "chops" })).toEqual([]);
    expect(said({})).toEqual([]);
  });
});
