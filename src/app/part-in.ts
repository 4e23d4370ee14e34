import { guestOf, ONLOOKER } from "@/core/parts";
import { type NamesChoice, namersFor, readerBy } from "@/core/song/names";
import type { Player, VersionBody } from "@/core/song/schema";
import { type ColdInstrument, feetOfSong, type StagePart } from "@/core/stage";
import { type ColdAsked, type ColdPart, coldPart } from "@/rooms/stage/cold-part";
import { stagePart } from "@/rooms/stage/stage-sheets";
import { cuesOfVersion } from "@/server/songs/cues-of-version";
import { type PlannedBody, plannedBody } from "@/server/songs/planned-feet";

/** A player's whole part with what feet press and what is cued, told in the names that are asked for. */
export async function partIn(body: VersionBody, playerId: string, choice: NamesChoice): Promise<StagePart> {
  const player = body.players[playerId]!;
  const planned = await plannedBody(body, playerId);
  const tones = planned.tones.get(playerId) ?? null;
  const feet = feetOfSong(body, playerId, { tones, loops: planned.loops });
  return stagePart(body, player, await cuesFor(body, player, choice, planned), choice, feet);
}

/** The song as somebody reads along who plays nothing in it, with what is cued for everybody. */
export async function onlookerIn(body: VersionBody, choice: NamesChoice): Promise<StagePart> {
  const cues = await cuesFor(body, ONLOOKER, choice, await plannedBody(body, ONLOOKER.id));
  return stagePart(body, ONLOOKER, cues, choice);
}

/** The part of somebody who joins cold, with what is cued for everybody. */
export async function coldPartIn(
  body: VersionBody,
  instrument: ColdInstrument,
  choice: NamesChoice,
  asked: ColdAsked = {},
): Promise<ColdPart> {
  const guest = guestOf(body, instrument);
  const cues = await cuesFor(body, guest, choice, await plannedBody(body, guest.id));
  return coldPart(body, guest, choice, { ...asked, cues });
}

const cuesFor = (body: VersionBody, player: Player, choice: NamesChoice, planned: PlannedBody) =>
  cuesOfVersion(body, planned, namersFor(body, readerBy(choice, body, { player, capo: player.capo })));
