import { describe, expect, it } from "vitest";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { unwrap } from "../../../base";
import { applyEdit } from "../../../document";
import { batch, set } from "../../song/edit";
import { indexCells, outlineOf } from "../../song/read";
import { DOCUMENTS, type Player, type VersionBody } from "../../song/schema";
import { bandSheet, isOnRoots, type SheetRow } from "../band";
import { arrange } from "./arrange";
import { ARRANGE_WEIGHTS, type ArrangeCell, type Limit, OUT_OF_IT } from "./case";
import { cellsOf } from "./cells";
import { arrangeCaseOf, heldLimits, isHeld } from "./of-song";
import { takeArrangement } from "./take";

const bass: Partial<Player> = {
  name: "Low",
  instrument: "bass",
  tuning: ["E1", "A1", "D2", "G2"],
  role: "bass",
  level: "fluent",
};
const voice: Partial<Player> = {
  name: "Voice",
  instrument: "voice",
  tuning: [],
  sings: true,
  range: [55, 72],
};
const songOf = (players: Partial<Player>[], sections: Record<string, object> = {}): VersionBody => {
  const body = sampleVersion(
    { verse: { lines: ["a/G:4 b/Em:4 c/C:4 d/D:4"] }, chorus: { lines: ["e/C:4 f/D:4"] } },
    ["verse", "chorus", "verse", "chorusx2"],
    players,
  );
  return {
    ...body,
    sections: Object.fromEntries(
      Object.values(body.sections).map((row) => [row.id, { ...row, ...sections[row.id] }]),
    ),
  };
};
const wishes = { away: new Set<string>(), arc: "rising" as const, limits: [] as Limit[] };
const caseOf = (body: VersionBody, more: Partial<typeof wishes> = {}) =>
  arrangeCaseOf(body, bandSheet(body), { ...wishes, ...more });

describe("a song as a case to arrange", () => {
  it("has a use for each use, with its section and kind, and singers among the players", () => {
    const { uses, players } = caseOf(
      songOf([{}, voice], { chorus: { kind: "chorus", melodyRange: [60, 67] } }),
    );
    expect(uses.map(({ section, kind }) => [section, kind])).toEqual([
      ["verse", "verse"],
      ["chorus", "chorus"],
      ["verse", "verse"],
      ["chorus", "chorus"],
    ]);
    expect(players.map(({ instrument, range }) => [instrument, range])).toEqual([
      ["guitar", [40, 79]],
      ["voice", [55, 72]],
    ]);
  });

  it("is sung where it has words, as high as is said or as is usual", () => {
    const body = sampleVersion(
      { verse: { lines: ["a/G:4"] }, interlude: { lines: ["/G:4"] } },
      ["verse", "interlude"],
      [{}],
    );
    expect(caseOf(body).uses.map((use) => use.voice)).toEqual([{ low: 57, high: 69 }, null]);
  });

  it("misses a bass only where somebody could have it", () => {
    const needs = (players: Partial<Player>[], away: string[] = []) =>
      caseOf(songOf(players), { away: new Set(away) }).uses[0]!.bass;
    expect(needs([{}])).toBe("free");
    expect(needs([{}, voice])).toBe("free");
    expect(needs([{}, {}])).toBe("needed");
    expect(needs([{ loops: true }])).toBe("free");
    expect(needs([{}, bass])).toBe("needed");
    expect(needs([{}, bass], ["p1"])).toBe("free");
    expect(caseOf(songOf([{}], { verse: { bass: "needed" } })).uses[0]!.bass).toBe("needed");
  });

  it("keeps who is away in the list, out of everything", () => {
    const asked = caseOf(songOf([{}, bass]), { away: new Set(["p0"]) });
    expect(asked.players.map(({ away }) => away)).toEqual([true, false]);
    for (const { cells } of arrange(asked)) for (const row of cells) expect(row[0]).toBe(OUT_OF_IT);
  });
});

let made = 0;
const nextId = () => () => `t${made++}`;
/** Takes cells over the whole sheet: one cell of each idea that is named, in every use. */
function taken(
  body: VersionBody,
  ideas: readonly string[],
  part: { useId?: string; playerId?: string } = {},
) {
  const asked = caseOf(body);
  const cells = asked.uses.map(() =>
    asked.players.map(
      (player, who): ArrangeCell => ({
        ...cellsOf(asked, player).find(({ idea }) => idea === ideas[who])!,
        light: ideas[who] === "out" ? 0 : 3,
      }),
    ),
  );
  const sheet = bandSheet(body);
  const sheetCells = cells.map((row, at) =>
    row.map((cell, who) => {
      const useId = sheet.rows[at]!.use.id;
      const isTaken = (part.useId ?? useId) === useId && (part.playerId ?? `p${who}`) === `p${who}`;
      return isTaken ? cell : undefined;
    }),
  );
  const index = indexCells(body, outlineOf(body));
  const command = takeArrangement(body, sheet, index, { cells: sheetCells }, "take", nextId());
  return unwrap(applyEdit(DOCUMENTS.version, body, command)).body;
}

