import { z } from "zod";
import { ENGINES } from "@/core/plan";
import { readJson, refuse } from "@/server/http";
import { runEngineApart } from "@/server/plan/run";

const LARGEST_INPUT = 1_000_000;

/** Runs an engine on the posted input, in a thread of its own. */
export async function POST(
  request: Request,
  { params }: { params: Promise<{ engine: string }> },
): Promise<Response> {
  const { engine } = await params;
  if (!ENGINES.some(({ name }) => name === engine)) {
    return refuse(404, "engine", `should be one of ${ENGINES.map(({ name }) => name).join(", ")}`);
  }
  const input = await readJson(request, LARGEST_INPUT, z.unknown());
  if (!input.ok) return input.response;
  try {
    const outcome = await runEngineApart(engine, input.value);
    return outcome.ok
      ? Response.json(outcome.result)
      : Response.json({ error: outcome.error }, { status: 400 });
  } catch (error) {
    return refuse(503, "engine", error instanceof Error ? error.message : "The engine stopped.");
  }
}
