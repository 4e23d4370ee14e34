import { z } from "zod";
import { DOCUMENTS } from "@/core/song/schema";
import { emptyBody } from "@/document";
import { refuseChange } from "@/server/access";
import { openDatabase } from "@/server/db/open";
import { createDocuments } from "@/server/documents/store";
import { refuse } from "@/server/http";
import { makeId } from "@/server/ids";
import { eveningsWith } from "@/server/songs/evenings";
import { withStorage } from "@/server/storage";

/** Evenings in whose running order a version stands, each with its songs. */
export async function GET(request: Request): Promise<Response> {
  const version = new URL(request.url).searchParams.get("version");
  if (version === null) return refuse(400, "version", "should name a version of a song");
  return Response.json(
    { evenings: await eveningsWith(version) },
    { headers: { "cache-control": "no-store" } },
  );
}

const asked = z.object({ name: z.string().trim().min(1).max(120).default("New evening") });

/** Makes an evening. */
export async function POST(request: Request): Promise<Response> {
  const refused = refuseChange(request);
  if (refused) return refused;
  const input = asked.safeParse(await request.json().catch(() => ({})));
  if (!input.success) return refuse(400, "name", "should be a name of at most 120 characters");
  return withStorage(async () => {
    const id = makeId();
    const row = { id, name: input.data.name, place: "", note: "", targetMinutes: null };
    const body = { ...emptyBody(DOCUMENTS.evening), evening: { [id]: row } };
    await createDocuments(await openDatabase(), [{ id, kind: "evening", parentId: null, body }]);
    return Response.json({ id }, { status: 201 });
  });
}
