import { NO_STORE, type StageParams, stageAsked } from "@/server/stage/asked";
import { peopleOf } from "@/server/stage/pack";

/** Who plays in the evening. */
export async function GET(request: Request, params: StageParams): Promise<Response> {
  const stage = await stageAsked(request, params);
  if (!stage.ok) return stage.response;
  return Response.json({ people: await peopleOf(stage.database, stage.session.state.items) }, NO_STORE);
}
