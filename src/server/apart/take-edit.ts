import { sendEdit } from "@/api";
import { openDatabase } from "../db/open-database";
import { describeUnreadable } from "../documents/row";
import { takeEdit } from "../documents/stored-documents";
import { refuse } from "../http";
import { announce } from "../live";
import { Refuse, serve } from "../serve";

/** Takes one edit. 200 once it is on disk, 409 with both values where another edit got there first. */
export const answerEdit = serve(sendEdit, async ({ params, sent }) => {
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
