import { describe, expect, it } from "vitest";
import { sampleNote } from "../../../../testing/fretboard/sample-note";
import { sampleRiff } from "../../../../testing/song/sample-riff";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { unwrap } from "../../../base";
import { applyEdit } from "../../../document";
import { type Cell, DOCUMENTS, EMPTY_CELL, type Player, type VersionBody } from "../../song/schema";
import { bandSheet } from "../band";
import { planRequest } from "../plan-request";
import { planShapes } from "../shape-plan";
import { changeMs, describeFinding, describeFix, type FindingKind, findingsOf, type SheetFinding } from ".";

type Given = {
  readonly players?: Partial<Player>[];
  readonly cells?: readonly ({ use: number; player: number } & Partial<Cell>)[];
  readonly form?: string[];
  readonly lines?: string[];
  readonly sections?: Record<string, Record<string, unknown>>;
  readonly bpm?: number;
  readonly strums?: Record<string, string>;
};

/** A song of two sections, "verse" and "chorus", of four bars each, with cells as given. */
function songOf({
  players = [{}],
  cells = [],
  form = ["verse"],
  lines,
  sections = {},
  bpm = 90,
  strums = {},
}: Given): VersionBody {
  const own = lines ?? ["a/G:4 b/C:4 c/D:4 d/G:4"];
  const body = sampleVersion({ verse: { lines: own }, chorus: { lines: own } }, form, players) as VersionBody;
  const rows = cells.map(
    ({ use, player, ...fields }, at): Cell => ({
      ...EMPTY_CELL,
      ...fields,
      id: `cell${at}`,
      useId: `u${use}`,
      playerId: `p${player}`,
    }),
  );
  return {
    ...body,
    version: { v: { ...body.version.v!, bpm } },
    sections: Object.fromEntries(
      Object.values(body.sections).map((row) => [
        row.id,
        { ...row, kind: row.id === "chorus" ? "chorus" : "verse", ...sections[row.id] },
      ]),
    ),
    cells: Object.fromEntries(rows.map((row) => [row.id, row])),
    strums: Object.fromEntries(
      Object.entries(strums).map(([id, pattern]) => [
        id,
        {
          id,
          originId: null,
          order: id,
          name: id,
          kind: pattern.includes("p") ? ("fingers" as const) : ("strum" as const),
          meterBeats: 4,
          meterUnit: 4 as const,
          subdivision: (pattern.split(" ").length > 8 ? 4 : 2) as 2 | 4,
          swing: 0.5,
          pattern,
          gate: "",
          anchor: "chord" as const,
        },
      ]),
    ),
  };
}

const found = (given: Given, planned = false): SheetFinding[] => {
  const body = songOf(given);
  const plans = planned
    ? new Map(Object.values(body.players).map((player) => [player.id, planShapes(planRequest(body, player))]))
    : new Map();
  return findingsOf(bandSheet(body), plans, 60000 / (given.bpm ?? 90));
};
const kinds = (given: Given, planned = false): FindingKind[] => found(given, planned).map((one) => one.kind);

const carrier = { role: "carry" as const, light: 3 };
const bassist = { instrument: "bass" as const, tuning: ["E1", "A1", "D2", "G2"], role: "bass" as const };
const keys = { instrument: "keys" as const, tuning: [], role: "support" as const };
const needed = { verse: { bass: "needed" } };
const sung = { verse: { melodyRange: [57, 69] } };

