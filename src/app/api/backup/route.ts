import { bringBackup, saveBackup } from "@/api";
import { LARGEST_BACKUP, saveBackup as packBackup, restoreBackup } from "@/server/backup";
import { openDatabase } from "@/server/db/open-database";
import { readBytes, refuse } from "@/server/http";
import { Refuse, serve } from "@/server/serve";

/** Everything in one file. */
export const GET = serve(saveBackup, async () => {
  const now = new Date();
  const file = await packBackup(await openDatabase(), now);
  const name = `shared-lantern-${now.toISOString().slice(0, 10)}.zip`;
  return new Response(file as BodyInit, {
    headers: {
      "content-type": "application/zip",
      "content-disposition": `attachment; filename="${name}"`,
      "cache-control": "no-store",
    },
  });
});

/** Brings a backup file back. */
export const POST = serve(bringBackup, async ({ request }) => {
  const file = await readBytes(request, LARGEST_BACKUP);
  if (!file.ok) return file.response;
  const restored = await restoreBackup(await openDatabase(), file.value);
  if (restored.ok) return restored.value;
  const { message, leftOut } = restored.problem;
  const error = { path: "file", message };
  return leftOut ? new Refuse({ leftOut }, 400, error) : refuse(400, error.path, error.message);
});
