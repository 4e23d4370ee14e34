import { refuse } from "@/server/http";
import { NO_STORE, type StageParams, stageAsked } from "@/server/stage/asked";
import { eventsSince } from "@/server/stage/log";

/** The log after an event (`?since=`), or the whole state where that event is no longer kept. */
export async function GET(request: Request, params: StageParams): Promise<Response> {
  const asked = new URL(request.url).searchParams.get("since") ?? "0";
  if (!/^\d{1,9}$/u.test(asked)) return refuse(400, "since", "should be the id of an event, 0 or more");
  const stage = await stageAsked(request, params);
  if (!stage.ok) return stage.response;
  const { session, database } = stage;
  const since = Number(asked);
  const events = await eventsSince(database, session.eveningId, since);
  const isWhole = since > 0 && (events[0] ? events[0].id === since + 1 : since === session.state.lastId);
  return Response.json(isWhole ? { events } : { state: session.state }, NO_STORE);
}
