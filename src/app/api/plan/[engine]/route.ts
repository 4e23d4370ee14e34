import { runEngine } from "@/api";
import { ENGINES } from "@/core/plan";
import { refuse } from "@/server/http";
import { runEngineApart } from "@/server/plan/run";
import { serve } from "@/server/serve";

/** Runs an engine on the posted input, in a thread of its own. */
export const POST = serve(runEngine, async ({ params, sent }) => {
  const engine = params.engine!;
  if (!ENGINES.some(({ name }) => name === engine))
    return refuse(404, "engine", `should be one of ${ENGINES.map(({ name }) => name).join(", ")}`);
  try {
    const outcome = await runEngineApart(engine, sent);
    return outcome.ok ? outcome.result : Response.json({ error: outcome.error }, { status: 400 });
  } catch (error) {
    return refuse(503, "engine", error instanceof Error ? error.message : "The engine stopped.");
  }
});
