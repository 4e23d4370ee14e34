import { stageHeard } from "@/api";
import { heardSong } from "@/app/packed";
import { headOf } from "@/document";
import { refuse } from "@/server/http";
import { openSong } from "@/server/songs/open-song";
import { serveSongs } from "@/server/stage/asked";

/** A song of an evening, or the one of a song's own stage, as it can be heard (`?versionId=`). */
export const GET = serveSongs(stageHeard, async ({ items, sent: { versionId } }) => {
  const isHere = items.some((item) => item.versionId === versionId);
  const opened = isHere ? await openSong(versionId) : null;
  if (!opened) return refuse(404, "versionId", "names no song here; it may have been removed");
  const { version, song } = opened;
  return heardSong(versionId, version.revision, headOf(song.body, "song").title, version.body);
});
