import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { sure } from "../../../base";
import {
  applyEdit,
  type Command,
  checkBody,
  type Definition,
  describeProblem,
  emptyBody,
  overlap,
  touches,
} from "../../../document";
import { STRUM_LIBRARY } from "../../rhythm";
import { indexCells } from "../read/cells";
import { outlineOf } from "../read/outline";
import { DOCUMENTS } from "../schema";
import type { VersionBody } from "../schema/documents";
import {
  addChord,
  addLine,
  addSection,
  addUse,
  chooseShape,
  moveBefore,
  removeChord,
  removeLine,
  removePlayer,
  removeSection,
  removeUse,
  setCell,
  setWords,
} from "./commands";
import type { VersionCommand } from "./edits";
import { set } from "./makers";
import {
  addRiff,
  copyCell,
  dismiss,
  pasteCells,
  removeRiff,
  removeStrum,
  setCells,
  setRiffNotes,
  takePattern,
} from "./part-commands";

const start = sampleVersion(
  { verse: { lines: ["Light/G:4 on the/C:4 water", "/D:8"] }, chorus: { lines: ["Go/Em:4 on/C:4"] } },
  ["verse", "chorusx2", "verse"],
  [{}, { instrument: "bass", role: "bass" }],
);
/** The same kind, for commands no maker makes. */
const ANY: Definition = DOCUMENTS.version;
const apply = (body: VersionBody, command: VersionCommand) =>
  sure(applyEdit(DOCUMENTS.version, body, command));
const ids = () => {
  let count = 0;
  return () => `new${count++}`;
};

const noteAt = (tick: number, fret: number) => ({
  tick,
  ticks: 480,
  string: 2,
  fret: fret % 20,
  art: "plain" as const,
  bend: 0,
  ring: false,
  short: false,
  optional: false,
  round: null,
});

/** Every command the interface makes, by a number. */
function commandOf(body: VersionBody, choice: number, pick: number): VersionCommand | null {
  const makeId = ids();
  const outline = outlineOf(body);
  const section = outline.sections[pick % Math.max(1, outline.sections.length)];
  const line = section?.lines[0];
  const chord = line?.chords[0]?.chord;
  const use = outline.form[pick % Math.max(1, outline.form.length)];
  const player = Object.values(body.players)[0];
  switch (choice % 20) {
    case 0:
      return set("version", "v", { bpm: 60 + pick });
    case 1:
      return section ? set("sections", section.section.id, { label: `L${pick}` }) : null;
    case 2:
      return addSection(body, "New", "bridge", () => `s${choice}-${pick}-${makeId()}`);
    case 3:
      return section ? removeSection(body, section.section.id) : null;
    case 4:
      return section ? addUse(body, section.section.id, () => `use-${choice}-${pick}`) : null;
    case 5:
      return use ? removeUse(body, use.id) : null;
    case 6:
      return use
        ? moveBefore("uses", outline.form, use.id, outline.form.find((one) => one.id !== use.id)?.id ?? null)
        : null;
    case 7:
      return line
        ? setWords(line, `words ${pick} anew and longer`, () => `w-${choice}-${pick}-${makeId()}`)
        : null;
    case 8:
      return line
        ? addChord(line, "Am7", 960, line.words[0]?.word.id ?? null, () => `c-${choice}-${pick}`)
        : null;
    case 9:
      return chord ? removeChord(body, chord.id) : null;
    case 10:
      return use && player
        ? setCell(
            indexCells(body, outline),
            use.id,
            player.id,
            { light: pick % 5, note: "n" },
            () => `cell-${choice}-${pick}`,
          )
        : null;
    case 11:
      return line ? removeLine(body, line.line.id) : null;
    case 12:
      return use && player
        ? setCells(
            indexCells(body, outline),
            "several",
            outline.form.map((one) => ({
              useId: one.id,
              playerId: player.id,
              fields: { technique: "picking", bars: [[0, 2]] },
            })),
            () => `cells-${choice}-${pick}-${makeId()}`,
          )
        : null;
    case 13:
      return use && player
        ? takePattern(
            body,
            indexCells(body, outline),
            STRUM_LIBRARY[pick % STRUM_LIBRARY.length]!,
            [{ useId: use.id, playerId: player.id }],
            () => `strum-${choice}-${pick}-${makeId()}`,
          )
        : null;
    case 14: {
      const strum = Object.values(body.strums)[0];
      return strum ? removeStrum(body, strum.id) : null;
    }
    case 15:
      return use && player
        ? addRiff(
            body,
            indexCells(body, outline),
            {
              id: `riff-${choice}-${pick}`,
              name: "r",
              tuning: player.tuning,
              capo: 0,
              ticks: 3840,
              way: "as written",
              home: null,
              approach: false,
            },
            [noteAt(0, pick), noteAt(480, 3)],
            [{ useId: use.id, playerId: player.id }],
            () => `riff-${choice}-${pick}-${makeId()}`,
          )
        : null;
    case 16: {
      const riff = Object.values(body.riffs)[0];
      return riff
        ? setRiffNotes(
            body,
            riff.id,
            [noteAt(480, 3), noteAt(960, 5)],
            () => `note-${choice}-${pick}-${makeId()}`,
            { name: `r${pick}` },
          )
        : null;
    }
    case 17: {
      const riff = Object.values(body.riffs)[0];
      return riff ? removeRiff(body, riff.id) : null;
    }
    case 18:
      return use && player
        ? pasteCells(
            indexCells(body, outline),
            [[copyCell(indexCells(body, outline), use.id, player.id)]],
            { row: 0, column: 0, rows: 2, columns: 1 },
            outline.form.map((one) => [{ useId: one.id, playerId: player.id }]),
            () => `paste-${choice}-${pick}-${makeId()}`,
          )
        : null;
    case 19:
      return dismiss(`finding ${pick}`, "so be it", () => `dismiss-${choice}-${pick}`);
    default:
      return use && chord && player
        ? chooseShape(
            body,
            {
              playerId: player.id,
              useId: use.id,
              chordId: chord.id,
              symbol: "G",
              capo: 0,
              tuning: player.tuning,
            },
            "chord",
            { frets: [3, 2, 0, 0, 0, 3], fingers: [2, 1, null, null, null, 3] },
            () => `choice-${choice}-${pick}`,
          )
        : null;
  }
}

