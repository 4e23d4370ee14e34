import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anyListCommand, LISTS, type ListTables, threeItems } from "../../testing/document/lists";
import { unwrap } from "../base";
import {
  applyEdit,
  applyToOwned,
  type Body,
  type Command,
  checkBody,
  commandSchema,
  copiedRow,
  copyBody,
  type Definition,
  describeCommand,
  describePlace,
  describeProblem,
  differingFields,
  emptyBody,
  headOf,
  liftBody,
  makersOf,
  openBody,
  pairRows,
  removalOf,
  sizeOf,
  touches,
} from ".";

/** The same kind, for commands no maker makes. */
const ANY_LIST: Definition = LISTS;
const { add, batch, remove, set } = makersOf<ListTables>();
const commands = fc.array(anyListCommand, { maxLength: 8 });
const problemOf = (body: Body, command: Command) => {
  const outcome = applyEdit(ANY_LIST, body, command);
  return outcome.ok ? null : outcome.problem;
};

describe("one check of a rule", () => {
  it("lets no edit through that a check of the whole body would refuse (law)", () => {
    fc.assert(
      fc.property(commands, (list) => {
        let body: Body = threeItems();
        for (const command of list) {
          const applied = applyEdit(ANY_LIST, body, command);
          if (!applied.ok) continue;
          body = applied.value.body;
          expect(checkBody(ANY_LIST, JSON.parse(JSON.stringify(body)))).toMatchObject({ ok: true });
        }
      }),
      { numRuns: 400 },
    );
  });

  it("refuses nothing that leaves a sound body: what is refused is wrong in itself (law)", () => {
    fc.assert(
      fc.property(anyListCommand, (command) => {
        const outcome = applyEdit(ANY_LIST, threeItems(), command);
        if (outcome.ok) return;
        expect(describeProblem(ANY_LIST, outcome.problem)).toMatch(/Nothing was changed\.$/u);
      }),
    );
  });

  it("takes every edit back exactly, and changes no body it is given (law)", () => {
    fc.assert(
      fc.property(commands, (list) => {
        let body: Body = threeItems();
        for (const command of list) {
          const before = structuredClone(body);
          const applied = applyEdit(ANY_LIST, body, command);
          expect(body).toEqual(before);
          if (!applied.ok) continue;
          const back = unwrap(applyEdit(ANY_LIST, applied.value.body, applied.value.inverse));
          expect(back.body).toEqual(before);
          body = applied.value.body;
        }
      }),
    );
  });

  it("comes to the same in a body that nobody else holds (law)", () => {
    fc.assert(
      fc.property(commands, (list) => {
        let body: Body = threeItems();
        for (const command of list) {
          const [kept, owned] = [
            applyEdit(ANY_LIST, body, command),
            applyToOwned(ANY_LIST, structuredClone(body), command),
          ];
          expect(owned).toEqual(kept);
          if (kept.ok) body = kept.value.body;
        }
      }),
    );
  });

  it("names what is wrong", () => {
    const body = threeItems();
    const code = (command: Command) => problemOf(body, command)?.code ?? null;
    expect(code({ type: "add", table: "list", row: { id: "second", title: "" } })).toBe("one-head");
    expect(code(remove("list", { id: "l" }))).toBe("one-head");
    expect(code(set("items", "c", { afterId: "gone" }))).toBe("missing-reference");
    expect(code(remove("items", { id: "a" }))).toBe("still-used");
    expect(code({ type: "add", table: "items", row: { id: "__proto__" } })).toBe("bad-field");
    expect(code({ type: "set", table: "__proto__", id: "a", fields: {} })).toBe("unknown-table");
    expect(code({ type: "set", table: "items", id: "toString", fields: {} })).toBe("unknown-row");
    expect(
      code(batch("swap heads", [remove("list", { id: "l" }), add("list", { id: "k", title: "" })])),
    ).toBe(null);
  });

  it("refuses whole bodies for the same reasons", () => {
    const at = (change: (body: Record<string, Record<string, unknown>>) => void) => {
      const body = JSON.parse(JSON.stringify(threeItems()));
      change(body);
      const checked = checkBody(ANY_LIST, body);
      return checked.ok
        ? "sound"
        : `${checked.problem.table} ${checked.problem.field} ${checked.problem.message}`;
    };
    expect(at(() => {})).toBe("sound");
    expect(at((body) => Object.assign(body.list!, { k: { id: "k", title: "" } }))).toBe(
      "list  should have exactly one row",
    );
    expect(at((body) => Object.assign(body.items!.c as object, { afterId: "gone" }))).toBe(
      "items afterId names a row that is not in items",
    );
    expect(at((body) => Object.assign(body.items!.c as object, { id: "d" }))).toBe(
      "items id should be the id the row is stored under",
    );
    expect(at((body) => Object.assign(body, { ropes: {} }))).toBe("ropes  is not a table of this kind");
    expect(
      at((body) => Object.assign(body.marks!, { constructor: { id: "constructor", itemId: "a", on: true } })),
    ).toBe("marks id can't be an id");
    expect(checkBody(ANY_LIST, null).ok).toBe(false);
    expect(checkBody(ANY_LIST, { list: [] }).ok).toBe(false);
  });
});

