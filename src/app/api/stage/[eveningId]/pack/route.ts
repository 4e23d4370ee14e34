import { stagePack } from "@/api";
import { serveStage } from "@/server/stage/asked";
import { packOf } from "./packed";

/** An evening as one person plays it (`?person=`). */
export const GET = serveStage(stagePack, async ({ session, sent }) =>
  packOf(session.state.items, sent.person),
);
