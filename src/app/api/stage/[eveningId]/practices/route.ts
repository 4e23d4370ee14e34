import { keepPractice } from "@/api";
import { playerOf } from "@/rooms/stage/pack";
import { findDocument } from "@/server/documents/stored-documents";
import { refuse } from "@/server/http";
import { logPractice } from "@/server/songs/log-practice";
import { personOfGuest, serveSongs } from "@/server/stage/asked";

/** Writes what somebody has practised into the song's log. A player writes only what is their own. */
export const POST = serveSongs(keepPractice, async ({ items, database, who, sent }) => {
  if (who.role === "viewer" || who.role === "nobody")
    return refuse(403, "who", "looks on: what is practised is the players' own");
  const { person, versionId, ...practised } = sent;
  if (who.guestId !== null && (await personOfGuest(database, who)) !== person)
    return refuse(403, "person", "should be yourself: each player's practice is their own");
  if (!items.some((item) => item.versionId === versionId))
    return refuse(404, "versionId", "should be a song of this evening");
  const version = await findDocument(database, versionId);
  const player = version?.kind === "version" ? playerOf(version.body, person) : null;
  if (!player) return refuse(404, "person", "has no part in this song");
  const isKept = await logPractice(database, versionId, { ...practised, player: player.name });
  return isKept ? {} : refuse(409, "versionId", "was changed at the same moment; try again");
});
