import type { AnyRow, Body, NewRow, Tables } from "./command";
import type { RowOf, Table } from "./table";

/** A kind of document: its tables by name. The head table has exactly one row. */
export type Definition<T extends Tables = Tables> = {
  readonly kind: string;
  readonly head: keyof T & string;
  readonly tables: { readonly [Name in keyof T]: Table<T[Name]> };
  /** The form bodies are stored in now; all kinds of a program have one. */
  readonly form: number;
};

/** The rows of each table, read off the tables. */
export type RowsIn<D> = {
  readonly [Name in keyof D]: RowOf<D[Name]>;
};

/** A definition whose tables are those given. */
type DefinitionOf<D> = RowsIn<D> extends infer T extends Tables ? Definition<T> : never;

const newest = (tables: Readonly<Record<string, Table>>): number =>
  Math.max(
    1,
    ...Object.values(tables).flatMap(({ since, added }) => [since, ...Object.keys(added).map(Number)]),
  );

/**
 * Defines the kinds of document of a program. The first table of each is its head.
 * @example defineDocuments({ list: { lists: listTable, items: itemTable } }).list.head // => "lists"
 */
export function defineDocuments<K extends { readonly [kind: string]: object }>(
  kinds: K,
): { readonly [Kind in keyof K]: DefinitionOf<K[Kind]> } {
  const all = kinds as Readonly<Record<string, Readonly<Record<string, Table>>>>;
  const form = Math.max(...Object.values(all).map(newest));
  const defined = Object.entries(all).map(([kind, tables]) => {
    for (const [name, { references }] of Object.entries(tables))
      for (const { to } of Object.values(references))
        if (!Object.hasOwn(tables, to)) throw new Error(`Expected a table ${to} for ${kind} ${name}.`);
    return [kind, Object.freeze({ kind, head: Object.keys(tables)[0]!, tables, form })];
  });
  return Object.fromEntries(defined) as { readonly [Kind in keyof K]: DefinitionOf<K[Kind]> };
}

/** An empty body: every table, no rows. */
export const emptyBody = <T extends Tables>(definition: Definition<T>): Body<T> =>
  Object.fromEntries(Object.keys(definition.tables).map((table) => [table, {}])) as Body<T>;

const fieldsOfAll = new WeakMap<object, Map<string, Readonly<Record<string, unknown>>>>();

/** Fields a row of any earlier form may lack, with what it means without them: rows in edits of the log were written then. */
export function fieldsAddedTo(definition: Definition, table: string): Readonly<Record<string, unknown>> {
  const known = fieldsOfAll.get(definition) ?? new Map<string, Readonly<Record<string, unknown>>>();
  fieldsOfAll.set(definition, known);
  const found =
    known.get(table) ?? Object.assign({}, ...Object.values(definition.tables[table]?.added ?? {}));
  known.set(table, found);
  return found;
}

/** The one row of a document's head. */
export const headOf = <T extends Tables, Name extends keyof T>(
  body: Pick<Body<T>, Name>,
  head: Name,
): T[Name] => Object.values<T[Name]>(body[head])[0]!;

/** Puts a row into a body that is being made. */
export type Put<T extends Tables> = <Name extends keyof T & string>(
  table: Name,
  row: NewRow<T[Name]>,
) => void;

/**
 * Fills a body row by row, where it is made and nobody holds it yet; as in an edit, a row may leave out what came later.
 * @example const { put, body } = bodyMaker(DOCUMENTS.song); put("song", row); body
 */
export function bodyMaker<T extends Tables>(
  definition: Definition<T>,
): { readonly put: Put<T>; readonly body: Body<T> } {
  const tables: Record<string, Record<string, AnyRow>> = {};
  for (const table of Object.keys(definition.tables)) tables[table] = {};
  return {
    put: (table, row) => {
      tables[table]![row.id] = { ...fieldsAddedTo(definition, table), ...row };
    },
    body: tables as Body<T>,
  };
}
