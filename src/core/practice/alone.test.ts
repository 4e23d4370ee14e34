import { describe, expect, it } from "vitest";
import { sampleVersion } from "../../../testing/song/sample-version";
import { bandSheet } from "../parts";
import { whoCarriesAlone } from "./alone";

const song = sampleVersion(
  { verse: { lines: ["a/G:4 b/C:4"] }, chorus: { lines: ["c/D:4 d/C:4"] } },
  ["verse", "chorus", "verse"],
  [
    { name: "Guitar", sings: true },
    { name: "Bass", instrument: "bass", tuning: ["E1", "A1", "D2", "G2"] },
    { name: "Keys", instrument: "keys" },
    { name: "Drums", instrument: "drums" },
  ],
);

describe("who carries a song alone", () => {
  const { players, rows } = bandSheet(song);
  const bass = (needed: readonly string[]) => ({
    players,
    rows: rows.map((row) => ({
      ...row,
      bass: needed.includes(row.label) ? ("needed" as const) : ("free" as const),
    })),
  });

  it("is whoever plays chords; a guitar lacks the bass that is asked for, each section told once", () => {
    const labels = [...new Set(rows.map(({ label }) => label))];
    const [guitar, keys, ...more] = whoCarriesAlone(bass(labels));
    expect(guitar).toMatchObject({ player: { name: "Guitar", sings: true }, noBass: labels });
    expect(keys).toMatchObject({ player: { name: "Keys" }, noBass: [] });
    expect(more).toEqual([]);
  });

  it("lacks nothing where no bass is asked for", () =>
    expect(whoCarriesAlone(bass([])).map(({ noBass }) => noBass)).toEqual([[], []]));
});
