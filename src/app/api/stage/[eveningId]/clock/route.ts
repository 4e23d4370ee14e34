import { stageClock } from "@/api";
import { serveStage } from "@/server/stage/asked";

/** The server's clock, ms since 1970, for measuring how far another one is off. */
export const GET = serveStage(stageClock, async ({ session }) => ({ now: session.now() }));
