import { z } from "zod";
import type { AnyRow, Body, Tables } from "./command";
import type { Definition } from "./definition";
import type { Table, WhenGone } from "./table";

/**
 * Ids of rows: also what no object has by itself, so that a row can be looked up by its id.
 * @example idSchema.safeParse("__proto__").success // => false
 */
export const idSchema = z
  .string()
  .regex(/^[A-Za-z0-9_-]{1,40}$/u)
  .refine((id) => !(id in Object.prototype), { error: "is a name that can't be an id" });

/** A reference with the table and the field it stands in. */
export type PlacedReference = {
  readonly table: string;
  readonly field: string;
  readonly to: string;
  readonly whenGone: WhenGone;
};

/** The rules of a kind of document, made once: checks of rows and fields, and references by either end. */
export type Rules = {
  readonly row: (table: string) => z.ZodType<AnyRow> | null;
  readonly fields: (table: string) => z.ZodType<Readonly<Record<string, unknown>>> | null;
  readonly from: (table: string) => readonly PlacedReference[];
  readonly to: (table: string) => readonly PlacedReference[];
};

const made = new WeakMap<object, Rules>();

export function rulesOf<T extends Tables>(definition: Definition<T>): Rules {
  const known = made.get(definition);
  if (known) return known;
  const tables = new Map<string, Table>(Object.entries(definition.tables));
  const partial = new Map<string, z.ZodType>();
  const references = [...tables].flatMap(([table, spec]) =>
    Object.entries(spec.references).map(
      ([field, reference]): PlacedReference => ({ table, field, ...reference }),
    ),
  );
  const by = (end: "table" | "to") => {
    const found = new Map<string, PlacedReference[]>();
    for (const one of references) found.set(one[end], [...(found.get(one[end]) ?? []), one]);
    return found;
  };
  const [from, to] = [by("table"), by("to")];
  const rules: Rules = {
    row: (table) => (tables.get(table)?.row ?? null) as z.ZodType<AnyRow> | null,
    fields: (table) => {
      const spec = tables.get(table);
      if (spec && !partial.has(table)) partial.set(table, spec.row.partial());
      return (partial.get(table) ?? null) as z.ZodType<Readonly<Record<string, unknown>>> | null;
    },
    from: (table) => from.get(table) ?? [],
    to: (table) => to.get(table) ?? [],
  };
  made.set(definition, rules);
  return rules;
}

/** The first reference of a row that names a row which is not there. */
export function danglingOf(rules: Rules, body: Body, table: string, row: AnyRow): PlacedReference | null {
  const isDangling = ({ field, to }: PlacedReference) => {
    const named = row[field];
    return typeof named === "string" && !Object.hasOwn(body[to] ?? {}, named);
  };
  return rules.from(table).find(isDangling) ?? null;
}

/** The first row that names one of some rows of a table which are gone. */
export function stillUsed(
  rules: Rules,
  body: Body,
  table: string,
  gone: ReadonlySet<string>,
): { readonly id: string; readonly by: string } | null {
  for (const { table: by, field } of rules.to(table))
    for (const row of Object.values(body[by] ?? {})) {
      const named = row[field];
      if (typeof named === "string" && gone.has(named)) return { id: named, by };
    }
  return null;
}

/** Whether a document's head has its one row. */
export const hasOneHead = <T extends Tables>(definition: Definition<T>, body: Body): boolean =>
  Object.keys(body[definition.head] ?? {}).length === 1;
