import { type Principal, principal } from "../access";
import { findGuestById } from "../access/openings";
import type { Database } from "../db/open";
import { openDatabase } from "../db/open";
import { refuse } from "../http";
import { type LiveSession, liveSession } from "./hub";

export type StageParams = { params: Promise<{ eveningId: string }> };

/** What every route of a stage needs: who asks, and the session of the evening; or the answer that there is none. */
export async function stageAsked(
  request: Request,
  { params }: StageParams,
): Promise<
  | { readonly ok: true; readonly session: LiveSession; readonly database: Database; readonly who: Principal }
  | { readonly ok: false; readonly response: Response }
> {
  const session = await liveSession((await params).eveningId);
  if (!session)
    return {
      ok: false,
      response: refuse(404, "eveningId", "names no evening here; it may have been removed"),
    };
  return { ok: true, session, database: await openDatabase(), who: principal(request) };
}

/** Whose part a guest has said to play; null for whoever sits at this machine. */
export const personOfGuest = async (database: Database, who: Principal): Promise<string | null> =>
  who.guestId === null ? null : ((await findGuestById(database, who.guestId))?.person ?? null);

export const NO_STORE = { headers: { "cache-control": "no-store" } };
