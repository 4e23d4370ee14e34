import { editsSince, sendEdit } from "@/api";
import { openDatabase } from "@/server/db/open-database";
import { describeUnreadable } from "@/server/documents/row";
import { editsSince as findEdits, takeEdit } from "@/server/documents/stored-documents";
import { refuse } from "@/server/http";
import { announce } from "@/server/live";
import { Refuse, serve } from "@/server/serve";

/** The log after a revision, for a window that was away. */
export const GET = serve(editsSince, async ({ params, sent }) => ({
  edits: await findEdits(await openDatabase(), params.id!, sent.since),
}));

/** Takes one edit. 200 once it is on disk, 409 with both values where another edit got there first. */
export const POST = serve(sendEdit, async ({ params, sent }) => {
  const id = params.id!;
  const outcome = await takeEdit(await openDatabase(), id, sent);
  switch (outcome.status) {
    case "unreadable":
      return refuse(422, "id", describeUnreadable(outcome.problem));
    case "unknown":
      return refuse(404, "id", "names no document here; it may have been removed");
    case "done":
      if (!outcome.repeated) announce(id, outcome.edit);
      return outcome;
    case "ahead":
      return new Refuse(outcome, 400, { path: "base", message: `should be at most ${outcome.revision}` });
    case "conflict":
      return new Refuse(outcome, 409);
    case "refused":
      return new Refuse(outcome, 422);
  }
});