describe("taking an arrangement over", () => {
  it("gives each cell its role, light, technique, strings and strokes", () => {
    const after = taken(songOf([{ level: "fluent" }, bass]), ["small shapes high", "roots on one and three"]);
    const [verse] = bandSheet(after).rows;
    const [guitar, low] = verse!.parts;
    expect(guitar!.cell.strings.value).toEqual([3, 4, 5]);
    expect(guitar!.cell.style.value).toBe("triad");
    expect(guitar!.cell.fret.value).toBe(7);
    expect(guitar!.onsets).toEqual([0, 1920]);
    expect(low!.cell.role.value).toBe("bass");
    expect(low!.onsets).toEqual([0, 1920]);
    expect(low!.cell.light.value).toBe(3);
    // A pattern is the song's once, however many cells have it.
    expect(Object.values(after.strums).map(({ pattern }) => pattern)).toHaveLength(2);
  });

  it("draws lines up at once, once for each section", () => {
    const after = taken(songOf([{ level: "fluent" }, bass]), ["tenths", "walking bass"]);
    const lines = Object.values(after.riffs);
    expect(lines).toHaveLength(4);
    const sheet = bandSheet(after);
    for (const row of sheet.rows)
      for (const part of row.parts)
        expect(part.notes.length, `${part.player.name} in ${row.label}`).toBeGreaterThan(0);
    expect(sheet.rows[0]!.parts[1]!.riff!.id).toBe(sheet.rows[2]!.parts[1]!.riff!.id);
  });

  it("a lick on each root is one lick that stays set on the roots", () => {
    const after = taken(songOf([{ level: "fluent" }]), ["lick on each root"]);
    const [verse] = bandSheet(after).rows;
    const { riff, notes } = verse!.parts[0]!;
    expect(riff && isOnRoots(riff)).toBe(true);
    // G, E, C and D: each as long as a chord.
    expect(notes.length).toBeGreaterThanOrEqual(16);
  });

  it("takes a player, a section, or one cell, and nothing besides", () => {
    const body = songOf([{ level: "fluent" }, bass]);
    const count = (part: object) =>
      Object.keys(taken(body, ["open strum", "roots on one"], part).cells).length;
    expect(count({})).toBe(8);
    expect(count({ playerId: "p1" })).toBe(4);
    expect(count({ useId: "u1" })).toBe(2);
    expect(count({ useId: "u1", playerId: "p0" })).toBe(1);
    expect(count({ useId: "gone" })).toBe(0);
  });

  it("a second voice has a tone of each chord by the smallest moves, in its range, as a line", () => {
    const body = songOf([{}, voice], { verse: { melodyRange: [60, 67] }, chorus: { melodyRange: [60, 67] } });
    const after = taken(body, ["open strum", "held tones"]);
    const [verse] = bandSheet(after).rows;
    const { riff, notes } = verse!.parts[1]!;
    expect(riff!.name).toContain("held tones");
    const open = [40, 45, 50, 55, 59, 64];
    const pitches = notes.map(({ string, fret }) => open[string]! + fret);
    // G, Em, C, D.
    const tones = [
      [7, 11, 2],
      [4, 7, 11],
      [0, 4, 7],
      [2, 6, 9],
    ];
    expect(pitches).toHaveLength(4);
    for (const [at, pitch] of pitches.entries()) expect(tones[at]).toContain(pitch % 12);
    expect(Math.max(...pitches) - Math.min(...pitches)).toBeLessThanOrEqual(5);
  });

  it("who waits is out, and is left out of strokes and lines", () => {
    const after = taken(songOf([{ level: "fluent" }]), ["out"]);
    expect(bandSheet(after).rows.every(({ parts }) => parts[0]!.out)).toBe(true);
    expect(Object.keys(after.strums)).toEqual([]);
  });
});

describe("what the sheet has already", () => {
  const drawn = taken(songOf([{ level: "fluent" }, bass]), ["tenths", "roots on one and three"]);
  /** The same with each line's first note moved by hand. */
  const body = unwrap(
    applyEdit(
      DOCUMENTS.version,
      drawn,
      batch(
        "move",
        Object.values(drawn.riffs).map(({ id }) => {
          const [note] = Object.values(drawn.riffNotes).filter(({ riffId }) => riffId === id);
          return set("riffNotes", note!.id, { fret: note!.fret + 1 });
        }),
      ),
    ),
  ).body;

  it("lines that were drawn up and have stayed so may go, and go where nobody plays them any more", () => {
    expect(heldLimits(drawn, bandSheet(drawn), false)).toEqual([]);
    const after = taken(drawn, ["open strum", "walking bass"]);
    expect(Object.values(after.riffs).map(({ name }) => name)).toEqual([
      "a walk to the next chord, verse 1",
      "a walk to the next chord, chorus 1",
    ]);
    // Taken again, the same lines are played: none is there twice.
    const again = taken(after, ["open strum", "walking bass"]);
    expect(Object.keys(again.riffs)).toEqual(Object.keys(after.riffs));
    // One use given up keeps the line the other has.
    const part = taken(after, ["open strum", "roots on one"], { useId: "u0" });
    expect(Object.keys(part.riffs)).toHaveLength(2);
  });

  it("a written line stays where it is and is built around; of the rest only what is asked for", () => {
    const held = heldLimits(body, bandSheet(body), false);
    expect(held.map(({ player, rule }) => [player, rule])).toEqual(
      Array.from({ length: 4 }, () => [0, "lock"]),
    );
    expect(heldLimits(body, bandSheet(body), true)).toHaveLength(8);
    const [row] = bandSheet(body).rows as [SheetRow];
    const part = row.parts[1]!;
    expect([isHeld(body, row, part, false), isHeld(body, row, part, true)]).toEqual([false, true]);
  });

  it("each is held as the idea it is most like, and none is broken", () => {
    const asked = caseOf(body, { limits: heldLimits(body, bandSheet(body), true) });
    expect(asked.limits[1]).toMatchObject({ idea: "roots on one and three", player: 1 });
    for (const { cells, violations } of arrange(asked)) {
      expect(violations.filter(({ law }) => law === 2)).toEqual([]);
      for (const row of cells) expect(row[1]!.idea).toBe("roots on one and three");
    }
    expect(asked.weights).toBe(ARRANGE_WEIGHTS);
  });
});
