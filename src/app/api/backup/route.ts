import { refuseChange } from "@/server/access";
import { restoreBackup, saveBackup } from "@/server/backup";
import { openDatabase } from "@/server/db/open";
import { readBytes, refuse } from "@/server/http";

const LARGEST_BACKUP = 64_000_000;

/** Everything in one file. */
export async function GET(): Promise<Response> {
  const now = new Date();
  const file = await saveBackup(await openDatabase(), now);
  const name = `shared-lantern-${now.toISOString().slice(0, 10)}.zip`;
  return new Response(file as BodyInit, {
    headers: {
      "content-type": "application/zip",
      "content-disposition": `attachment; filename="${name}"`,
      "cache-control": "no-store",
    },
  });
}

/** Brings a backup file back. */
export async function POST(request: Request): Promise<Response> {
  const refused = refuseChange(request);
  if (refused) return refused;
  const file = await readBytes(request, LARGEST_BACKUP);
  if (!file.ok) return file.response;
  const restored = await restoreBackup(await openDatabase(), file.value);
  return restored.ok ? Response.json(restored.value) : refuse(400, "file", restored.problem.message);
}
