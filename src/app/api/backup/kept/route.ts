import { bringKept, saveKept } from "@/api";
import { serveApart } from "@/server/apart/serve-apart";
import { takeBackArrival } from "@/server/backups/arriving";
import { openForKept } from "@/server/backups/open-for-kept";
import { endSessions } from "@/server/stage/hub";

/** A backup the program has kept by itself, as a file. */
export const GET = serveApart(saveKept, { most: 0 });

/** Puts everything back as it stands in a kept backup. */
export const POST = serveApart(bringKept, {
  most: bringKept.request!.most,
  before: openForKept,
  takeBack: takeBackArrival,
  afterwards: endSessions,
});
