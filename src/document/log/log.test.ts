import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anyListCommand, LISTS, type ListTables, threeItems } from "../../../testing/document/lists";
import { applyEdit, type Body, type Command, type Definition, makersOf, touches } from "..";
import { replay, restore, takeEdit } from ".";

/** The same kind, for commands no maker makes. */
const ANY_LIST: Definition = LISTS;
const { remove, set } = makersOf<ListTables>();
const take = (base: number, command: Command, since: Command[] = [], revision = since.length) =>
  takeEdit(ANY_LIST, { revision, body: threeItems() }, { editId: "e", base, command }, since.map(touches));

describe("taking an edit", () => {
  it("gives the next revision, the new body and what takes it back", () => {
    const taken = take(0, set("items", "a", { text: "new" }));
    expect(taken).toMatchObject({
      status: "done",
      edit: { revision: 1, editId: "e" },
      inverse: set("items", "a", { text: "item a" }),
      touches: [{ table: "items", id: "a", field: "text" }],
    });
  });

  it("carries an edit over what has touched something else, and tells both values where it is the same", () => {
    const theirs = set("items", "a", { text: "theirs" });
    expect(take(0, set("items", "a", { count: 7 }), [theirs])).toMatchObject({ status: "done" });
    expect(take(0, set("items", "a", { text: "mine" }), [theirs])).toEqual({
      status: "conflict",
      revision: 1,
      conflicts: [{ table: "items", id: "a", field: "text", theirs: "item a", yours: "mine" }],
    });
    expect(take(0, remove("marks", { id: "ma" }), [set("marks", "ma", { on: true })])).toMatchObject({
      status: "conflict",
      conflicts: [{ field: "*" }],
    });
  });

  it("refuses what can't be, and what was made on a revision that is not there", () => {
    expect(take(0, set("items", "z", { text: "x" }))).toMatchObject({
      status: "refused",
      problem: { code: "unknown-row" },
    });
    expect(take(3, set("items", "a", { text: "x" }))).toEqual({ status: "ahead", revision: 0 });
  });
});

describe("the log", () => {
  const history = (list: readonly Command[]): { body: Body; played: Command[] } => {
    let body: Body = threeItems();
    const played: Command[] = [];
    for (const command of list) {
      const applied = applyEdit(ANY_LIST, body, command);
      if (!applied.ok) continue;
      body = applied.value.body;
      played.push(command);
    }
    return { body, played };
  };

  it("played again gives the body, and restored with the same inverses (law)", () => {
    fc.assert(
      fc.property(fc.array(anyListCommand, { maxLength: 10 }), (list) => {
        const { body, played } = history(list);
        const origin = { schema: LISTS.form, body: threeItems() };
        expect(replay(ANY_LIST, structuredClone(origin), played)).toEqual(body);
        const restored = restore(ANY_LIST, structuredClone(origin), played);
        expect(restored).toMatchObject({ ok: true, value: { body, origin: origin.body } });
        if (!restored.ok) return;
        let back: Body = restored.value.body;
        for (const { inverse } of restored.value.edits.toReversed()) {
          const undone = applyEdit(ANY_LIST, back, inverse);
          if (undone.ok) back = undone.value.body;
        }
        expect(back).toEqual(threeItems());
      }),
    );
  });

  it("is refused with the reason where it comes from outside and does not fit", () => {
    const origin = { schema: LISTS.form, body: threeItems() };
    expect(restore(ANY_LIST, origin, [set("items", "z", { text: "x" })])).toEqual({
      ok: false,
      problem: "its edit 1 does not apply",
    });
    expect(restore(ANY_LIST, { schema: LISTS.form, body: { list: {} } }, [])).toEqual({
      ok: false,
      problem: "its list  should have exactly one row",
    });
    expect(() => replay(ANY_LIST, origin, [set("items", "z", { text: "x" })])).toThrow("edit 1 of a list");
    expect(() => replay(ANY_LIST, { schema: 9, body: {} }, [])).toThrow("beginning of a list");
  });
});