describe("taking out", () => {
  it("takes along what hangs on a row, and lets go what only names it", () => {
    const removal = removalOf(LISTS, threeItems(), "items", "a");
    expect(removal).toEqual([
      set("items", "b", { afterId: null }),
      remove("items", { id: "a" }),
      remove("marks", { id: "ma" }),
    ]);
    const { body } = unwrap(applyEdit(LISTS, threeItems(), batch("x", removal)));
    expect(checkBody(LISTS, body).ok).toBe(true);
  });

  it("of anything leaves a sound body (law)", () => {
    fc.assert(
      fc.property(fc.constantFrom("a", "b", "c"), fc.constantFrom("a", "b", "c"), (first, second) => {
        let body = threeItems();
        for (const id of new Set([first, second]))
          body = unwrap(applyEdit(LISTS, body, batch("out", removalOf(LISTS, body, "items", id)))).body;
        expect(checkBody(LISTS, body).ok).toBe(true);
        expect(Object.keys(body.items)).toHaveLength(first === second ? 2 : 1);
      }),
    );
  });
});

describe("copying and comparing", () => {
  let count = 0;
  const makeId = () => `n${count++}`;

  it("copies rows under fresh ids that name each other as before, and know where they come from", () => {
    const body = threeItems();
    const copied = copyBody(LISTS, body, makeId);
    expect(checkBody(LISTS, copied).ok).toBe(true);
    const byText = (text: string) => Object.values(copied.items).find((row) => row.text === text)!;
    expect(byText("item b").afterId).toBe(byText("item a").id);
    expect(Object.values(copied.items).map(({ originId }) => originId)).toEqual(["a", "b", "c"]);
    for (const id of Object.keys(copied.items)) expect(body.items[id]).toBeUndefined();
  });

  it("tells the fields that differ, with references by who is whose mate", () => {
    const [a, b] = [threeItems().items.a!, threeItems().items.b!];
    expect(differingFields(LISTS, "items", a, a, {})).toEqual({});
    expect(differingFields(LISTS, "items", a, b, {})).toEqual({ text: "item b", count: 1 });
    expect(differingFields(LISTS, "items", a, b, { items: new Map([["a", "z"]]) })).toMatchObject({
      afterId: "z",
    });
    expect(differingFields(LISTS, "items", a, null, {})).toEqual({ text: null, count: null });
  });

  it("leaves nothing that differs once it is taken over (law)", () => {
    const row = fc.record({
      text: fc.string({ maxLength: 5 }),
      count: fc.option(fc.nat(9)),
      afterId: fc.constant(null),
    });
    fc.assert(
      fc.property(row, row, (mine, theirs) => {
        const whole = (some: typeof mine, id: string) => ({ ...some, id, originId: null, order: "V" });
        const fields = differingFields(LISTS, "items", whole(mine, "a"), whole(theirs, "b"), {});
        const taken = { ...whole(mine, "a"), ...fields };
        expect(differingFields(LISTS, "items", taken, whole(theirs, "b"), {})).toEqual({});
      }),
    );
  });

  it("adds a row of another document as it would stand here", () => {
    const there = threeItems().items.b!;
    expect(copiedRow(LISTS, "items", there, "new", { items: new Map([["a", "mine"]]) })).toMatchObject({
      id: "new",
      originId: "b",
      afterId: "mine",
    });
    expect(copiedRow(LISTS, "items", there, "new", {}).afterId).toBeNull();
  });

  it("pairs rows by the first way that fits, each once", () => {
    const same = (a: string, b: string) => a === b;
    const alike = (a: string, b: string) => a[0] === b[0];
    expect(pairRows(["ab", "ac", "b"], ["ac", "ax", "z"], [same, alike])).toEqual([
      { a: "ab", b: "ax" },
      { a: "ac", b: "ac" },
      { a: "b", b: null },
      { a: null, b: "z" },
    ]);
  });
});

