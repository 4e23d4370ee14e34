import { z } from "zod";
import { setPerson } from "@/server/access/openings";
import { readJson, refuse } from "@/server/http";
import { NO_STORE, personOfGuest, type StageParams, stageAsked } from "@/server/stage/asked";
import { peopleOf } from "@/server/stage/pack";

/** Who asks, as what, and whose part they see. */
export async function GET(request: Request, params: StageParams): Promise<Response> {
  const stage = await stageAsked(request, params);
  if (!stage.ok) return stage.response;
  const { who, database } = stage;
  return Response.json({ role: who.role, person: await personOfGuest(database, who) }, NO_STORE);
}

const asked = z.object({ person: z.string().min(1).max(130) });

/** Says whose part one sees. */
export async function POST(request: Request, params: StageParams): Promise<Response> {
  const stage = await stageAsked(request, params);
  if (!stage.ok) return stage.response;
  const input = await readJson(request, 2000, asked);
  if (!input.ok) return input.response;
  const { who, database, session } = stage;
  const { person } = input.value;
  if (!(await peopleOf(database, session.state.items)).some((one) => one.person === person))
    return refuse(404, "person", "should be someone who plays in this evening");
  if (who.guestId !== null) await setPerson(database, who.guestId, person);
  return Response.json({ role: who.role, person }, NO_STORE);
}
