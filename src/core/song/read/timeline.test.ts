import { describe, expect, it } from "vitest";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { EMPTY_CELL } from "../schema/parts";
import { UNSOURCED } from "../schema/provenance";
import { choiceFits, findChoice } from "./choices";
import { outlineOf } from "./outline";
import { indexCells, resolveCell } from "./resolve-cells";
import { sectionSums, timelineOf } from "./timeline";

const Q = 960;

describe("timelineOf", () => {
  // Worked by hand: verse 4 + 3 beats and a chorus with a pickup of one; bars of four.
  const body = sampleVersion(
    {
      verse: { lines: ["Light/G:4 on", "the/D:3 bay"] },
      chorus: { lines: ["So/C:1 sing/C:4 it/G:3"], pickup: 1 },
    },
    ["verse", "chorusx2"],
  );
  const timeline = timelineOf(body);

  it("lays uses and repeats end to end, with bars counted through the song", () => {
    expect(timeline.passages.map((one) => [one.section.id, one.round, one.tick / Q, one.ticks / Q])).toEqual([
      ["verse", 0, 0, 7],
      ["chorus", 0, 7, 8],
      ["chorus", 1, 15, 8],
    ]);
    expect(timeline.ticks).toBe(23 * Q);
    expect(
      timeline.passages.map((one) => one.bars.map((bar) => [bar.number, bar.tick / Q, bar.ticks / Q])),
    ).toEqual([
      [
        [1, 0, 4],
        [2, 4, 4],
      ],
      [
        [3, 8, 4],
        [4, 12, 4],
      ],
      [
        [5, 16, 4],
        [6, 20, 3],
      ],
    ]);
  });

  it("gives every chord and word its tick", () => {
    const [verse, chorus] = timeline.passages;
    expect(verse!.lines.map((line) => line.events.map(({ tick }) => tick / Q))).toEqual([[0], [4]]);
    expect(chorus!.lines[0]!.events.map(({ tick }) => tick / Q)).toEqual([7, 8, 12]);
    expect(chorus!.lines[0]!.wordTicks.map((tick) => tick / Q)).toEqual([7, 8, 12]);
    // "Light on": the second word begins 6 of 8 characters into a chord of 4 beats.
    expect(verse!.lines[0]!.wordTicks.map((tick) => tick / Q)).toEqual([0, 3]);
  });

  it("counts a pickup at the very start as bar 0", () => {
    const early = timelineOf(sampleVersion({ a: { lines: ["/G:1 /C:4"], pickup: 1 } }, ["a"]));
    expect(early.passages[0]!.bars.map((bar) => [bar.number, bar.ticks / Q])).toEqual([
      [0, 1],
      [1, 4],
    ]);
    expect(early.bars).toBe(1);
  });

  it("judges a section by what follows it in the form", () => {
    const sums = sectionSums(body, outlineOf(body));
    expect(sums.get("verse")!.open).toBeNull();
    const unplayed = sampleVersion({ verse: { lines: ["/G:4", "/D:3"] } }, []);
    const alone = sectionSums(unplayed, outlineOf(unplayed));
    expect(alone.get("verse")!.open).toMatchObject({ over: 3 * Q, missing: Q });
  });

  it("is empty without a form", () => expect(timelineOf(sampleVersion({}, [])).passages).toEqual([]));
});

describe("cells inherit", () => {
  const body = sampleVersion(
    { verse: { lines: ["/G:4"] } },
    ["verse", "verse"],
    [{ light: 3, role: "carry", capo: 2 }],
  );
  const withCell = {
    ...body,
    cells: {
      c: {
        id: "c",
        useId: "u0",
        playerId: "p0",
        ...EMPTY_CELL,
        light: 1,
        note: "soft",
      },
    },
  };
  const outline = outlineOf(withCell);
  const cell = (use: number) =>
    resolveCell(indexCells(withCell, outline), outline.form[use]!, withCell.players.p0!);

  it("from the section's first use, then from the player", () => {
    expect(cell(0)).toMatchObject({
      light: { value: 1, from: "own" },
      role: { value: "carry", from: "player" },
      capo: { value: 2, from: "player" },
    });
    expect(cell(1)).toMatchObject({
      light: { value: 1, from: "first use" },
      note: { value: "soft", from: "first use" },
      style: { value: "full", from: "player" },
    });
  });
});

describe("choices", () => {
  const spot = {
    playerId: "p0",
    useId: "u0",
    sectionId: "s0",
    chordId: "c0",
    style: "full" as const,
    strings: null,
    symbol: "G",
    capo: 0,
    tuning: ["E2"],
  };
  const choice = {
    id: "a",
    playerId: "p0",
    scope: "symbol" as const,
    chordId: null,
    useId: null,
    sectionId: null,
    style: null,
    strings: null,
    symbol: "G",
    frets: [3],
    fingers: [1 as const],
    capo: 0,
    tuning: ["E2"],
    ...UNSOURCED,
  };
  const narrow = {
    ...choice,
    id: "b",
    scope: "chord-in-use" as const,
    chordId: "c0",
    useId: "u0",
    frets: [15],
  };

  it("take the narrowest that fits", () => {
    const body = { choices: { a: choice, b: narrow } };
    expect(findChoice(body, spot).choice?.id).toBe("b");
    expect(findChoice(body, { ...spot, useId: "u1" }).choice?.id).toBe("a");
    expect(findChoice(body, { ...spot, symbol: "C", chordId: "c1" })).toEqual({ choice: null, unfit: null });
  });

  it("of a section, and of a voicing, leave the others alone", () => {
    const section = { ...choice, id: "c", scope: "section" as const, sectionId: "s0", frets: [5] };
    const triads = { style: "triad" as const, strings: [3, 4, 5] };
    const voicing = { ...choice, id: "d", scope: "voicing" as const, ...triads, frets: [7] };
    const body = { choices: { a: choice, c: section, d: voicing } };
    expect(findChoice(body, spot).choice?.id).toBe("c");
    expect(findChoice(body, { ...spot, sectionId: "s1" }).choice?.id).toBe("a");
    expect(findChoice(body, { ...spot, sectionId: "s1", ...triads }).choice?.id).toBe("d");
    expect(findChoice(body, { ...spot, sectionId: "s1", ...triads, strings: [2, 3, 4] }).choice?.id).toBe(
      "a",
    );
    expect(findChoice(body, { ...spot, symbol: "C" })).toEqual({ choice: null, unfit: null });
  });

  it("are kept but not applied when capo, tuning or symbol no longer fit", () => {
    expect(findChoice({ choices: { a: choice } }, { ...spot, capo: 3 })).toEqual({
      choice: null,
      unfit: choice,
    });
    expect(choiceFits(choice, { ...spot, tuning: ["D2"] })).toBe(false);
  });
});
