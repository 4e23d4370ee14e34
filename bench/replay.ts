/** Replays the log of every document in a data folder and compares it with the stored body. */
import { isDeepStrictEqual } from "node:util";
import { openFolder } from "../src/server/db/open-database";
import { listDocuments, replayLog } from "../src/server/documents/stored-documents";

const { database, close } = await openFolder(process.argv[2]!);
const versions = await listDocuments(database, "version");
let different = 0;
for (const { id, body } of versions) if (!isDeepStrictEqual(await replayLog(database, id), body)) different++;
console.log(
  `the log replayed equals the stored body: ${versions.length - different} of ${versions.length} documents`,
);
await close();
process.exitCode = different === 0 ? 0 : 1;
