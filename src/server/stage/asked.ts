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

/**
 * Refuses to write what is a player's own for somebody who only looks on, for another one, or in a song that is not theirs; null
 * where it may be written.
 * @param words what is written: "notes"
 */
export async function refuseNotOwn(
  { items, database, who }: Pick<SongsAsked<unknown>, "items" | "database" | "who">,
  { person, versionId }: { readonly person: string; readonly versionId: string },
  words: string,
) {
  if (who.role === "viewer" || who.role === "nobody")
    return refuse(403, "who", `looks on: ${words} are the players' own`);
  if (who.guestId !== null && (await personOfGuest(database, who)) !== person)
    return refuse(403, "person", `should be yourself: ${words} are each player's own`);
  if (!items.some((item) => item.versionId === versionId))
    return refuse(404, "versionId", "should be a song of this evening");
  return null;
}

/** Whose part a guest has said to play; null for whoever sits at this machine. */
export const personOfGuest = async (database: Database, who: Principal): Promise<string | null> =>
  who.guestId === null ? null : ((await findGuestById(database, who.guestId))?.person ?? null);
