import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anyCommand } from "../../../../testing/song/any-command";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { unwrap } from "../../../base";
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
import { outlineOf } from "../read/outline";
import { indexCells } from "../read/resolve-cells";
import { DOCUMENTS } from "../schema";
import type { VersionBody } from "../schema/documents";
import { addLine, removePlayer, removeSection, setCell, setWords } from "./commands";
import type { VersionCommand } from "./edits";
import { set } from "./makers";

const start = sampleVersion(
  { verse: { lines: ["Light/G:4 on the/C:4 water", "/D:8"] }, chorus: { lines: ["Go/Em:4 on/C:4"] } },
  ["verse", "chorusx2", "verse"],
  [{}, { instrument: "bass", role: "bass" }],
);
/** The same kind, for commands no maker makes. */
const ANY: Definition = DOCUMENTS.version;
const apply = (body: VersionBody, command: VersionCommand) =>
  unwrap(applyEdit(DOCUMENTS.version, body, command));
const ids = () => {
  let count = 0;
  return () => `new${count++}`;
};

describe("applyEdit", () => {
  it("takes every edit back exactly, in any order of edits, and always leaves a sound body (law)", () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(1000), fc.nat(50)), { maxLength: 14 }), (steps) => {
        let body = start;
        const inverses: VersionCommand[] = [];
        const before: VersionBody[] = [];
        for (const [choice, pick] of steps) {
          const command = anyCommand(body, choice, pick);
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
