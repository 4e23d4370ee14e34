import { keepPractice } from "@/api";
import { playerOf } from "@/rooms/stage/pack";
import { findDocument } from "@/server/documents/stored-documents";
import { refuse } from "@/server/http";
import { logPractice } from "@/server/songs/log-practice";
import { refuseNotOwn, serveSongs } from "@/server/stage/asked";

/** Writes what somebody has practised into the song's log. A player writes only what is their own. */
export const POST = serveSongs(keepPractice, async (asked) => {
  const { person, versionId, ...practised } = asked.sent;
  const refused = await refuseNotOwn(asked, asked.sent, "practices");
  if (refused) return refused;
  const { database } = asked;
  const version = await findDocument(database, versionId);
  const player = version?.kind === "version" ? playerOf(version.body, person) : null;
  if (!player) return refuse(404, "person", "has no part in this song");
  const isKept = await logPractice(database, versionId, { ...practised, player: player.name });
  return isKept ? {} : refuse(409, "versionId", "was changed at the same moment; try again");
});
