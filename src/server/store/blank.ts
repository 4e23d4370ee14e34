import fs from "node:fs";
import path from "node:path";
import { PGlite } from "@electric-sql/pglite";

/**
 * Where the build leaves a database that holds nothing yet (`scripts/lib/ready.mjs` makes it): as a folder, and packed as a
 * tar. Making one runs PostgreSQL's own initdb, which takes eight times as long as opening a copy.
 */
const inBuild = (name: string): string => path.resolve(/* turbopackIgnore: true */ "build", name);
const FOLDER = "blank";
const ARCHIVE = "blank.tar";

/**
 * Copies the blank database into a place that is empty or absent, when the build has left one.
 * @param from where it is, for tests
 * @returns whether it is there now; where not, whoever opens the place makes a database in it
 */
export function copyBlank(place: string, from = inBuild(FOLDER)): boolean {
  if (!fs.existsSync(path.join(from, "PG_VERSION"))) return false;
  fs.cpSync(from, place, { recursive: true });
  return true;
}

/** A database in memory that holds nothing yet: unpacked, where the build has left one. */
export async function openInMemory(): Promise<PGlite> {
  const file = inBuild(ARCHIVE);
  if (!fs.existsSync(file)) return PGlite.create();
  const loadDataDir = new File([await fs.openAsBlob(file)], ARCHIVE, { type: "application/x-tar" });
  return PGlite.create({ loadDataDir });
}
