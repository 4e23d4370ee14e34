import type { Endpoint } from "@/api";
import type { LiveItem } from "@/core/stage";
import type { Principal } from "../access";
import { findGuestById } from "../access/openings";
import type { Database } from "../db/open-database";
import { openDatabase } from "../db/open-database";
import { refuse } from "../http";
import { type Asked, type Refuse, type Reply, serve } from "../serve";
import { versionWithTitle } from "../songs/song-evenings";
import { type LiveSession, liveSession } from "./hub";
import { ownItem } from "./stage-score";

/** What a route of an evening on stage is asked with: its session besides. */
type StageAsked<Output> = Asked<Output> & {
  readonly session: LiveSession;
  readonly database: Database;
};

/** What a route is asked with that looks at songs alone: those of an evening, or the one of a song's own stage. */
type SongsAsked<Output> = Asked<Output> & {
  readonly items: readonly LiveItem[];
  readonly database: Database;
};

const GONE = "names no evening here; it may have been removed";

/** Answers an endpoint of a stage; one that names no evening is refused. */
export const serveStage = <Output, Input, Answer, Refusal>(
  endpoint: Endpoint<Output, Input, Answer, Refusal>,
  answer: (asked: StageAsked<Output>) => Promise<Answer | Reply<Answer> | Refuse<Refusal> | Response>,
) =>
  serve(endpoint, async (asked) => {
    const session = await liveSession(asked.params.eveningId!);
    if (!session) return refuse(404, "eveningId", GONE);
    return answer({ ...asked, session, database: await openDatabase() });
  });

/** Answers an endpoint of a stage that looks at its songs: an id of an evening, or of a version. */
export const serveSongs = <Output, Input, Answer, Refusal>(
  endpoint: Endpoint<Output, Input, Answer, Refusal>,
  answer: (asked: SongsAsked<Output>) => Promise<Answer | Reply<Answer> | Refuse<Refusal> | Response>,
) =>
  serve(endpoint, async (asked) => {
    const id = asked.params.eveningId!;
    const database = await openDatabase();
    const session = await liveSession(id);
    if (session) return answer({ ...asked, items: session.state.items, database });
    const own = await versionWithTitle(database, id);
    if (!own) return refuse(404, "eveningId", GONE);
    return answer({ ...asked, items: [ownItem(id, own.title, own.body)], database });
  });

/** Whose part a guest has said to play; null for whoever sits at this machine. */
export const personOfGuest = async (database: Database, who: Principal): Promise<string | null> =>
  who.guestId === null ? null : ((await findGuestById(database, who.guestId))?.person ?? null);
