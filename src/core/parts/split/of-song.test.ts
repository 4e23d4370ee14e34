import { describe, expect, it } from "vitest";
import { sampleVersion } from "../../../../testing/song/sample-version";
import type { Player, VersionBody } from "../../song/schema";
import { bandSheet } from "../band";
import { SPLIT_WEIGHTS, splitCaseOf } from ".";

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
