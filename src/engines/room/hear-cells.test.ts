import { describe, expect, it } from "vitest";
import { unwrap } from "@/base";
import { arrange, arrangeCaseOf, bandSheet, takeArrangement } from "@/core/parts";
import { beginsOf, heardBand } from "@/core/practice";
import { indexCells, outlineOf } from "@/core/song/read";
import { edited } from "../../../testing/song/heard";
import { sampleVersion } from "../../../testing/song/sample-version";
import { hearCells } from "./hear-cells";

const song = sampleVersion(
  { verse: { lines: ["a/G:4 b/C:4", "c/G:4 d/C:4"] }, chorus: { lines: ["e/D:4 f/C:4"] } },
  ["verse", "chorus", "verse", "chorus"],
  [{ level: "fluent" }, { level: "fluent" }],
);
const sheet = bandSheet(song);
const [proposed] = arrange(arrangeCaseOf(song, sheet, { away: new Set(), arc: "rising", limits: [] }));
const hear = (cells: Parameters<typeof takeArrangement>[3]["cells"]) =>
  unwrap(hearCells.compute({ body: song, cells }, {}));

describe("a proposal heard before it is taken", () => {
  it("is what would be heard once it is taken, and leaves the song as it is", () => {
    const before = JSON.stringify(song);
    const { cells } = proposed!;
    let made = 0;
    const index = indexCells(song, outlineOf(song));
    const taking = takeArrangement(song, sheet, index, { cells }, "take", () => `x${made++}`);
    expect(hear(cells).parts).toEqual(heardBand(edited(song, taking)));
    expect(JSON.stringify(song)).toBe(before);
    expect(hear(cells).parts).not.toEqual(heardBand(song));
  });

  it("is the song as it is where nothing is proposed, and silent where somebody waits", () => {
    const none = sheet.rows.map(() => sheet.players.map(() => undefined));
    expect(hear(none).parts).toEqual(heardBand(song));
    const waiting = proposed!.cells[0]!.map((cell) => ({
      ...cell,
      idea: "out",
      role: "out" as const,
      light: 0 as const,
    }));
    const { passages, parts } = hear([waiting, ...none.slice(1)]);
    const end = beginsOf(passages)[1]!;
    for (const { strokes, notes } of parts)
      expect([...strokes, ...notes].filter(({ tick }) => tick < end)).toEqual([]);
    expect(parts.some(({ strokes }) => strokes.length > 0)).toBe(true);
  });
});
