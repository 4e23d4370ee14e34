import { followEdits } from "@/api";
import { openDatabase } from "@/server/db/open-database";
import { editsSince, type LoggedEdit } from "@/server/documents/stored-documents";
import { eventStream, refuse } from "@/server/http";
import { keepLine, watch } from "@/server/live";
import { serve } from "@/server/serve";

const HEARTBEAT_MS = 25_000;
const MOST_FOLLOWED = 20;

/** Reads "id:revision,id:revision". */
function readCursors(text: string): Map<string, number> | null {
  const cursors = new Map<string, number>();
  for (const part of text.split(",")) {
    const match = /^([A-Za-z0-9_-]{1,40}):(\d{1,9})$/u.exec(part);
    if (!match) return null;
    cursors.set(match[1]!, Number(match[2]));
  }
  return cursors.size <= MOST_FOLLOWED ? cursors : null;
}

const writeCursors = (cursors: ReadonlyMap<string, number>): string =>
  [...cursors].map(([id, revision]) => `${id}:${revision}`).join(",");

/**
 * Server-sent events of several documents on one line: every edit after the cursors (`?follow=id:revision,…`,
 * or the browser's Last-Event-ID when it comes back), then each new one as it reaches the disk. The id of an
 * event is all the cursors. One line a window: a browser opens only six to one server.
 */
export const GET = serve(followEdits, async ({ request, who }) => {
  const asked = request.headers.get("last-event-id") ?? new URL(request.url).searchParams.get("follow") ?? "";
  const cursors = readCursors(asked);
  if (!cursors)
    return refuse(
      400,
      "follow",
      `should be up to ${MOST_FOLLOWED} documents with revisions, such as abc:12,def:3`,
    );
  const database = await openDatabase();
  const encoder = new TextEncoder();
  let stop = () => {};
  const body = new ReadableStream<Uint8Array>({
    async start(controller) {
      const send = (documentId: string, edit: LoggedEdit) => {
        if (edit.revision <= cursors.get(documentId)!) return;
        cursors.set(documentId, edit.revision);
        const data = JSON.stringify({ documentId, ...edit });
        controller.enqueue(encoder.encode(`id: ${writeCursors(cursors)}\ndata: ${data}\n\n`));
      };
      const early: [string, LoggedEdit][] = [];
      let live = false;
      const unwatch = [...cursors.keys()].map((id) =>
        watch(id, (edit) => (live ? send(id, edit) : early.push([id, edit]))),
      );
      const beat = setInterval(() => controller.enqueue(encoder.encode(": still lit\n\n")), HEARTBEAT_MS);
      const forget = keepLine(who.guestId, () => end());
      stop = () => {
        forget();
        clearInterval(beat);
        for (const end of unwatch) end();
        stop = () => {};
      };
      const end = () => {
        stop();
        try {
          controller.close();
        } catch {
          // The browser had closed it already.
        }
      };
      request.signal.addEventListener("abort", end);
      controller.enqueue(encoder.encode(": lit\n\n"));
      for (const [id, revision] of [...cursors])
        for (const edit of await editsSince(database, id, revision)) send(id, edit);
      for (const [id, edit] of early) send(id, edit);
      live = true;
    },
    cancel: () => stop(),
  });
  return eventStream(body);
});
