import { stagePeople } from "@/api";
import { OPEN_TO_MANY } from "@/core/stage";
import { serveStage } from "@/server/stage/asked";
import { peopleOf } from "@/server/stage/stage-pack";

/** Who plays in the evening, whoever reads along, and who may join without knowing its songs. */
export const GET = serveStage(stagePeople, async ({ database, session }) => ({
  people: [...(await peopleOf(database, session.state.items)), ...OPEN_TO_MANY],
}));
