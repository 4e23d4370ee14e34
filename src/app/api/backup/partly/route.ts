import { bringBackupPartly } from "@/api";
import { serveApart } from "@/server/apart/serve-apart";
import { takeBackArrival } from "@/server/backups/arriving";
import { LARGEST_BACKUP } from "@/server/backups/backup-file";

/** Brings back what can be of a backup file. */
export const POST = serveApart(bringBackupPartly, { most: LARGEST_BACKUP, takeBack: takeBackArrival });
