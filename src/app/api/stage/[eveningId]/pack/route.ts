import { refuse } from "@/server/http";
import { NO_STORE, type StageParams, stageAsked } from "@/server/stage/asked";
import { packOf } from "./packed";

/** An evening as one person plays it (`?person=`). */
export async function GET(request: Request, params: StageParams): Promise<Response> {
  const stage = await stageAsked(request, params);
  if (!stage.ok) return stage.response;
  const person = new URL(request.url).searchParams.get("person") ?? "";
  if (person === "" || person.length > 130)
    return refuse(400, "person", "should be someone who plays in this evening");
  return Response.json(await packOf(stage.session.state.items, person), NO_STORE);
}
