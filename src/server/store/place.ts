import fs from "node:fs";
import path from "node:path";

/** The folder of the database inside the data folder. */
export const DATABASE = "postgres";

/** Where the database of a data folder is. */
export const placeIn = (folder: string): string => path.join(folder, DATABASE);

/** Writes a file or folder through to the disk. */
export function syncPath(place: string): void {
  const descriptor = fs.openSync(place, "r");
  try {
    fs.fsyncSync(descriptor);
  } finally {
    fs.closeSync(descriptor);
  }
}