describe("applyEdit", () => {
  it("takes every edit back exactly, in any order of edits, and always leaves a sound body (law)", () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(1000), fc.nat(50)), { maxLength: 14 }), (steps) => {
        let body = start;
        const inverses: VersionCommand[] = [];
        const before: VersionBody[] = [];
        for (const [choice, pick] of steps) {
          const command = commandOf(body, choice, pick);
          const applied = command && applyEdit(DOCUMENTS.version, body, command);
          if (!applied?.ok) continue;
          before.push(body);
          inverses.push(applied.value.inverse);
          body = applied.value.body;
          expect(checkBody(DOCUMENTS.version, body).ok).toBe(true);
        }
        for (const inverse of inverses.reverse()) {
          body = apply(body, inverse).body;
          expect(body).toEqual(before.pop());
        }
      }),
      { numRuns: 60 },
    );
  });

  it("does not change the body it is given", () => {
    const copy = structuredClone(start);
    apply(start, set("version", "v", { bpm: 99 }));
    apply(start, removeSection(start, "chorus"));
    expect(start).toEqual(copy);
  });

  it.each([
    ["an unknown table", { type: "add", table: "loops", row: { id: "x" } }, "unknown-table"],
    [
      "an inherited name as a table",
      { type: "add", table: "constructor", row: { id: "x" } },
      "unknown-table",
    ],
    ["a row that is there", { type: "add", table: "sections", row: start.sections.verse }, "row-exists"],
    [
      "a row that is not",
      { type: "set", table: "sections", id: "nobody", fields: { label: "x" } },
      "unknown-row",
    ],
    ["tempo 0", { type: "set", table: "version", id: "v", fields: { bpm: 0 } }, "bad-field"],
    ["metre 5/0", { type: "set", table: "version", id: "v", fields: { meterUnit: 0 } }, "bad-field"],
    ["a capo off the neck", { type: "set", table: "players", id: "p0", fields: { capo: 13 } }, "bad-field"],
    [
      "a field nobody knows",
      { type: "set", table: "version", id: "v", fields: { colour: "red" } },
      "bad-field",
    ],
    [
      "a sign no database keeps",
      { type: "set", table: "sections", id: "verse", fields: { label: "a\u0000b" } },
      "bad-field",
    ],
    [
      "half a character",
      { type: "set", table: "sections", id: "verse", fields: { label: "a\ud800" } },
      "bad-field",
    ],
    ["a change of id", { type: "set", table: "version", id: "v", fields: { id: "w" } }, "bad-field"],
    ["a section still in the form", { type: "remove", table: "sections", id: "verse" }, "still-used"],
    [
      "a use of no section",
      { type: "set", table: "uses", id: "u0", fields: { sectionId: "gone" } },
      "missing-reference",
    ],
    ["an id every object has", { type: "add", table: "sections", row: { id: "__proto__" } }, "bad-field"],
    ["a second head", { type: "add", table: "version", row: { ...start.version.v, id: "w" } }, "one-head"],
    ["no head", { type: "remove", table: "version", id: "v" }, "one-head"],
  ] as [string, Command, string][])("refuses %s, with a sentence", (_, command, code) => {
    const outcome = applyEdit(ANY, start, command);
    expect(outcome).toMatchObject({ ok: false, problem: { code } });
    if (!outcome.ok)
      expect(describeProblem(DOCUMENTS.version, outcome.problem)).toMatch(/Nothing was changed\.$/);
  });

  it("refuses a whole batch when one of it cannot be", () => {
    const command: VersionCommand = {
      type: "batch",
      label: "",
      commands: [set("version", "v", { bpm: 90 }), { type: "remove", table: "words", id: "gone" }],
    };
    expect(applyEdit(DOCUMENTS.version, start, command).ok).toBe(false);
    expect(start.version.v!.bpm).toBe(60);
  });

  it("keeps markup as text", () => {
    const words = "<script>alert(1)</script> & <b>bold</b>";
    const { body } = apply(start, set("sections", "verse", { label: words }));
    expect(body.sections.verse!.label).toBe(words);
  });
});

