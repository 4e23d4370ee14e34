import { bringBackup, bringBackupPartly, bringKept, saveBackup, saveKept } from "@/api";
import { LARGEST_BACKUP } from "../backups/backup-file";
import { readKept } from "../backups/kept-folder";
import { putBack } from "../backups/put-back";
import { restoreBackup } from "../backups/restore-backup";
import { rollBackup } from "../backups/roll";
import { saveBackup as packBackup } from "../backups/save-backup";
import { openDatabase } from "../db/open-database";
import { isEmpty } from "../documents/stored-documents";
import { readBytes, refuse } from "../http";
import { makeId } from "../ids";
import { type Asked, type Handler, Refuse, serve } from "../serve";
import { WORK_HEADER } from "./job";

/** Everything in one file. */
export const answerSaveBackup = serve(saveBackup, async ({ told }) => {
  const now = new Date();
  const file = await packBackup(await openDatabase(), now, told);
  const name = `shared-lantern-${now.toISOString().slice(0, 10)}.zip`;
  return asFile(file, name);
});

const asFile = (file: Uint8Array, name: string): Response =>
  new Response(file as BodyInit, {
    headers: {
      "content-type": "application/zip",
      "content-disposition": `attachment; filename="${name}"`,
      "cache-control": "no-store",
    },
  });

/** What a piece of work is called, for whoever has to take back what it had begun. */
const workOf = (request: Request): string => request.headers.get(WORK_HEADER) ?? makeId();

const bring =
  (isPartly: boolean) =>
  async ({ request, told }: Pick<Asked<unknown>, "request" | "told">) => {
    const file = await readBytes(request, LARGEST_BACKUP);
    if (!file.ok) return file.response;
    const restored = await restoreBackup(await openDatabase(), file.value, {
      isPartly,
      told,
      id: workOf(request),
    });
    if (restored.ok) return restored.value;
    const { message, leftOut } = restored.problem;
    return leftOut ? new Refuse({ leftOut }, 400, { path: "file", message }) : refuse(400, "file", message);
  };

/** A backup the program has kept, as a file. */
export const answerSaveKept = serve(saveKept, async ({ sent }) => {
  const file = readKept(sent.name);
  return file ? asFile(file, sent.name) : refuse(404, "name", NO_KEPT);
});

const NO_KEPT = "names no backup that is kept; look at the first page again";

/** Puts everything back as it stands in a kept backup. */
export const answerBringKept = serve(bringKept, async ({ sent, request, told }) => {
  const file = sent.name === null ? null : readKept(sent.name);
  if (!file) return refuse(404, "name", NO_KEPT);
  const database = await openDatabase();
  const options = { isPartly: true, told, id: workOf(request) };
  const brought = (await isEmpty(database))
    ? await restoreBackup(database, file, options)
    : await putBack(database, file, { now: new Date(), told });
  return brought.ok ? brought.value : refuse(400, "name", brought.problem.message);
});

/** Keeps a backup of everything as it stands now: the program asks for it by itself. */
export const answerRoll: Handler = async () =>
  Response.json(await rollBackup(await openDatabase(), new Date()));

/** Brings a backup file back. */
export const answerBringBackup = serve(bringBackup, bring(false));

/** Brings back what can be of a backup file. */
export const answerBringBackupPartly = serve(bringBackupPartly, bring(true));
