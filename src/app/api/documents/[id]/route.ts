import { readDocument } from "@/api";
import { openDatabase } from "@/server/db/open-database";
import { describeUnreadable } from "@/server/documents/row";
import { findDocument, findUnreadable } from "@/server/documents/stored-documents";
import { refuse } from "@/server/http";
import { serve } from "@/server/serve";

/** A document as it stands: kind, revision, body. */
export const GET = serve(readDocument, async ({ params }) => {
  const database = await openDatabase();
  const document = await findDocument(database, params.id!);
  const unreadable = document ? null : await findUnreadable(database, params.id!);
  if (unreadable) return refuse(422, "id", describeUnreadable(unreadable.problem));
  if (!document) return refuse(404, "id", "names no document here; it may have been removed");
  const { parentId: _parent, ...read } = document;
  return read;
});
