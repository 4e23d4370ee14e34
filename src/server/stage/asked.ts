import type { Endpoint } from "@/api";
import type { Principal } from "../access";
import { findGuestById } from "../access/openings";
import type { Database } from "../db/open-database";
import { openDatabase } from "../db/open-database";
import { refuse } from "../http";
import { type Asked, type Refuse, type Reply, serve } from "../serve";
import { type LiveSession, liveSession } from "./hub";

/** What every route of a stage is asked with: the session of the evening besides. */
export type StageAsked<Output> = Asked<Output> & {
  readonly session: LiveSession;
  readonly database: Database;
};

/** Answers an endpoint of a stage; one that names no evening is refused. */
export const serveStage = <Output, Input, Answer, Refusal>(
  endpoint: Endpoint<Output, Input, Answer, Refusal>,
  answer: (asked: StageAsked<Output>) => Promise<Answer | Reply<Answer> | Refuse<Refusal> | Response>,
) =>
  serve(endpoint, async (asked) => {
    const session = await liveSession(asked.params.eveningId!);
    if (!session) return refuse(404, "eveningId", "names no evening here; it may have been removed");
    return answer({ ...asked, session, database: await openDatabase() });
  });

/** Whose part a guest has said to play; null for whoever sits at this machine. */
export const personOfGuest = async (database: Database, who: Principal): Promise<string | null> =>
  who.guestId === null ? null : ((await findGuestById(database, who.guestId))?.person ?? null);
