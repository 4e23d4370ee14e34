import { type BandSheet, bandSheet, type PlayerPart, playerPart } from "../parts";
import { timelineOf } from "../song/read";
import type { Player, VersionBody } from "../song/schema";
import type { LivePassage } from "../stage";
import { type HeardPart, heardPart } from "./heard-part";
import { sungPart } from "./sung-part";

/** A song as it can be heard: its form as a clock runs through it, and what everybody sounds. */
export type HeardSong = {
  readonly versionId: string;
  readonly revision: number;
  readonly title: string;
  readonly passages: readonly LivePassage[];
  readonly parts: readonly HeardPart[];
};

/** What is worked out of a version once for everybody. */
type BandSource = { readonly sheet: BandSheet; readonly partOf: (player: Player) => PlayerPart };

const bandSource = (body: VersionBody): BandSource => ({
  sheet: bandSheet(body),
  partOf: (player) => playerPart(body, player),
});

/**
 * What everybody sounds in a song, one after the other in the order of the players; the melody last, where it is known. Each is
 * worked out when it is asked for: whoever must let other things pass between can.
 */
export function* heardParts(body: VersionBody): Generator<HeardPart> {
  const source = bandSource(body);
  for (const player of source.sheet.players) yield heardOf(body, player, source);
  const melody = sungPart(body, timelineOf(body).passages);
  if (melody) yield melody;
}

/** What everybody sounds in a song, at once. */
export const heardBand = (body: VersionBody): HeardPart[] => [...heardParts(body)];

/** What one player sounds in a song. */
export function heardOf(body: VersionBody, player: Player, source: BandSource = bandSource(body)): HeardPart {
  const rows = new Map(source.sheet.rows.map((row) => [row.use.id, row]));
  return heardPart(
    source.partOf(player),
    (useId) => rows.get(useId)?.parts.find((part) => part.player.id === player.id),
    (strumId) => body.strums[strumId ?? ""]?.anchor ?? "chord",
    Object.values(body.soundBoxes).some(({ playerId }) => playerId === player.id),
  );
}
