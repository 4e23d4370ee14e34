import { coldPartIn, partIn } from "@/app/part-in";
import type { NamesChoice } from "@/core/song/names";
import {
  coldInstrumentOf,
  type LiveItem,
  type PackedSong,
  type StagePack,
  type StagePart,
} from "@/core/stage";
import { playerOf } from "@/rooms/stage/pack";
import { openSong } from "@/server/songs/open-song";

/** Parts that have been worked out, by version, revision, player and names: fifty phones ask for the same ones. */
const MOST_KEPT = 300;
const kept = new Map<string, Promise<StagePart>>();

function keptPart(key: string, make: () => Promise<StagePart>): Promise<StagePart> {
  const known = kept.get(key);
  if (known) return known;
  const made = make();
  kept.set(key, made);
  made.catch(() => kept.delete(key));
  for (const oldest of kept.keys()) {
    if (kept.size <= MOST_KEPT) break;
    kept.delete(oldest);
  }
  return made;
}

/** All songs of a running order as one person plays them. */
export async function packOf(
  items: readonly LiveItem[],
  person: string,
  choice: NamesChoice,
): Promise<StagePack> {
  const songs: PackedSong[] = [];
  for (const { id, versionId } of items) {
    const opened = versionId === null ? null : await openSong(versionId);
    if (!opened || versionId === null) continue;
    const { revision } = opened.version;
    const body = opened.version.body;
    const cold = coldInstrumentOf(person);
    const player = cold ? null : playerOf(body, person);
    const key = `${versionId} ${revision} ${player?.id ?? person} ${JSON.stringify(choice)}`;
    const part = cold
      ? await keptPart(key, async () => (await coldPartIn(body, cold, choice)).part)
      : player
        ? await keptPart(key, () => partIn(body, player.id, choice))
        : null;
    songs.push({ itemId: id, versionId, revision, part });
  }
  return { person, songs };
}
