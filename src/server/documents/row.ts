import { fail, ok, type Result } from "@/base";
import { DOCUMENTS, isKind, type Kind, type TablesOf } from "@/core/song/schema";
import { type Body, type Definition, openBody } from "@/document";
import type { documents } from "../db/schema";

/** A document of one kind. */
export type DocumentOf<K extends Kind> = {
  readonly id: string;
  readonly kind: K;
  readonly parentId: string | null;
  readonly revision: number;
  readonly body: Body<TablesOf[K]>;
};

/** A document with a body of the present form; its kind tells its tables. */
export type Document = { [K in Kind]: DocumentOf<K> }[Kind];

/** How a kind of document is judged, its tables not told apart. */
export const definitionOf = (kind: Kind): Definition => DOCUMENTS[kind];

type Row = typeof documents.$inferSelect;

/** A row that can't be read as a document: a newer program wrote it, or it is damaged. */
export type Unreadable = {
  readonly id: string;
  readonly kind: string;
  readonly parentId: string | null;
  /** What is wrong with it, in words. */
  readonly problem: string;
};

/** The one place where a stored row becomes a document. One that can't be read costs only itself. */
export function readRow(row: Row): Result<Document, Unreadable> {
  const { id, kind, parentId, revision } = row;
  const bad = (problem: string) => fail({ id, kind, parentId, problem });
  if (!isKind(kind)) return bad(`is of no kind known here (${String(kind).slice(0, 20)})`);
  try {
    const body = openBody(definitionOf(kind), { schema: row.schema, body: row.body });
    if (body.ok) return ok({ id, kind, parentId, revision, body: body.value } as Document);
    const { table, id: rowId, field, message } = body.problem;
    const place = field === "schema" ? [] : [table, rowId, field];
    return bad([...place, message].filter((part) => part !== "").join(" "));
  } catch (error) {
    return bad(error instanceof Error ? error.message : String(error));
  }
}

/** The documents among rows; those that can't be read are left out. */
export const readRows = (rows: readonly Row[]): Document[] =>
  rows.flatMap((row) => {
    const read = readRow(row);
    return read.ok ? [read.value] : [];
  });

/** What is said where a document can't be read. */
export const describeUnreadable = (problem: string): string =>
  `can't be read: ${problem}. Nothing was changed; it can be saved out as it stands, on the first page`;
