import { setUpGate } from "./access/reopen";
import { takeBack } from "./backups/arriving";
import { startKeeping } from "./backups/keeping";
import { openDatabase } from "./db/open-database";
import { renewShelf } from "./documents/shelf";
import { createDocuments, findDocument, isEmpty } from "./documents/stored-documents";
import { noteClosed } from "./rescue";
import { demoDocuments } from "./songs/demo";

/**
 * Opens the database before the first request, and fills an empty one with the demo evening once (unless
 * `LANTERN_DEMO` is "off"). A database that does not open leaves a first page that offers a backup; a folder that can't be
 * used ends the process with a sentence: half a server helps nobody.
 */
export async function start(): Promise<void> {
  setUpGate();
  try {
    const database = await openDatabase();
    // A program that was killed may have left a backup half brought back.
    await takeBack(database);
    await renewShelf(database, (id) => findDocument(database, id));
    if ((await isEmpty(database)) && process.env.LANTERN_DEMO !== "off")
      await createDocuments(database, await demoDocuments());
  } catch (error) {
    const reason = error instanceof Error ? error.message : String(error);
    if (noteClosed(error)) {
      process.stderr.write(
        `The database in the data folder does not open (${reason}). Nothing was changed. Open the first page: it offers the newest backup that was kept.\n`,
      );
      return;
    }
    process.stderr.write(
      `Shared Lantern could not open its data folder. ${reason}\nNothing was changed. Check that the folder can be written, or set LANTERN_DATA to another one.\n`,
    );
    process.exit(1);
  }
  startKeeping();
}