describe("forms", () => {
  const first = {
    list: { l: { id: "l", title: "Ropes" } },
    items: { a: { id: "a", originId: null, order: "V", text: "x", afterId: null } },
  };

  it("are numbered by the newest table or field", () => expect(LISTS.form).toBe(3));

  it("gain tables and fields, with what a row without them means", () => {
    const lifted = unwrap(liftBody(LISTS, { schema: 1, body: first }));
    expect(lifted.items.a!.count).toBeNull();
    expect(lifted.marks).toEqual({});
    expect(liftBody(LISTS, { schema: 4, body: lifted }).ok).toBe(false);
    expect(liftBody(LISTS, { schema: 3, body: first }).ok).toBe(false);
  });

  it("of the present are trusted where we stored them, and checked where they come from outside", () => {
    const spoilt = { ...threeItems(), items: { a: { nonsense: true } } };
    expect(openBody(LISTS, { schema: 3, body: spoilt }).ok).toBe(true);
    expect(liftBody(LISTS, { schema: 3, body: spoilt }).ok).toBe(false);
    expect(openBody(LISTS, { schema: 2, body: spoilt }).ok).toBe(false);
  });

  it("let edits of an old log add rows as they were then", () => {
    const row = { id: "d", originId: null, order: "W", text: "old", afterId: null };
    const { body } = unwrap(applyEdit(ANY_LIST, threeItems(), { type: "add", table: "items", row }));
    expect(body.items!.d!.count).toBeNull();
  });

  it("have an empty body with every table, and one head", () => {
    expect(emptyBody(LISTS)).toEqual({ list: {}, items: {}, marks: {} });
    expect(headOf(threeItems(), "list").title).toBe("Ropes");
  });
});

describe("words of the history", () => {
  const said = (command: Command) => describeCommand(ANY_LIST, command, threeItems());

  it.each([
    [set("list", "l", { title: "Knots" }), "Title: Knots"],
    [set("items", "a", { count: 3 }), "Item number: 3 times (item a)"],
    [set("items", "b", { afterId: "c" }), "Item item before: “item c” (item b)"],
    [set("items", "b", { afterId: "gone" }), "Item item before: one that is gone (item b)"],
    [set("items", "b", { afterId: null, originId: "x" }), "Item item before: none (item b)"],
    [set("items", "a", { originId: "x" }), "Item origin: x (item a)"],
    [set("marks", "ma", { on: true }), "Mark on: yes"],
    [set("items", "a", { order: "W" }), "Item place in the list moved (item a)"],
    [remove("items", { id: "a" }), "Removed item “item a”"],
    [add("marks", { id: "mx", itemId: "a", on: true }), "New mark"],
    [batch("Tidy up", [remove("marks", { id: "ma" }), remove("items", { id: "a" })]), "Tidy up"],
    [batch("One alone", [remove("marks", { id: "ma" })]), "Removed mark"],
  ])("%j", (command, words) => expect(said(command)).toBe(words));

  it("name the place of a clash, and count what an edit is made of", () => {
    expect(describePlace(ANY_LIST, { table: "items", field: "text" })).toBe("item words");
    expect(describePlace(ANY_LIST, { table: "list", field: "title" })).toBe("title");
    expect(describePlace(ANY_LIST, { table: "items", field: "*" })).toBe("item");
    const both = batch("x", [set("items", "a", { text: "y", count: 1 }), remove("marks", { id: "ma" })]);
    expect(sizeOf(both)).toBe(2);
    expect(touches(both)).toEqual([
      { table: "items", id: "a", field: "text" },
      { table: "items", id: "a", field: "count" },
      { table: "marks", id: "ma", field: "*" },
    ]);
  });
});

describe("commands at the border", () => {
  it("have a shape; a label may hold no control signs, an id must be one", () => {
    const parse = (value: unknown) => commandSchema.safeParse(value).success;
    expect(parse(set("items", "a", { text: "x" }))).toBe(true);
    expect(parse({ type: "set", table: "items", id: "a", fields: [] })).toBe(false);
    expect(parse({ type: "remove", table: "items", id: "__proto__" })).toBe(false);
    expect(parse({ type: "batch", label: "a\u0000b", commands: [] })).toBe(false);
    expect(
      parse({ type: "batch", label: "deep", commands: [{ type: "batch", label: "", commands: [] }] }),
    ).toBe(false);
    expect(parse({ type: "move" })).toBe(false);
  });
});
