import { guestOf } from "@/core/parts";
import { type NamesChoice, namersFor, readerBy } from "@/core/song/names";
import type { Player, VersionBody } from "@/core/song/schema";
import type { ColdInstrument, StagePart } from "@/core/stage";
import { type ColdAsked, type ColdPart, coldPart } from "@/rooms/stage/cold-part";
import { stagePart } from "@/rooms/stage/stage-sheets";
import { cuesOfVersion } from "@/server/songs/cues-of-version";

/** A player's whole part with what feet press and what is cued, told in the names that are asked for. */
export async function partIn(body: VersionBody, playerId: string, choice: NamesChoice): Promise<StagePart> {
  const player = body.players[playerId]!;
  return stagePart(body, player, await cuesFor(body, player, choice), choice);
}

/** The part of somebody who joins cold, with what is cued for everybody. */
export async function coldPartIn(
  body: VersionBody,
  instrument: ColdInstrument,
  choice: NamesChoice,
  asked: ColdAsked = {},
): Promise<ColdPart> {
  const guest = guestOf(body, instrument);
  return coldPart(body, guest, choice, { ...asked, cues: await cuesFor(body, guest, choice) });
}

const cuesFor = (body: VersionBody, player: Player, choice: NamesChoice) =>
  cuesOfVersion(body, player.id, namersFor(body, readerBy(choice, body, { player, capo: player.capo })));
