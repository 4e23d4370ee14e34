import { bringBackup, bringBackupPartly, saveBackup } from "@/api";
import { LARGEST_BACKUP } from "../backups/backup-file";
import { restoreBackup } from "../backups/restore-backup";
import { saveBackup as packBackup } from "../backups/save-backup";
import { openDatabase } from "../db/open-database";
import { readBytes, refuse } from "../http";
import { makeId } from "../ids";
import { type Asked, Refuse, serve } from "../serve";
import { WORK_HEADER } from "./job";

/** Everything in one file. */
export const answerSaveBackup = serve(saveBackup, async ({ told }) => {
  const now = new Date();
  const file = await packBackup(await openDatabase(), now, told);
  const name = `shared-lantern-${now.toISOString().slice(0, 10)}.zip`;
  return new Response(file as BodyInit, {
    headers: {
      "content-type": "application/zip",
      "content-disposition": `attachment; filename="${name}"`,
      "cache-control": "no-store",
    },
  });
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

/** Brings a backup file back. */
export const answerBringBackup = serve(bringBackup, bring(false));

/** Brings back what can be of a backup file. */
export const answerBringBackupPartly = serve(bringBackupPartly, bring(true));
