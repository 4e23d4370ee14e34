import { mkdirSync } from "node:fs";
import path from "node:path";
import type { PGlite } from "@electric-sql/pglite";
import type { PgDatabase, PgQueryResultHKT } from "drizzle-orm/pg-core";
import { drizzle } from "drizzle-orm/pglite";
import { migrate } from "drizzle-orm/pglite/migrator";
import { heldOnHost, host } from "../host";
import { type Client, openDurable, openInMemory } from "../store";
import * as schema from "./schema";

/** Any database these migrations run on: PGlite here, a PostgreSQL server elsewhere. */
export type Database = PgDatabase<PgQueryResultHKT, typeof schema>;

type Open = { readonly database: Database; readonly close: () => Promise<void> };

const MIGRATIONS = path.join("src", "server", "db", "migrations");

/** Where everything is kept: `LANTERN_DATA`, else `data/` in the project. */
export const dataFolder = (): string =>
  path.resolve(/* turbopackIgnore: true */ process.env.LANTERN_DATA ?? "data");

/** The one open database of this process. */
const opened = heldOnHost<Promise<Open>>("database");

/** Opens a database folder (or, without one, a database in memory for tests) with the newest migrations. */
export async function openFolder(folder: string | null): Promise<Open> {
  if (folder !== null) mkdirSync(/* turbopackIgnore: true */ folder, { recursive: true });
  // The host may have begun to open it already.
  const { store } = host();
  const begun = folder !== null && store?.folder === folder ? store : null;
  const durable = begun ?? (folder === null ? null : openDurable(folder));
  await durable?.ready;
  const client = durable?.client ?? (await openInMemory());
  const database = databaseOf(client);
  await migrate(database as never, {
    migrationsFolder: path.resolve(/* turbopackIgnore: true */ MIGRATIONS),
  });
  return { database, close: () => client.close() };
}

/** A client as Drizzle asks it: of the database's thread, or of one in this thread. */
const databaseOf = (client: Client | PGlite): Database =>
  // Drizzle asks a client for no more than `query` and `transaction`.
  drizzle(client as PGlite, { schema }) as unknown as Database;

/** Takes a database that is open, and migrated, for the one of this process: a thread asks the one its program opened. */
export function takeClient(client: Client): void {
  opened.now = Promise.resolve({ database: databaseOf(client), close: () => client.close() });
}

export async function openDatabase(): Promise<Database> {
  if (process.env.NEXT_PHASE === "phase-production-build") {
    throw new Error("Expected no database while building, but a page asked for one.");
  }
  opened.now ??= openFolder(dataFolder());
  return (await opened.now).database;
}

/** Forgets the database, which is another one now: whoever asks opens it anew. */
export function forgetDatabase(): void {
  opened.now = null;
}

export async function closeDatabase(): Promise<void> {
  await (await opened.now)?.close();
}
