import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { sampleVersion } from "../../testing/song/sample-version";
import { unwrap } from "../base";
import { addSection, removeSection, set, type VersionCommand } from "../core/song/edit";
import { DOCUMENTS, type VersionBody } from "../core/song/schema";
import { applyEdit } from "./apply";
import { editBetween } from "./between";

const body = sampleVersion({ verse: { lines: ["a/G:4"] }, chorus: { lines: ["b/C:4"] } }, [
  "verse",
  "chorus",
]);
const act = (from: VersionBody, command: VersionCommand) =>
  unwrap(applyEdit(DOCUMENTS.version, from, command)).body;

describe("editBetween", () => {
  it("is nothing between equal bodies", () => expect(editBetween(body, body, "x")).toBeNull());

  it("makes any body into any other (law)", () => {
    const steps: ((from: VersionBody, index: number) => VersionCommand)[] = [
      (from, index) =>
        addSection(
          from,
          `S${index}`,
          "other",
          (
            (count) => () =>
              `n${index}-${count++}`
          )(0),
        ),
      (from) => removeSection(from, Object.keys(from.sections)[0] ?? "none"),
      (_from, index) => set("version", "v", { bpm: 60 + index }),
      (from, index) => set("uses", Object.keys(from.uses)[0] ?? "none", { shift: index % 5 }),
    ];
    const walk = fc.array(fc.nat(steps.length - 1), { maxLength: 8 });
    fc.assert(
      fc.property(walk, walk, (left, right) => {
        const go = (choices: number[], salt: number) =>
          choices.reduce((from, choice, index) => {
            const applied = applyEdit(DOCUMENTS.version, from, steps[choice]!(from, salt + index));
            return applied.ok ? applied.value.body : from;
          }, body);
        const [one, two] = [go(left, 0), go(right, 100)];
        const edit = editBetween(one, two, "Go back");
        expect(edit ? act(one, edit) : one).toEqual(two);
      }),
    );
  });
});
