import type { Database } from "../db/open-database";
import { makeId } from "../ids";
import { announce } from "../live";
import { type SentEdit, takeEdit } from "./stored-documents";

/**
 * Takes an edit the server itself makes of a document it has just read, and tells everybody.
 * @returns the new revision, or null where the document was changed at the same moment
 */
export async function editHere(
  database: Database,
  { id, revision }: { readonly id: string; readonly revision: number },
  command: SentEdit["command"],
): Promise<number | null> {
  const outcome = await takeEdit(database, id, { editId: makeId(), base: revision, command });
  if (outcome.status !== "done") return null;
  announce(id, outcome.edit);
  return outcome.revision;
}
