import { stageEvents } from "@/api";
import { serveStage } from "@/server/stage/asked";
import { eventsSince } from "@/server/stage/log";

/** The log after an event (`?since=`), or the whole state where that event is no longer kept. */
export const GET = serveStage(stageEvents, async ({ session, database, sent: { since } }) => {
  const events = await eventsSince(database, session.eveningId, since);
  const isWhole = since > 0 && (events[0] ? events[0].id === since + 1 : since === session.state.lastId);
  return isWhole ? { events } : { state: session.state };
});
