import { z } from "zod";
import { commandSchema, idSchema } from "@/document";
import { refuseChange } from "@/server/access";
import { openDatabase } from "@/server/db/open";
import { type EditOutcome, editsSince, type SentEdit, takeEdit } from "@/server/documents/store";
import { readJson, refuse } from "@/server/http";
import { announce } from "@/server/live";
import { withStorage } from "@/server/storage";

const LARGEST_EDIT = 2_000_000;

const sentEdit: z.ZodType<SentEdit> = z.object({
  editId: idSchema,
  base: z.int().min(0),
  command: commandSchema,
});

type Params = { params: Promise<{ id: string }> };

/** The log after a revision (`?since=`), for a window that was away. */
export async function GET(request: Request, { params }: Params): Promise<Response> {
  const since = Number(new URL(request.url).searchParams.get("since") ?? 0);
  if (!Number.isInteger(since) || since < 0) return refuse(400, "since", "should be a revision, 0 or more");
  const edits = await editsSince(await openDatabase(), (await params).id, since);
  return Response.json({ edits }, { headers: { "cache-control": "no-store" } });
}

/** Takes one edit. 200 once it is on disk, 409 with both values where another edit got there first. */
export async function POST(request: Request, { params }: Params): Promise<Response> {
  const refused = refuseChange(request);
  if (refused) return refused;
  const { id } = await params;
  const sent = await readJson(request, LARGEST_EDIT, sentEdit);
  if (!sent.ok) return sent.response;
  return withStorage(async () => answerTo(id, await takeEdit(await openDatabase(), id, sent.value)));
}

function answerTo(id: string, outcome: EditOutcome): Response {
  switch (outcome.status) {
    case "unknown":
      return refuse(404, "id", "names no document here; it may have been removed");
    case "done":
      if (!outcome.repeated) announce(id, outcome.edit);
      return Response.json(outcome);
    case "ahead":
      return Response.json(
        { ...outcome, error: { path: "base", message: `should be at most ${outcome.revision}` } },
        { status: 400 },
      );
    case "conflict":
      return Response.json(outcome, { status: 409 });
    case "refused":
      return Response.json(outcome, { status: 422 });
  }
}
