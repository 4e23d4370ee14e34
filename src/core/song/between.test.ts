import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { sure } from "../../base";
import { editBetween } from "./between";
import type { Body } from "./body";
import { addSection, removeSection, set } from "./commands";
import { applyEdit, type Command } from "./edit";
import { sampleVersion } from "./sample-version";
import { sayCommand, sizeOf } from "./say-command";

const start = sampleVersion({ verse: { lines: ["a/G:4"] }, chorus: { lines: ["b/C:4"] } }, [
  "verse",
  "chorus",
]);
const body = start as unknown as Body;
const act = (from: Body, command: Command) => sure(applyEdit("version", from, command)).body;

describe("editBetween", () => {
  it("is nothing between equal bodies", () => expect(editBetween(body, body, "x")).toBeNull());

  it("makes any body into any other (law)", () => {
    const steps: ((from: Body, index: number) => Command)[] = [
      (from, index) =>
        addSection(
          from as never,
          `S${index}`,
          "other",
          (
            (count) => () =>
              `n${index}-${count++}`
          )(0),
        ),
      (from) => removeSection(from as never, Object.keys(from.sections!)[0] ?? "none"),
      (_from, index) => set("version", "v", { bpm: 60 + index }),
      (from, index) => set("uses", Object.keys(from.uses!)[0] ?? "none", { shift: index % 5 }),
    ];
    const walk = fc.array(fc.nat(steps.length - 1), { maxLength: 8 });
    fc.assert(
      fc.property(walk, walk, (left, right) => {
        const go = (choices: number[], salt: number) =>
          choices.reduce((from, choice, index) => {
            const applied = applyEdit("version", from, steps[choice]!(from, salt + index));
            return applied.ok ? applied.value.body : from;
          }, body);
        const [one, two] = [go(left, 0), go(right, 100)];
        const edit = editBetween(one, two, "Go back");
        expect(edit ? act(one, edit) : one).toEqual(two);
      }),
    );
  });
});

describe("sayCommand", () => {
  it("tells edits in words", () => {
    expect(sayCommand(set("version", "v", { bpm: 90 }), body)).toBe("Tempo: 90 (Test)");
    expect(sayCommand(set("sections", "verse", { label: "Verse 1" }), body)).toBe("Section name: Verse 1");
    expect(sayCommand(removeSection(start, "verse"), body)).toBe("Remove a section");
    expect(sayCommand({ type: "remove", table: "chords", id: "verse-l0-c0" }, body)).toBe(
      "Removed chord “G”",
    );
    expect(sizeOf(removeSection(start, "verse"))).toBeGreaterThan(3);
  });
});
