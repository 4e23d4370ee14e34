import { sql } from "drizzle-orm";
import { ROLL } from "../apart/job";
import { answerApart } from "../apart/run";
import { openDatabase } from "../db/open-database";
import { isEmpty } from "../documents/stored-documents";
import { heldOnHost, host } from "../host";
import { Keeper } from "./keeper";
import type { Kept } from "./kept";
import { listKept } from "./kept-folder";
import type { Rolled } from "./roll";

const keeper = heldOnHost<Keeper>("keeper of backups");

const MINUTE = 60_000;
/** Minutes between two backups, unless `LANTERN_BACKUP_MINUTES` says otherwise. */
const EVERY_MINUTES = 60;
/** Not before this long after the start, ms: whoever starts the program wants to see it. */
const FIRST_MS = 2 * MINUTE;

/** How far the database has written: another place after anything is. */
async function mark(): Promise<string | null> {
  const database = await openDatabase();
  if (await isEmpty(database)) return null;
  const { rows } = (await database.execute(
    sql`select pg_current_wal_insert_lsn()::text as place`,
  )) as unknown as {
    rows: { place: string }[];
  };
  return rows[0]!.place;
}

async function roll(): Promise<Rolled> {
  const request = { method: "POST", url: "http://lantern/", headers: {}, params: {}, body: null };
  const { status, body } = await answerApart(ROLL, request, {});
  const said = JSON.parse(new TextDecoder().decode(body)) as Rolled & { error?: { message: string } };
  if (status >= 300) throw new Error(said.error?.message ?? "It could not be made.");
  return said;
}

/** Begins to keep backups, where this is the program itself and not a tool or a test. */
export function startKeeping(): void {
  if (!host().store || keeper.now) return;
  const everyMs = Number(process.env.LANTERN_BACKUP_MINUTES ?? EVERY_MINUTES) * MINUTE;
  if (!(everyMs > 0)) return;
  const [newest] = listKept();
  const { clock } = host();
  keeper.now = new Keeper({
    clock,
    everyMs,
    newestAgeMs: newest ? clock() - Date.parse(newest.at) : null,
    mark,
    roll,
    say: (sentence) => void process.stderr.write(`${sentence}\n`),
  });
  const begin = () => {
    void keeper.now!.tick();
    setInterval(() => void keeper.now!.tick(), Math.min(MINUTE, everyMs / 4)).unref();
  };
  setTimeout(begin, Math.min(FIRST_MS, everyMs)).unref();
}

/** What the first page says of kept backups. */
export type KeptTold = {
  /** The newest first. */
  readonly kept: readonly Kept[];
  /** Why the last one failed; null where it did not. */
  readonly problem: string | null;
};

export const tellKept = (): KeptTold => ({ kept: listKept(), problem: keeper.now?.problem ?? null });
