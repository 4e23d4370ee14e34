import { fail, ok, type Result } from "@/base";
import type { Database } from "../db/open-database";
import { takenIds } from "../documents/stored-documents";
import { makeId } from "../ids";
import type { Told } from "../serve";
import { arrive, beginArrival, endArrival, takeBack } from "./arriving";
import { type BackupProblem, type LeftOut, readContent } from "./backup-file";
import { type Prepared, prepareAll, tellLeftOut } from "./prepare";
import { writeNotes, writeRows } from "./write-rows";

export type RestoreOptions = {
  /** Brings back the rest where some of it can't be. */
  readonly isPartly?: boolean;
  readonly told?: Told;
  /** What the arrival is called, for whoever may have to take it back. */
  readonly id?: string;
};

/** Brings a backup back: all of it or nothing. Refused when anything in it is here already. */
export async function restoreBackup(
  database: Database,
  file: Uint8Array,
  { isPartly = false, told = () => {}, id = makeId() }: RestoreOptions = {},
): Promise<Result<{ documents: number; leftOut: readonly LeftOut[] }, BackupProblem>> {
  const read = readContent(file);
  if (!read.ok) return read;
  const { documents: saved, notes } = read.value;
  const taken = await takenIds(
    database,
    saved.map((document) => document.id),
  );
  if (taken.length > 0) {
    return fail({
      message: `${taken.length} of the ${saved.length} documents in this backup are here already. Bring it back into an empty data folder (LANTERN_DATA, with LANTERN_DEMO=off). Nothing was changed.`,
    });
  }
  const { rows, leftOut } = prepareAll(saved, (done, of) => told(done, 2 * of));
  if (rows.length === 0 && leftOut.length > 0)
    return fail({
      message: `Nothing of this backup can be brought back. ${tellLeftOut(leftOut)} Nothing was changed.`,
    });
  if (leftOut.length > 0 && !isPartly)
    return fail({
      message: `${leftOut.length} of the ${saved.length} documents in this backup can't be brought back. ${tellLeftOut(leftOut)} Nothing was changed.`,
      leftOut,
    });
  if (!(await beginArrival(database, id)))
    return fail({
      message: "Another backup is being brought back. Wait for it, or stop it. Nothing was changed.",
    });
  try {
    await bringIn(database, id, rows, told);
    await writeNotes(database, notes, rows);
    await endArrival(database, id);
  } catch (error) {
    await takeBack(database, id);
    throw error;
  }
  return ok({ documents: rows.length, leftOut });
}

/** Writes documents in small transactions. */
async function bringIn(database: Database, id: string, rows: readonly Prepared[], told: Told): Promise<void> {
  let done = 0;
  for (const part of inParts(rows)) {
    await arrive(database, id, async (tx) => {
      await writeRows(tx, part);
      return part.map(({ document }) => document.id);
    });
    done += part.length;
    told(rows.length + done, 2 * rows.length);
  }
}

/** The longest a part may be while it holds more than one document, in characters of JSON. */
const PART = 200_000;

/** Documents in parts that are written together: short ones a few at once, a long one alone. */
function* inParts(rows: readonly Prepared[]): Generator<readonly Prepared[]> {
  let part: Prepared[] = [];
  let size = 0;
  for (const row of rows) {
    const own = JSON.stringify(row).length;
    if (part.length > 0 && size + own > PART) {
      yield part;
      [part, size] = [[], 0];
    }
    part.push(row);
    size += own;
  }
  if (part.length > 0) yield part;
}
