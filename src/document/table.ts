import type { z } from "zod";
import type { AnyRow, CameLater } from "./command";

/** What becomes of a row when the row one of its fields names is removed: it goes too, or lets the field go (null). */
export type WhenGone = "goes too" | "lets go";

/** A field that names a row of another table of the document. */
export type Reference = { readonly to: string; readonly whenGone: WhenGone };

/**
 * One table of a document as a value. Everything that must know a table reads it here: checks, references, what came with
 * which form, the words of the history, comparing and taking over.
 */
export type Table<Row = AnyRow> = {
  /** How a row looks; nothing beside its fields is let through. */
  readonly row: z.ZodObject;
  /** Only a type: what its rows are. */
  readonly rows?: Row;
  /** What people call a row: "chord". */
  readonly called: string;
  /** What adding and removing a row is called, where "new" and "removed" would say it wrongly. */
  readonly acts: { readonly add: string; readonly remove: string } | null;
  /** What people call its fields, where the field's own name does not say it. */
  readonly fields: Readonly<Record<string, string>>;
  /** Whether its fields are told without what the row is called: there is just one row. */
  readonly alone: boolean;
  /** Fields that hold the row's own name, the first that is not empty. */
  readonly named: readonly string[];
  /** Fields that go along with another change and say nothing beside it. */
  readonly quiet: readonly string[];
  /** How values of a field are told, where they are not told as they are. */
  readonly tell: Readonly<Record<string, TellValue>>;
  readonly references: Readonly<Record<string, Reference>>;
  /** The form of the document this table came with. */
  readonly since: number;
  /** Fields that came with a later form, and what a row without them means. */
  readonly added: Readonly<Record<number, Readonly<Record<string, unknown>>>>;
  /** Fields that are compared between documents, and what is said of one that differs. */
  readonly compared: Readonly<Record<string, string>>;
};

/** A value in words. @param body the document as it is, for what the words depend on */
export type TellValue = (
  value: unknown,
  body: Readonly<Record<string, Readonly<Record<string, AnyRow>>>>,
) => string;

type Shape = { readonly [field: string]: z.core.$ZodType };

/** What a table says of itself, its fields named as its rows have them. */
export type TableSpec<
  Row extends z.ZodObject<Shape>,
  Added = Readonly<Record<number, Readonly<Partial<z.infer<Row>>>>>,
> = {
  readonly row: Row;
  readonly called: string;
  readonly acts?: Table["acts"];
  readonly fields?: Readonly<Partial<Record<keyof z.infer<Row>, string>>>;
  readonly alone?: boolean;
  readonly named?: readonly (keyof z.infer<Row> & string)[];
  readonly quiet?: readonly (keyof z.infer<Row> & string)[];
  readonly tell?: Readonly<Partial<Record<keyof z.infer<Row>, TellValue>>>;
  readonly references?: Readonly<Partial<Record<keyof z.infer<Row>, Reference>>>;
  readonly since?: number;
  readonly added?: Added;
  readonly compared?: Readonly<Partial<Record<keyof z.infer<Row>, string>>>;
};

type FieldsAdded<Added> = { [Form in keyof Added]: keyof Added[Form] }[keyof Added];
type RowWith<Row extends z.ZodObject<Shape>, Added> = Readonly<z.infer<Row>> & CameLater<FieldsAdded<Added>>;

/** The type of a table's rows. */
export type RowOf<T> = T extends { readonly rows?: infer Row } ? Exclude<Row, undefined> : never;

/**
 * Describes a table.
 * @example defineTable({ row: z.object({ id: idSchema, text: text(80) }), called: "note", named: ["text"] })
 */
export function defineTable<
  Row extends z.ZodObject<Shape>,
  const Added extends Readonly<Record<number, Readonly<Partial<z.infer<Row>>>>> = Readonly<
    Record<never, never>
  >,
>(spec: TableSpec<Row, Added>): Table<RowWith<Row, Added>> {
  const { row, called, acts = null, alone = false, named = [], quiet = [], since = 1 } = spec;
  const { fields = {}, tell = {}, references = {}, added = {}, compared = {} } = spec;
  return Object.freeze({
    row: row.strict(),
    called,
    acts,
    fields,
    alone,
    named,
    quiet,
    tell,
    references,
    since,
    added,
    compared,
  }) as Table<RowWith<Row, Added>>;
}

/** A reference whose row goes with the one it names. */
export const goesWith = (to: string): Reference => ({ to, whenGone: "goes too" });
/** A reference that is let go when the row it names is removed. */
export const letsGo = (to: string): Reference => ({ to, whenGone: "lets go" });
