import { stagePack } from "@/api";
import { readChoice } from "@/rooms/names/query";
import { serveStage } from "@/server/stage/asked";
import { packOf } from "./packed";

/** An evening as one person plays it (`?person=`), told in the names that are asked for. */
export const GET = serveStage(stagePack, async ({ session, sent: { person, ...names } }) =>
  packOf(session.state.items, person, readChoice(names)),
);
