import type { VersionBody } from "@/core/song/schema";
import type { LiveItem, PackedSong, StagePack, StagePart } from "@/core/stage";
import { playerOf } from "@/rooms/stage/pack";
import { stagePart } from "@/rooms/stage/stage-sheets";
import { cuesOfVersion } from "@/server/songs/cues-of-version";
import { openSong } from "@/server/songs/open-song";

/** Parts that have been worked out, by version, revision and player: fifty phones ask for the same ones. */
const MOST_KEPT = 300;
const kept = new Map<string, Promise<StagePart>>();

function partOf(body: VersionBody, playerId: string, key: string): Promise<StagePart> {
  const known = kept.get(key);
  if (known) return known;
  const made = cuesOfVersion(body, playerId).then((cues) => stagePart(body, body.players[playerId]!, cues));
  kept.set(key, made);
  made.catch(() => kept.delete(key));
  for (const oldest of kept.keys()) {
    if (kept.size <= MOST_KEPT) break;
    kept.delete(oldest);
  }
  return made;
}

/** All songs of a running order as one person plays them. */
export async function packOf(items: readonly LiveItem[], person: string): Promise<StagePack> {
  const songs: PackedSong[] = [];
  for (const { id, versionId } of items) {
    const opened = versionId === null ? null : await openSong(versionId);
    if (!opened || versionId === null) continue;
    const { revision } = opened.version;
    const body = opened.version.body;
    const player = playerOf(body, person);
    const part = player ? await partOf(body, player.id, `${versionId} ${revision} ${player.id}`) : null;
    songs.push({ itemId: id, versionId, revision, part });
  }
  return { person, songs };
}
