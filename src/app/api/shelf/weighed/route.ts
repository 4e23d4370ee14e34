import { weighedSong, weighShelf } from "@/api";
import { openDatabase } from "@/server/db/open-database";
import { weighedOnShelf, weighSome } from "@/server/documents/weigh-shelf";
import { weighApart } from "@/server/engines/run";
import { refuse } from "@/server/http";
import { serve } from "@/server/serve";

/** What a version asks of its band: `?versionId=`. */
export const GET = serve(weighedSong, async ({ sent }) => {
  const weighed = await weighedOnShelf(await openDatabase(), sent.versionId, weighApart);
  return weighed ?? refuse(404, "versionId", "should be a version that is on the shelf");
});

/** Weighs some of the versions that are not weighed yet. */
export const POST = serve(weighShelf, async ({ sent }) => {
  const over = performance.now() + sent.seconds * 1000;
  const left = await weighSome(await openDatabase(), weighApart, () => performance.now() < over);
  return { left };
});
