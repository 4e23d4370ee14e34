import { followStage } from "@/api";
import { eventStream, refuse } from "@/server/http";
import { serveStage } from "@/server/stage/asked";

/** So many messages wait for a listener at most. */
const MOST_WAITING = 400;

/**
 * Everything that happens on an evening's stage, as server-sent events: what has been missed since an event (`?since=`, or the
 * browser's Last-Event-ID), or the whole state, then each press as it reaches the disk, and every two seconds how far it is.
 */
export const GET = serveStage(followStage, async ({ request, session, who }) => {
  const asked = request.headers.get("last-event-id") ?? new URL(request.url).searchParams.get("since") ?? "0";
  if (!/^\d{1,9}$/u.test(asked)) return refuse(400, "since", "should be the id of an event, 0 or more");
  let stop = () => {};
  let leave = () => {};
  const body = new ReadableStream<Uint8Array>({
    async start(controller) {
      let ended = false;
      const end = () => {
        if (ended) return;
        ended = true;
        stop();
        try {
          controller.close();
        } catch {
          // The browser had closed it already.
        }
      };
      request.signal.addEventListener("abort", end);
      controller.enqueue(new TextEncoder().encode("retry: 400\n\n"));
      const send = (chunk: Uint8Array) => {
        if (ended) return;
        controller.enqueue(chunk);
        // A phone that takes nothing more would fill the memory; it comes back by itself and asks for what it missed.
        if ((controller.desiredSize ?? 0) < -MOST_WAITING) end();
      };
      leave = end;
      const unlisten = await session.listen({ send, end, guestId: who.guestId }, Number(asked));
      stop = unlisten;
      if (ended) unlisten();
    },
    cancel: () => leave(),
  });
  return eventStream(body);
});
