import { and, asc, eq, gt, lte } from "drizzle-orm";
import { applyLive, EMPTY_STATE, type LiveEvent, type LiveState } from "@/core/stage";
import type { Database } from "../db/open-database";
import { liveEvents, liveStates } from "../db/schema";

/** The state is written down after so many events. */
export const KEEP_EVERY = 100;
/** So many events before what is written down are kept, for who was away long. */
const KEPT_EVENTS = 1000;

/** An evening's state, from what was written down last and the log after it. */
export async function readState(database: Database, eveningId: string): Promise<LiveState> {
  const [kept] = await database.select().from(liveStates).where(eq(liveStates.eveningId, eveningId));
  const from = kept?.state ?? EMPTY_STATE;
  return (await eventsSince(database, eveningId, from.lastId)).reduce(applyLive, from);
}

export async function eventsSince(
  database: Database,
  eveningId: string,
  since: number,
): Promise<LiveEvent[]> {
  const rows = await database
    .select()
    .from(liveEvents)
    .where(and(eq(liveEvents.eveningId, eveningId), gt(liveEvents.id, since)))
    .orderBy(asc(liveEvents.id));
  return rows.map(({ id, at, act }) => ({ id, at, act }));
}

/** The event of a press that has been taken already, or null. */
export async function eventOfPress(database: Database, pressId: string): Promise<LiveEvent | null> {
  const [row] = await database.select().from(liveEvents).where(eq(liveEvents.pressId, pressId));
  return row ? { id: row.id, at: row.at, act: row.act } : null;
}

/** Writes an event down; with a state that is worth keeping, that too. */
export async function writeEvent(
  database: Database,
  eveningId: string,
  event: LiveEvent,
  pressId: string,
  state: LiveState | null,
): Promise<void> {
  if (!state) {
    await database.insert(liveEvents).values({ ...event, eveningId, pressId });
    return;
  }
  await database.transaction(async (within) => {
    await within.insert(liveEvents).values({ ...event, eveningId, pressId });
    await within
      .insert(liveStates)
      .values({ eveningId, state })
      .onConflictDoUpdate({ target: liveStates.eveningId, set: { state } });
    await within
      .delete(liveEvents)
      .where(and(eq(liveEvents.eveningId, eveningId), lte(liveEvents.id, event.id - KEPT_EVENTS)));
  });
}
