import { describe, expect, it } from "vitest";
import { sampleVersion } from "../../../testing/song/sample-version";
import { unwrap } from "../../base";
import { applyEdit } from "../../document";
import { bandSheet, planRequest, planShapes } from "../parts";
import { set, type VersionCommand } from "../song/edit";
import { DOCUMENTS, EMPTY_CELL, type VersionBody } from "../song/schema";
import { toLearnOf, withoutBass } from "./to-learn";

const body = sampleVersion(
  { verse: { lines: ["Light/G:4 on/C:4"] }, chorus: { lines: ["Go/Em:4 on/C:4"] } },
  ["verse", "chorus", "verse"],
  [{ name: "Ann" }, { name: "Cy", instrument: "keys", tuning: [] }],
);
const edit = (from: VersionBody, ...commands: VersionCommand[]) =>
  commands.reduce((now, command) => unwrap(applyEdit(DOCUMENTS.version, now, command)).body, from);
const cell = (id: string, useId: string, fields: object): VersionCommand => ({
  type: "add",
  table: "cells",
  row: { ...EMPTY_CELL, id, useId, playerId: "p0", ...fields },
});
const learn = (from: VersionBody, player = "p0") => {
  const own = from.players[player]!;
  const plan = own.tuning.length > 0 ? planShapes(planRequest(from, own)) : null;
  return toLearnOf(from, bandSheet(from), player, plan);
};

describe("what must be learned of a song", () => {
  it("counts sections once, and each shape and change of the hand once", () => {
    const { sections, shapes, changes, lines, patterns, presses } = learn(body);
    expect([sections, shapes.length, lines.length, patterns.length, presses]).toEqual([2, 3, 0, 0, 0]);
    // G to C, C to Em, Em to C, C to G.
    expect(changes).toHaveLength(4);
  });

  it("counts nothing where a player is out, and no shapes without strings", () => {
    expect(learn(edit(body, cell("c1", "u1", { role: "out" }))).sections).toBe(1);
    expect(learn(body, "p1")).toMatchObject({ sections: 2, shapes: [], changes: [] });
  });

  it("counts changes of sound along the form", () => {
    const loud = edit(body, cell("c1", "u1", { sound: "Loud" }));
    expect(learn(loud).presses).toBe(2);
  });

  it("says where a bass is asked for and missing", () => {
    const wants = edit(body, set("sections", "chorus", { bass: "needed" }));
    expect(withoutBass(bandSheet(wants))).toEqual(["chorus"]);
    expect(withoutBass(bandSheet(edit(wants, cell("c1", "u1", { role: "bass" }))))).toEqual([]);
    expect(withoutBass(bandSheet(body))).toEqual([]);
  });
});
