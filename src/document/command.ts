/**
 * Rows and commands as types and plain values: what a window needs to make an edit, without any of the rules that judge
 * it. Tables are told apart by name, so that a command for a table that is not there, or a field no row has, does not compile.
 */
export type AnyRow = { readonly id: string; readonly [field: string]: unknown };

/** Only a type, on rows: the names of fields that came with a later form of their table. */
declare const cameLater: unique symbol;
export type CameLater<Field> = { readonly [cameLater]?: Field };

/**
 * A row as it is added: what came with a later form may be left out, as it is in edits written before, and then means what
 * its table says.
 */
export type NewRow<Row extends AnyRow> =
  Row extends CameLater<infer Field>
    ? Omit<Row, Field & keyof Row> & Partial<Pick<Row, Field & keyof Row>>
    : Row;

/** The rows of each table of a kind of document. */
export type Tables = { readonly [table: string]: AnyRow };

/** A document's content: flat tables of rows by id. */
export type Body<T extends Tables = Tables> = {
  readonly [Name in keyof T]: Readonly<Record<string, T[Name]>>;
};

type NameOf<T extends Tables> = keyof T & string;

/** Some fields of a row; its id stays. */
export type FieldsOf<Row extends AnyRow> = Readonly<Partial<Omit<Row, "id">>>;

export type AddCommand<T extends Tables = Tables, Name extends NameOf<T> = NameOf<T>> = {
  readonly type: "add";
  readonly table: Name;
  readonly row: NewRow<T[Name]>;
};
export type RemoveCommand<Name extends string = string> = {
  readonly type: "remove";
  readonly table: Name;
  readonly id: string;
};
export type SetCommand<T extends Tables = Tables, Name extends NameOf<T> = NameOf<T>> = {
  readonly type: "set";
  readonly table: Name;
  readonly id: string;
  readonly fields: FieldsOf<T[Name]>;
};

/** A change of one row. Rows come and go whole; fields are set one by one. */
export type SimpleCommand<T extends Tables = Tables> = {
  [Name in NameOf<T>]: AddCommand<T, Name> | RemoveCommand<Name> | SetCommand<T, Name>;
}[NameOf<T>];

/** A change of a document; a batch is one act made of several. */
export type Command<T extends Tables = Tables> =
  | SimpleCommand<T>
  | { readonly type: "batch"; readonly label: string; readonly commands: readonly SimpleCommand<T>[] };

/** Makes a fresh id: what makes commands has no chance of its own. */
export type MakeId = () => string;

/**
 * Makers of commands for one kind of document.
 * @example makersOf<{ notes: { id: string; text: string } }>().set("notes", "n1", { text: "soft" })
 */
export function makersOf<T extends Tables>() {
  const add = <Name extends NameOf<T>>(table: Name, row: NewRow<T[Name]>): AddCommand<T, Name> => ({
    type: "add",
    table,
    row,
  });
  const set = <Name extends NameOf<T>>(
    table: Name,
    id: string,
    fields: FieldsOf<T[Name]>,
  ): SetCommand<T, Name> => ({ type: "set", table, id, fields });
  const remove = <Name extends NameOf<T>>(
    table: Name,
    row: { readonly id: string },
  ): RemoveCommand<Name> => ({
    type: "remove",
    table,
    id: row.id,
  });
  const batch = (label: string, commands: readonly SimpleCommand<T>[]): Command<T> => ({
    type: "batch",
    label,
    commands,
  });
  return Object.freeze({ add, set, remove, batch });
}

/** Puts a row of an ordered table at a place in its list. */
export const placeAt = <Name extends string>(table: Name, id: string, order: string) =>
  ({ type: "set", table, id, fields: { order } }) as const;

/** The single changes a command is made of. */
export const singles = <T extends Tables>(command: Command<T>): readonly SimpleCommand<T>[] =>
  command.type === "batch" ? command.commands : [command];

/** The row a single change is about. */
export const rowIdOf = (command: SimpleCommand): string =>
  command.type === "add" ? command.row.id : command.id;
