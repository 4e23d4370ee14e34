import { startVersion } from "@/api";
import { openDatabase } from "@/server/db/open-database";
import { refuse } from "@/server/http";
import { Reply, serve } from "@/server/serve";
import { copyVersion } from "@/server/songs/song-versions";

/** Starts a version from another. */
export const POST = serve(startVersion, async ({ sent }) => {
  const versionId = await copyVersion(await openDatabase(), sent.from, sent.name);
  if (versionId === null) return refuse(404, "from", "names no version here; it may have been removed");
  return new Reply({ versionId }, 201);
});
