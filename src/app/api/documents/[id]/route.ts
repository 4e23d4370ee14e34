import { readDocument } from "@/api";
import { openDatabase } from "@/server/db/open-database";
import { findDocument } from "@/server/documents/stored-documents";
import { refuse } from "@/server/http";
import { serve } from "@/server/serve";

/** A document as it stands: kind, revision, body. */
export const GET = serve(readDocument, async ({ params }) => {
  const document = await findDocument(await openDatabase(), params.id!);
  if (!document) return refuse(404, "id", "names no document here; it may have been removed");
  const { parentId: _parent, ...read } = document;
  return read;
});
