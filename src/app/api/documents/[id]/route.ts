import { openDatabase } from "@/server/db/open";
import { findDocument } from "@/server/documents/store";
import { refuse } from "@/server/http";

/** A document as it stands: kind, revision, body. */
export async function GET(
  _request: Request,
  { params }: { params: Promise<{ id: string }> },
): Promise<Response> {
  const { id } = await params;
  const document = await findDocument(await openDatabase(), id);
  if (!document) return refuse(404, "id", "names no document here; it may have been removed");
  const { kind, revision, body } = document;
  return Response.json({ id, kind, revision, body }, { headers: { "cache-control": "no-store" } });
}
