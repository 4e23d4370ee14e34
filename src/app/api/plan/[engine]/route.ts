import { runEngine } from "@/api";
import { CONTRACTS } from "@/engines";
import { runEngineApart } from "@/server/engines/run";
import { refuse } from "@/server/http";
import { serve } from "@/server/serve";

/** Runs an engine on the posted input, in a thread apart; a request that is given up ends its search. */
export const POST = serve(runEngine, async ({ params, sent, request }) => {
  const engine = params.engine!;
  if (!CONTRACTS.some(({ name }) => name === engine))
    return refuse(404, "engine", `should be one of ${CONTRACTS.map(({ name }) => name).join(", ")}`);
  try {
    const outcome = await runEngineApart(engine, sent, request.signal);
    return outcome.ok ? outcome.result : Response.json({ error: outcome.error }, { status: 400 });
  } catch (error) {
    return refuse(503, "engine", error instanceof Error ? error.message : "The engine stopped.");
  }
});
