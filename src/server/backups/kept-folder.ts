import fs from "node:fs";
import path from "node:path";
import { dataFolder } from "../db/open-database";
import { syncPath } from "../store";
import { expired, type Kept, keptAmong, keptOf, nextName } from "./kept";

/** The folder of kept backups inside the data folder. */
const FOLDER = "backups";

const folderIn = (data: string): string => path.join(/* turbopackIgnore: true */ data, FOLDER);

/** The backups that are kept, the newest first. */
export function listKept(data = dataFolder()): Kept[] {
  try {
    return keptAmong(fs.readdirSync(/* turbopackIgnore: true */ folderIn(data)));
  } catch {
    // No folder yet, or one that can't be read: writing the next one says what is wrong.
    return [];
  }
}

/** A kept backup's file, or null where there is none of that name. */
export function readKept(name: string, data = dataFolder()): Uint8Array | null {
  const file = path.join(/* turbopackIgnore: true */ folderIn(data), name);
  return keptOf(name) && fs.existsSync(/* turbopackIgnore: true */ file)
    ? fs.readFileSync(/* turbopackIgnore: true */ file)
    : null;
}

/**
 * Keeps a backup: written whole beside the others, through to the disk, read again and tried, and only then given its name;
 * those that are kept no longer go after it is there. On a failure the others are as they were.
 * @param tried throws when what was read again is not what it should be
 */
export async function keep(
  file: Uint8Array,
  now: Date,
  tried: (read: Uint8Array) => Promise<void>,
  data = dataFolder(),
): Promise<Kept> {
  const folder = folderIn(data);
  fs.mkdirSync(/* turbopackIgnore: true */ folder, { recursive: true });
  const name = nextName(listKept(data), now);
  const part = path.join(/* turbopackIgnore: true */ folder, "unfinished.part");
  try {
    fs.writeFileSync(/* turbopackIgnore: true */ part, file, { flush: true });
    await tried(fs.readFileSync(/* turbopackIgnore: true */ part));
    fs.renameSync(/* turbopackIgnore: true */ part, path.join(/* turbopackIgnore: true */ folder, name));
    syncPath(folder);
  } finally {
    fs.rmSync(/* turbopackIgnore: true */ part, { force: true });
  }
  for (const old of expired(listKept(data)))
    fs.rmSync(/* turbopackIgnore: true */ path.join(folder, old.name), { force: true });
  return keptOf(name)!;
}
