import { bringBackup, saveBackup } from "@/api";
import { serveApart } from "@/server/apart/serve-apart";
import { takeBackArrival } from "@/server/backups/arriving";
import { LARGEST_BACKUP } from "@/server/backups/backup-file";

/** Everything in one file. */
export const GET = serveApart(saveBackup, { most: 0 });

/** Brings a backup file back. */
export const POST = serveApart(bringBackup, { most: LARGEST_BACKUP, takeBack: takeBackArrival });
