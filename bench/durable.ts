/** What writing through to the disk costs: the same edits on a folder of ours, and on one that leaves it to the system. */
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { PGlite } from "@electric-sql/pglite";
import { drizzle } from "drizzle-orm/pglite";
import { migrate } from "drizzle-orm/pglite/migrator";
import { type Database, openFolder } from "@/server/db/open-database";
import { takeEdit } from "@/server/documents/stored-documents";
import { numberedEdit, shortSong } from "../testing/server/numbered-edits";

const EDITS = 300;
const ROUNDS = 3;

type Open = { readonly database: Database; readonly close: () => Promise<void> };

/** The database as it is by itself: nothing is written through. */
async function openPlain(folder: string): Promise<Open> {
  const client = new PGlite(path.join(folder, "postgres"));
  const database = drizzle(client);
  await migrate(database, { migrationsFolder: path.resolve("src", "server", "db", "migrations") });
  return { database: database as unknown as Database, close: () => client.close() };
}

async function timesOf(open: (folder: string) => Promise<Open>): Promise<number[]> {
  const folder = mkdtempSync(path.join(tmpdir(), "lantern-bench-"));
  const { database, close } = await open(folder);
  const versionId = await shortSong(database);
  const times: number[] = [];
  for (let number = 0; number < EDITS; number++) {
    const began = performance.now();
    await takeEdit(database, versionId, numberedEdit(number));
    times.push(performance.now() - began);
  }
  await close();
  rmSync(folder, { recursive: true, force: true });
  return times;
}

const plain: number[] = [];
const durable: number[] = [];
for (let round = 0; round < ROUNDS; round++) {
  plain.push(...(await timesOf(openPlain)));
  durable.push(...(await timesOf(openFolder)));
}
const at = (times: readonly number[], share: number) =>
  times.toSorted((a, b) => a - b)[Math.floor(times.length * share)]!;
const say = (times: readonly number[]) =>
  `median ${at(times, 0.5).toFixed(1)} ms, p95 ${at(times, 0.95).toFixed(1)} ms, ${Math.round((times.length * 1000) / times.reduce((sum, ms) => sum + ms, 0))} a second`;
process.stdout.write(
  `an edit written through to the disk: ${say(durable)}; left to the system: ${say(plain)} (${durable.length} each, by turns)\n`,
);
