import fc from "fast-check";
import { z } from "zod";
import {
  type Body,
  bodyMaker,
  type Command,
  defineDocuments,
  defineTable,
  goesWith,
  idSchema,
  letsGo,
  type RowsIn,
} from "../../src/document";

/** A kind of document that knows no music, for laws of documents: a list, its items, and marks on items. */
const list = defineTable({
  row: z.object({ id: idSchema, title: z.string().max(20) }),
  called: "list",
  alone: true,
  fields: { title: "title" },
  named: ["title"],
});
const item = defineTable({
  row: z.object({
    id: idSchema,
    originId: idSchema.nullable(),
    order: z.string(),
    text: z.string().max(20, { error: "should have at most 20 characters" }),
    afterId: idSchema.nullable(),
    count: z.int().nullable(),
  }),
  called: "item",
  fields: { text: "words", count: "number", afterId: "item before", order: "place in the list" },
  named: ["text"],
  quiet: ["originId"],
  tell: { count: (value) => `${value} times` },
  references: { afterId: letsGo("items") },
  added: { 2: { count: null } },
  compared: { text: "words", count: "number", afterId: "item before" },
});
const mark = defineTable({
  row: z.object({ id: idSchema, itemId: idSchema, on: z.boolean() }),
  called: "mark",
  references: { itemId: goesWith("items") },
  since: 3,
});

const tables = { list, items: item, marks: mark };
export type ListTables = RowsIn<typeof tables>;
export const LISTS = defineDocuments({ list: tables }).list;
/** A list of three items, the second after the first, with a mark on each of them. */
export function threeItems(): Body<ListTables> {
  const { put, body } = bodyMaker(LISTS);
  put("list", { id: "l", title: "Ropes" });
  for (const [at, id] of ["a", "b", "c"].entries()) {
    put("items", {
      id,
      originId: null,
      order: `V${at}`,
      text: `item ${id}`,
      afterId: id === "b" ? "a" : null,
      count: at,
    });
    put("marks", { id: `m${id}`, itemId: id, on: at > 0 });
  }
  return body;
}

const id = fc.constantFrom("a", "b", "c", "d", "l", "ma", "mb", "m2", "__proto__", "constructor", "no id!");
const table = fc.constantFrom("list", "items", "marks", "toString", "nothing");
const value = fc.oneof(
  fc.constantFrom(null, "a", "b", "d", "x", "far too long to be a text of an item", 3, 1.5, true, {}),
);
const fields = fc.dictionary(
  fc.constantFrom("id", "text", "afterId", "itemId", "count", "on", "title", "order", "colour"),
  value,
  { maxKeys: 3 },
);
const whole = fc.record({
  id,
  originId: fc.constant(null),
  order: fc.constant("W"),
  text: fc.constantFrom("new", "other"),
  afterId: fc.constantFrom(null, "a", "c", "d"),
  count: fc.constantFrom(null, 1),
});
const simple = fc.oneof(
  fc.record({ type: fc.constant("add" as const), table: fc.constant("items"), row: whole }),
  fc.record({
    type: fc.constant("add" as const),
    table: fc.constant("marks"),
    row: fc.record({ id, itemId: id, on: fc.boolean() }),
  }),
  fc.record({ type: fc.constant("add" as const), table, row: fields.map((some) => ({ id: "d", ...some })) }),
  fc.record({ type: fc.constant("remove" as const), table, id }),
  fc.record({ type: fc.constant("set" as const), table, id, fields }),
);

/** Any command, sound or not: of tables that are not there, with ids and values that can't be, alone or in a batch. */
export const anyListCommand: fc.Arbitrary<Command> = fc.oneof(
  simple,
  fc.record({
    type: fc.constant("batch" as const),
    label: fc.constant("several"),
    commands: fc.array(simple, { maxLength: 4 }),
  }),
) as fc.Arbitrary<Command>;