describe("touches and overlap", () => {
  it("meet on the same field, or on a whole row", () => {
    const label = touches(set("sections", "verse", { label: "A" }));
    const kind = touches(set("sections", "verse", { kind: "bridge" }));
    const gone = touches({ type: "remove", table: "sections", id: "verse" });
    expect(overlap(label, kind)).toEqual([]);
    expect(overlap(label, label)).toEqual(label);
    expect(overlap(label, gone)).toEqual(label);
    expect(overlap(gone, kind)).toEqual(gone);
  });
});

describe("setWords", () => {
  const line = () => outlineOf(start).byId.get("verse")!.lines[0]!;
  const text = (command: VersionCommand) =>
    outlineOf(apply(start, command).body).byId.get("verse")!.lines[0]!;

  it("keeps the ids of words that stay, and the chords on them", () => {
    const after = text(setWords(line(), "Light on all the water", ids()));
    expect(after.text).toBe("Light on all the water");
    expect(after.words[0]!.word.id).toBe("verse-l0-w0");
    expect(after.words.at(-1)!.word.id).toBe("verse-l0-w3");
    expect(after.chords.map(({ at }) => at)).toEqual([0, 13]);
  });

  it("moves a chord whose word is gone to the word in its place, or to none", () => {
    expect(text(setWords(line(), "Light water", ids())).chords.map(({ at }) => at)).toEqual([0, 6]);
    const bare = text(setWords(line(), "", ids()));
    expect(bare.words).toEqual([]);
    expect(bare.chords.map(({ chord }) => chord.wordId)).toEqual([null, null]);
  });
});

describe("removePlayer, addLine", () => {
  it("takes the player's cells along", () => {
    const withCell = apply(
      start,
      setCell(indexCells(start, outlineOf(start)), "u0", "p0", { light: 4 }, ids()),
    ).body;
    const after = apply(withCell, removePlayer(withCell, "p0")).body;
    expect([Object.keys(after.players), Object.keys(after.cells)]).toEqual([["p1"], []]);
  });

  it("adds a line at the end of its section", () => {
    const after = apply(start, addLine(outlineOf(start), "verse", ids())).body;
    expect(outlineOf(after).byId.get("verse")!.lines.at(-1)!.line.id).toBe("new0");
  });
});

describe("checkBody", () => {
  it("finds a bad row, a stray table, a lost reference, a missing head", () => {
    const problem = (body: unknown) => {
      const checked = checkBody(DOCUMENTS.version, body);
      return checked.ok ? null : [checked.problem.table, checked.problem.field];
    };
    expect(problem(start)).toBeNull();
    expect(problem({ ...start, loops: {} })).toEqual(["loops", ""]);
    expect(problem({ ...start, sections: {} })).toEqual(["lines", "sectionId"]);
    expect(problem({ ...start, uses: { u0: { ...start.uses.u0, repeat: 0 } } })).toEqual(["uses", "repeat"]);
    expect(problem(emptyBody(DOCUMENTS.version))).toEqual(["version", ""]);
    expect(problem(null)).toEqual(["", ""]);
  });
});