/** Each finding with a sheet that must raise it and one, as near as can be, that must not. */
const CASES: readonly [FindingKind, Given, Given, boolean?][] = [
  ["no-bass", { players: [carrier], sections: needed }, { players: [carrier, bassist], sections: needed }],
  ["no-bass", { players: [carrier, { ...bassist, light: 0 }], sections: needed }, { players: [carrier] }],
  [
    "bass-late",
    { players: [carrier, bassist], sections: needed, cells: [{ use: 0, player: 1, bars: [[2, 4]] }] },
    { players: [carrier, bassist], sections: needed, cells: [{ use: 0, player: 1, bars: [[0, 2]] }] },
  ],
  ["nobody-carries", { players: [{}] }, { players: [carrier] }],
  [
    "nobody-carries",
    { players: [carrier], cells: [{ use: 0, player: 0, phrases: [{ from: 1, to: 2, role: "support" }] }] },
    { players: [{}], cells: [{ use: 0, player: 0, phrases: [{ from: 0, to: 4, role: "carry" }] }] },
  ],
  ["two-carry", { players: [carrier, carrier] }, { players: [carrier, { role: "support" }] }],
  [
    "two-carry",
    { players: [carrier, carrier] },
    {
      players: [carrier, carrier],
      cells: [
        { use: 0, player: 0, bars: [[0, 2]] },
        { use: 0, player: 1, bars: [[2, 4]] },
      ],
    },
  ],
  [
    "one-guitar-twice",
    {
      players: [carrier, {}],
      cells: [
        { use: 0, player: 0, technique: "open-strum" },
        { use: 0, player: 1, technique: "open-strum" },
      ],
    },
    {
      players: [carrier, {}],
      cells: [
        { use: 0, player: 0, technique: "open-strum" },
        { use: 0, player: 1, technique: "open-strum", doubles: "p0" },
      ],
    },
  ],
  [
    "one-guitar-twice",
    {
      players: [carrier, {}],
      strums: { s: "D . D U . U D U" },
      cells: [
        { use: 0, player: 0, strumId: "s" },
        { use: 0, player: 1, strumId: "s" },
      ],
    },
    {
      players: [carrier, {}],
      strums: { s: "D . D U . U D U" },
      cells: [
        { use: 0, player: 0, strumId: "s" },
        { use: 0, player: 1, technique: "off-chops" },
      ],
    },
  ],
  [
    "picked-under-strum",
    {
      players: [carrier, {}],
      cells: [
        { use: 0, player: 0, technique: "picking" },
        { use: 0, player: 1, technique: "beat-strum", light: 3 },
      ],
    },
    {
      players: [carrier, {}],
      cells: [
        { use: 0, player: 0, technique: "picking" },
        { use: 0, player: 1, technique: "beat-strum", light: 1 },
      ],
    },
  ],
  [
    "in-the-voice",
    { players: [{ ...carrier, light: 4 }], sections: sung },
    { players: [carrier], sections: sung },
  ],
  [
    "in-the-voice",
    { players: [{ ...carrier, light: 4 }], sections: sung },
    {
      players: [{ ...carrier, light: 4 }],
      sections: sung,
      cells: [{ use: 0, player: 0, strings: [0, 1], technique: "low-power" }],
    },
  ],
  [
    "light-flat",
    { players: [carrier], form: ["verse", "chorus", "verse"] },
    { players: [carrier], form: ["verse", "chorus", "verse"], cells: [{ use: 1, player: 0, light: 4 }] },
  ],
  [
    "light-drops",
    { players: [carrier], form: ["chorus", "verse", "chorus"], cells: [{ use: 2, player: 0, light: 1 }] },
    { players: [carrier], form: ["chorus", "verse", "chorus"], cells: [{ use: 2, player: 0, light: 4 }] },
  ],
  [
    "above-level",
    { players: [{ ...carrier, level: "beginner" }], cells: [{ use: 0, player: 0, technique: "picking" }] },
    { players: [{ ...carrier, level: "steady" }], cells: [{ use: 0, player: 0, technique: "picking" }] },
  ],
  [
    "too-fast",
    {
      players: [carrier],
      bpm: 200,
      strums: { s: "D U D U D U D U D U D U D U D U" },
      cells: [{ use: 0, player: 0, strumId: "s" }],
    },
    {
      players: [carrier],
      bpm: 90,
      strums: { s: "D U D U D U D U D U D U D U D U" },
      cells: [{ use: 0, player: 0, strumId: "s" }],
    },
  ],
  [
    "quick-change",
    { players: [{ ...carrier, level: "beginner" }], bpm: 240, lines: ["a/C:1 b/G:1 c/F:1 d/D:1"] },
    { players: [{ ...carrier, level: "beginner" }], bpm: 60, lines: ["a/C:4 b/G:4 c/C:4 d/G:4"] },
    true,
  ],
  [
    "idle",
    { players: [carrier, { light: 0 }] },
    { players: [carrier, { light: 0 }], cells: [{ use: 0, player: 1, light: 1 }] },
  ],
  [
    "one-chord",
    { players: [{ ...carrier, level: "beginner" }], bpm: 240, lines: ["a/C:1 b/G:1 c/F:1 d/D:1"] },
    { players: [{ ...carrier, level: "fluent" }], bpm: 240, lines: ["a/C:1 b/G:1 c/F:1 d/D:1"] },
    true,
  ],
];

