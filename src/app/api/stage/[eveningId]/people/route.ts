import { stagePeople } from "@/api";
import { serveStage } from "@/server/stage/asked";
import { peopleOf } from "@/server/stage/stage-pack";

/** Who plays in the evening. */
export const GET = serveStage(stagePeople, async ({ database, session }) => ({
  people: await peopleOf(database, session.state.items),
}));
