import { DOCUMENTS, type Kind, type TablesOf } from "@/core/song/schema";
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

/** The one place where a stored row becomes a document. */
export function fromRow(row: Row): Document {
  const body = openBody(definitionOf(row.kind), { schema: row.schema, body: row.body });
  if (!body.ok) {
    const { table, id, field, message } = body.problem;
    throw new Error(`Expected a sound ${row.kind} ${row.id}, got a bad ${table} ${id} ${field}: ${message}.`);
  }
  const { id, kind, parentId, revision } = row;
  return { id, kind, parentId, revision, body: body.value } as Document;
}
