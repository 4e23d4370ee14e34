import { describe, expect, it } from "vitest";
import { type Cue, cuesOf, type Standing, standingAfter } from "@/core/cues";
import { bandSheet } from "@/core/parts";
import { add } from "@/core/song/edit";
import { timelineOf } from "@/core/song/read";
import { type Cell, EMPTY_CELL, type VersionBody } from "@/core/song/schema";
import { cuesFollowing, nextEntry, type StageSheet } from "@/core/stage";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { edit } from "../../../../testing/sounds/sample-sounds";
import { stagePart } from "../stage-sheets";

/** Four sections of four bars: Ada strums low with a capo on 2 from the second on, is out in the third, full in the last. */
const CELLS: readonly Partial<Cell>[] = [
  { light: 2, technique: "open-strum" },
  { light: 2, technique: "open-strum", capo: 2 },
  { role: "out" },
  { light: 4, technique: "picking", capo: 2 },
];
const line = "one/G:4 two/C:4 three/G:4 four/D:4";
const body = CELLS.reduce<VersionBody>(
  (song, cell, at) =>
    edit(song, add("cells", { ...EMPTY_CELL, ...cell, id: `c${at}`, useId: `u${at}`, playerId: "p0" })),
  sampleVersion({ a: { lines: [line] } }, ["a", "a", "a", "a"], [{ name: "Ada" }]),
);
const cues: Cue[] = cuesOf(body, bandSheet(body), timelineOf(body));
const { sheets } = stagePart(body, body.players.p0!, cues);
const stood = (...played: readonly number[]): Standing | null =>
  played.reduce<Standing | null>((before, at) => standingAfter(before, sheets[at]!.standing!), null);
const told = (here: number, next: number | undefined, before: Standing | null, after: Standing | null) =>
  cuesFollowing(sheets[here]!, next === undefined ? undefined : sheets[next], before, after).map(
    ({ passage, text }) => `${passage}: ${text}`,
  );

describe("what a player does otherwise, wherever the song goes", () => {
  it("is what is cued, where it goes as written (law)", () => {
    for (const [at, sheet] of sheets.entries()) {
      const before = stood(...Array.from({ length: at }, (_, index) => index));
      const followed = cuesFollowing(sheet, undefined, before, null).map(({ text }) => text);
      const written = sheet.cues.filter(({ kind }) => kind !== "count-in").map(({ text }) => text);
      expect(followed.sort()).toEqual(written.sort());
    }
  });

  it("is told from where they really stand when a section is left out or comes again", () => {
    const [first] = [stood(0)];
    // From the first to the last: the capo was not put on yet, and nobody was out.
    expect(told(0, 3, null, first)).toEqual([
      `${sheets[0]!.id}: strum`,
      `${sheets[3]!.id}: up to full, from low`,
      `${sheets[3]!.id}: picking`,
      `${sheets[3]!.id}: capo to 2`,
    ]);
    // The same section once more: nothing is otherwise.
    expect(told(1, 1, stood(0), stood(0, 1))).toEqual([`${sheets[1]!.id}: capo to 2`]);
    expect(told(1, 0, stood(0), stood(0, 1))).toContain(`${sheets[0]!.id}: capo off`);
  });
});

describe("how long a player waits", () => {
  const wait = (
    index: number,
    next: number | null,
    barsLeft: number,
    gone = 0,
    of: readonly StageSheet[] = sheets,
  ) => nextEntry(of, { index, next, barsLeft }, gone);

  it("goes by what comes, not by what was written", () => {
    expect(wait(2, 3, 4)).toEqual({ bars: 4, label: sheets[3]!.label });
    expect(wait(2, 2, 1)).toEqual({ bars: 1 + 4, label: sheets[3]!.label });
    expect(wait(2, 0, 2)).toEqual({ bars: 2, label: sheets[0]!.label });
    expect(wait(2, null, 2)).toBeNull();
    expect(wait(0, 1, 4)).toBeNull();
  });

  it("counts to where they come in inside the section", () => {
    const late = sheets.map((sheet, at) => (at === 0 ? { ...sheet, enters: 2 } : sheet));
    expect(wait(0, 1, 4, 0, late)).toEqual({ bars: 2, label: sheets[0]!.label });
    expect(wait(0, 1, 3, 1, late)).toEqual({ bars: 1, label: sheets[0]!.label });
    expect(wait(0, 1, 2, 2, late)).toBeNull();
  });
});
