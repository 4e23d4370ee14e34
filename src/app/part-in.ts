import { type NamesChoice, namersFor, readerBy } from "@/core/song/names";
import type { VersionBody } from "@/core/song/schema";
import type { StagePart } from "@/core/stage";
import { stagePart } from "@/rooms/stage/stage-sheets";
import { cuesOfVersion } from "@/server/songs/cues-of-version";

/** A player's whole part with what feet press and what is cued, told in the names that are asked for. */
export async function partIn(body: VersionBody, playerId: string, choice: NamesChoice): Promise<StagePart> {
  const player = body.players[playerId]!;
  const names = namersFor(body, readerBy(choice, body, { player, capo: player.capo }));
  return stagePart(body, player, await cuesOfVersion(body, playerId, names), choice);
}
