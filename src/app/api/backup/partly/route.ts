import { bringBackupPartly } from "@/api";
import { LARGEST_BACKUP, restoreBackup } from "@/server/backup";
import { openDatabase } from "@/server/db/open-database";
import { readBytes, refuse } from "@/server/http";
import { serve } from "@/server/serve";

/** Brings back what can be of a backup file. */
export const POST = serve(bringBackupPartly, async ({ request }) => {
  const file = await readBytes(request, LARGEST_BACKUP);
  if (!file.ok) return file.response;
  const restored = await restoreBackup(await openDatabase(), file.value, true);
  return restored.ok ? restored.value : refuse(400, "file", restored.problem.message);
});
