import { type Body, type Kind, liftBody } from "@/core/song";
import type { documents } from "../db/schema";

/** A document with a checked body of the present form. */
export type Document = {
  readonly id: string;
  readonly kind: Kind;
  readonly parentId: string | null;
  readonly revision: number;
  readonly body: Body;
};

type Row = typeof documents.$inferSelect;

/** The one place where a stored row becomes a document. */
export function fromRow(row: Row): Document {
  const body = liftBody(row.kind, { schema: row.schema, body: row.body });
  if (!body.ok) {
    const { table, id, field, message } = body.problem;
    throw new Error(`Expected a sound ${row.kind} ${row.id}, got a bad ${table} ${id} ${field}: ${message}.`);
  }
  return { id: row.id, kind: row.kind, parentId: row.parentId, revision: row.revision, body: body.value };
}
