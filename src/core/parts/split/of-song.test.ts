import { describe, expect, it } from "vitest";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { unwrap } from "../../../base";
import { applyEdit } from "../../../document";
import { setCells } from "../../song/edit";
import { indexCells, outlineOf } from "../../song/read";
import type { Player, VersionBody } from "../../song/schema";
import { DOCUMENTS } from "../../song/schema";
import { bandSheet } from "../band";
import {
  cellFieldsOf,
  OUT_CELL,
  proposalChanges,
  proposalDifferences,
  SPLIT_WEIGHTS,
  type SplitCell,
  splitBy,
  splitCaseOf,
} from ".";

const bass: Partial<Player> = {
  name: "Low",
  instrument: "bass",
  tuning: ["E1", "A1", "D2", "G2"],
  role: "bass",
};
const voice: Partial<Player> = { name: "Voice", instrument: "voice", tuning: [], sings: true };
const songOf = (players: Partial<Player>[], sections: Record<string, object> = {}): VersionBody => {
  const body = sampleVersion(
    { verse: { lines: ["a/G:4 b/N.C.:4 c/C:8"] }, chorus: { lines: ["d/D:8"] } },
    ["verse", "chorusx2"],
    players,
  );
  return {
    ...body,
    sections: Object.fromEntries(
      Object.values(body.sections).map((row) => [row.id, { ...row, ...sections[row.id] }]),
    ),
  };
};
const caseOf = (body: VersionBody, away: string[] = []) =>
  splitCaseOf(body, bandSheet(body), new Set(away), SPLIT_WEIGHTS);

describe("a song as a case to split", () => {
  it("has a section a use, with the bars in which a chord sounds", () => {
    const { sections } = caseOf(songOf([{}]));
    expect(sections.map(({ id, bars, chordBars }) => [id, bars, chordBars])).toEqual([
      ["u0", 4, [0, 2, 3]],
      ["u1", 2, [0, 1]],
    ]);
  });

  it("takes energy, bass and what is sung from the sections, and what is usual where nothing is said", () => {
    const { sections } = caseOf(
      songOf([{}], { chorus: { energy: 4, bass: "free", melodyRange: [60, 72], kind: "chorus" } }),
    );
    expect(sections.map(({ energy, bass: needs, voice: sung }) => [energy, needs, sung])).toEqual([
      [2, "needed", null],
      [4, "free", { low: 60, high: 72 }],
    ]);
    // Where chords are played somebody plays them.
    expect(caseOf(songOf([{}], { verse: { energy: 0 } })).sections[0]!.energy).toBe(1);
  });

  it("leaves out who is away and who only sings; a capo raises the range", () => {
    const { players } = caseOf(songOf([{ capo: 3 }, bass, voice, {}]), ["p3"]);
    expect(players.map(({ id, range }) => [id, range])).toEqual([
      ["p0", [43, 79]],
      ["p1", [28, 58]],
    ]);
  });
});

describe("taking a proposal over", () => {
  const body = songOf([{ sings: true }, bass]);
  const split = caseOf(body);
  const proposal = splitBy(split, "carry and colour");

  it("takes all of it, a player, a section or one cell", () => {
    expect(proposalChanges(split, proposal, {})).toHaveLength(4);
    expect(proposalChanges(split, proposal, { playerId: "p1" }).map((one) => one.useId)).toEqual([
      "u0",
      "u1",
    ]);
    expect(proposalChanges(split, proposal, { useId: "u1" }).map((one) => one.playerId)).toEqual([
      "p0",
      "p1",
    ]);
    expect(proposalChanges(split, proposal, { useId: "u0", playerId: "p0" })).toHaveLength(1);
  });

  it("makes a sheet that plays as proposed", () => {
    const changes = proposalChanges(split, proposal, {});
    let made = 0;
    const command = setCells(indexCells(body, outlineOf(body)), "take", changes, () => `t${made++}`);
    const after = unwrap(applyEdit(DOCUMENTS.version, body, command)).body;
    for (const [at, row] of bandSheet(after).rows.entries())
      for (const [who, part] of row.parts.entries()) {
        const wanted = proposal.cells[at]![who]!;
        expect([part.cell.role.value, part.cell.technique.value, part.cell.light.value]).toEqual([
          wanted.role,
          wanted.technique,
          wanted.lamp,
        ]);
        expect(part.onsets).toEqual(wanted.onsets);
      }
  });

  it("comes in where it says, and is out where it says", () => {
    const cell: SplitCell = {
      ...OUT_CELL,
      role: "support",
      technique: "triads",
      lamp: 2,
      entryBar: 3,
      strings: [3, 4, 5],
    };
    expect(cellFieldsOf(cell, 8)).toMatchObject({
      bars: [[2, 8]],
      style: "triad",
      strings: [3, 4, 5],
      light: 2,
    });
    expect(cellFieldsOf({ ...cell, entryBar: 1, strings: [] }, 8)).toMatchObject({
      bars: null,
      strings: null,
    });
    expect(cellFieldsOf(OUT_CELL, 8)).toMatchObject({ role: "out", light: 0, technique: null });
  });

  it("differs from another only where cells do", () => {
    expect(proposalDifferences(proposal, proposal)).toEqual([]);
    const cells = proposal.cells.map((row, at) => (at === 1 ? [OUT_CELL, row[1]!] : row));
    expect(proposalDifferences(proposal, { ...proposal, cells })).toEqual([{ section: 1, player: 0 }]);
  });
});
