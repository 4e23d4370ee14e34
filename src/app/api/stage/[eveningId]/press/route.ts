import { z } from "zod";
import { liveActSchema } from "@/core/stage";
import { idSchema } from "@/document";
import { refuseChange } from "@/server/access";
import { readJson, refuse } from "@/server/http";
import { NO_STORE, type StageParams, stageAsked } from "@/server/stage/asked";
import { withStorage } from "@/server/storage";

const pressSchema = z.object({
  act: liveActSchema,
  /** Made by the leader's screen: the same press sent again stands once. */
  pressId: idSchema,
  /** When it was pressed by the server's clock, as far as the screen knows it, ms. */
  pressedAt: z.number().nullable().default(null),
});

/** The leader moves everybody. 200 once it is on disk, 409 with the reason where it can't be done now. */
export async function POST(request: Request, params: StageParams): Promise<Response> {
  const refused = refuseChange(request);
  if (refused) return refused;
  const stage = await stageAsked(request, params);
  if (!stage.ok) return stage.response;
  const sent = await readJson(request, 4000, pressSchema);
  if (!sent.ok) return sent.response;
  return withStorage(async () => {
    const pressed = await stage.session.press(sent.value);
    return pressed.ok
      ? Response.json({ event: pressed.event }, NO_STORE)
      : refuse(409, "act", pressed.reason);
  });
}
