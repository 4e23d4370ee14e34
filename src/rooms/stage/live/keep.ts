import { type IDBPDatabase, openDB } from "idb";
import type { FeetState, LiveState, StageNote, StagePack, StagePerson } from "@/core/stage";

/** What a device keeps of an evening, so that its page goes on with no network. */
export type KeptEvening = {
  readonly state: LiveState;
  /** Server's clock less this device's, ms, when it was last known. */
  readonly offset: number;
  readonly people: readonly StagePerson[];
  readonly person: string | null;
  readonly pack: StagePack | null;
  readonly notes: readonly StageNote[];
  /** Notes that have not reached the server yet. */
  readonly unsent: readonly StageNote[];
  /** What this player's feet have done in the song that is open. */
  readonly feet: KeptFeet | null;
  /** Changes with every edit of a song: a pack of another stamp is asked for anew. */
  readonly songs: string;
};

/** What is known of a player's feet in a song of the evening. */
export type KeptFeet = { readonly itemId: string; readonly person: string; readonly state: FeetState };

const STORE = "evenings";
/** Goes up where a pack holds something else than before. */
const FORM = 2;
type Formed = { readonly form?: number };
let opened: Promise<IDBPDatabase> | null = null;
const open = () => {
  opened ??= openDB("shared-lantern-stage", 1, {
    upgrade: (database) => void database.createObjectStore(STORE),
  });
  return opened;
};

/** What is kept of an evening, or null; a device that keeps nothing goes on without. */
export async function loadKept(eveningId: string): Promise<KeptEvening | null> {
  try {
    const kept = (await (await open()).get(STORE, eveningId)) as (KeptEvening & Formed) | undefined;
    // The pack of an older program is not this one's; notes that were not sent are.
    return kept ? { ...kept, pack: kept.form === FORM ? kept.pack : null } : null;
  } catch {
    return null;
  }
}

export async function saveKept(eveningId: string, kept: KeptEvening): Promise<void> {
  try {
    await (await open()).put(STORE, { ...kept, form: FORM }, eveningId);
  } catch {
    // A private window may keep nothing; the page still has it all in memory.
  }
}
