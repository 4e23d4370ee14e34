import { openDatabase } from "@/server/db/open";
import { editsSince, type LoggedEdit } from "@/server/documents/store";
import { refuse } from "@/server/http";
import { watch } from "@/server/live";

const HEARTBEAT_MS = 25_000;

/**
 * Server-sent events: every edit after the cursor (`?since=`, or the browser's Last-Event-ID), then each new
 * one as it reaches the disk. The id of an event is its revision.
 */
export async function GET(
  request: Request,
  { params }: { params: Promise<{ id: string }> },
): Promise<Response> {
  const { id } = await params;
  const cursor = Number(
    request.headers.get("last-event-id") ?? new URL(request.url).searchParams.get("since") ?? 0,
  );
  if (!Number.isInteger(cursor) || cursor < 0) return refuse(400, "since", "should be a revision, 0 or more");
  const database = await openDatabase();
  const encoder = new TextEncoder();
  let stop = () => {};
  const body = new ReadableStream<Uint8Array>({
    async start(controller) {
      let sent = cursor;
      const send = (edit: LoggedEdit) => {
        if (edit.revision <= sent) return;
        sent = edit.revision;
        controller.enqueue(encoder.encode(`id: ${edit.revision}\ndata: ${JSON.stringify(edit)}\n\n`));
      };
      const early: LoggedEdit[] = [];
      let live = false;
      const unwatch = watch(id, (edit) => (live ? send(edit) : early.push(edit)));
      const beat = setInterval(() => controller.enqueue(encoder.encode(": still lit\n\n")), HEARTBEAT_MS);
      stop = () => {
        clearInterval(beat);
        unwatch();
        stop = () => {};
      };
      request.signal.addEventListener("abort", () => {
        stop();
        try {
          controller.close();
        } catch {
          // The browser had closed it already.
        }
      });
      controller.enqueue(encoder.encode(": lit\n\n"));
      for (const edit of await editsSince(database, id, cursor)) send(edit);
      for (const edit of early) send(edit);
      live = true;
    },
    cancel: () => stop(),
  });
  return new Response(body, {
    headers: {
      "content-type": "text/event-stream",
      "cache-control": "no-store, no-transform",
      "x-accel-buffering": "no",
    },
  });
}