describe("findings", () => {
  it.each(CASES)("raise %s, and not where it is otherwise", (kind, raised, not, planned) => {
    expect(kinds(raised, planned)).toContain(kind);
    expect(kinds(not, planned)).not.toContain(kind);
  });

  it("raise nothing of a free strum: two of them, however fast", () => {
    const given = (kind: "strum" | "free"): VersionBody => {
      const body = songOf({
        players: [carrier, {}],
        bpm: 240,
        strums: { s: "D U D U D U D U D U D U D U D U" },
        cells: [
          { use: 0, player: 0, strumId: "s" },
          { use: 0, player: 1, strumId: "s" },
        ],
      });
      return { ...body, strums: { s: { ...body.strums.s!, kind } } };
    };
    const kindsOf = (kind: "strum" | "free") =>
      findingsOf(bandSheet(given(kind)), new Map(), 250).map((one) => one.kind);
    expect(kindsOf("strum")).toEqual(expect.arrayContaining(["one-guitar-twice", "too-fast"]));
    expect(kindsOf("free")).not.toContain("one-guitar-twice");
    expect(kindsOf("free")).not.toContain("too-fast");
  });

  it("find a line all in downs too fast where by turns it is not", () => {
    const given = (strokes: "all down" | "by turns") => {
      const body = songOf({ players: [carrier], bpm: 200, cells: [{ use: 0, player: 0, riffId: "r" }] });
      const notes = Array.from({ length: 8 }, (_, at) => [
        `n${at}`,
        { ...sampleNote(at * 480, 2, 3), id: `n${at}`, riffId: "r" },
      ]);
      const riff = sampleRiff({ strokes });
      return { ...body, riffs: { r: riff }, riffNotes: Object.fromEntries(notes) };
    };
    const kindsOf = (strokes: "all down" | "by turns") =>
      findingsOf(bandSheet(given(strokes)), new Map(), 300).map((one) => one.kind);
    expect(kindsOf("all down")).toContain("too-fast");
    expect(kindsOf("by turns")).not.toContain("too-fast");
  });

  it("raise a line with chords at once only where both strike together", () => {
    const given = (tick: number): VersionBody => {
      const body = songOf({
        players: [carrier],
        strums: { s: "D . D . D . D ." },
        cells: [{ use: 0, player: 0, strumId: "s", riffId: "r" }],
      });
      const riff = sampleRiff();
      const note = {
        id: "n",
        riffId: "r",
        tick,
        ticks: 240,
        string: 5,
        fret: 3,
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
      };
      return { ...body, riffs: { r: riff }, riffNotes: { n: note } };
    };
    const kindsAt = (tick: number) =>
      findingsOf(bandSheet(given(tick)), new Map(), 666).map((one) => one.kind);
    expect(kindsAt(0)).toContain("line-and-chords");
    expect(kindsAt(480)).not.toContain("line-and-chords");
  });

  it("say what and why, and what each fix does", () => {
    for (const [, raised, , planned] of CASES)
      for (const finding of found(raised, planned)) {
        const { what, why } = describeFinding(finding);
        expect(what).toMatch(/[.]$/u);
        expect(why).toMatch(/[.]$/u);
        for (const fix of finding.fixes) expect(describeFix(fix).length).toBeGreaterThan(5);
      }
  });

  it("have fixes that mend them", () => {
    const mended = CASES.flatMap(([kind, raised, , planned]) => {
      const body = songOf(raised);
      const [finding] = found(raised, planned).filter((one) => one.kind === kind);
      return finding!.fixes.slice(0, 1).map((fix) => {
        const after = fix.cells.reduce((now, { useId, playerId, fields }) => {
          const cell = Object.values(now.cells).find(
            (one) => one.useId === useId && one.playerId === playerId,
          );
          const command = cell
            ? ({ type: "set", table: "cells", id: cell.id, fields } as const)
            : ({
                type: "add",
                table: "cells",
                row: { ...EMPTY_CELL, ...fields, id: `fix-${useId}-${playerId}`, useId, playerId },
              } as const);
          return unwrap(applyEdit(DOCUMENTS.version, now, command)).body;
        }, body);
        const ids = findingsOf(bandSheet(after), new Map(), 60000 / (raised.bpm ?? 90)).map((one) => one.id);
        return { kind, still: kind !== "one-chord" && ids.includes(finding!.id) };
      });
    });
    expect(mended.length).toBeGreaterThan(10);
    expect(mended.filter((one) => one.still)).toEqual([]);
  });

  it("give each finding an id of its own that stays", () => {
    for (const [, raised, , planned] of CASES) {
      const ids = found(raised, planned).map((one) => one.id);
      expect(new Set(ids).size).toBe(ids.length);
      expect(found(raised, planned).map((one) => one.id)).toEqual(ids);
    }
  });

  it("of nothing are none", () => {
    expect(found({ players: [], form: [] })).toEqual([]);
    expect(kinds({ players: [keys, bassist], form: [] })).toEqual([]);
  });

  it("ask more time of a slower hand", () => {
    expect(changeMs(4, "beginner")).toBeGreaterThan(changeMs(4, "steady"));
    expect(changeMs(4, "fluent")).toBe(260);
  });
});
