import { NO_STORE, type StageParams, stageAsked } from "@/server/stage/asked";

/** The server's clock, ms since 1970, for measuring how far another one is off. */
export async function GET(request: Request, params: StageParams): Promise<Response> {
  const stage = await stageAsked(request, params);
  return stage.ok ? Response.json({ now: stage.session.now() }, NO_STORE) : stage.response;
}
