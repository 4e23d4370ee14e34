import { editsSince, sendEdit } from "@/api";
import { serveApart } from "@/server/apart/serve-apart";
import { openDatabase } from "@/server/db/open-database";
import { editsSince as findEdits } from "@/server/documents/stored-documents";
import { serve } from "@/server/serve";

/** The log after a revision, for a window that was away. */
export const GET = serve(editsSince, async ({ params, sent }) => ({
  edits: await findEdits(await openDatabase(), params.id!, sent.since),
}));

/** Edits longer than this are read apart, bytes: a press or a word is some hundred. */
const SHORT_EDIT = 16_000;

/** Takes one edit. */
export const POST = serveApart(sendEdit, { most: sendEdit.request!.most, above: SHORT_EDIT });
