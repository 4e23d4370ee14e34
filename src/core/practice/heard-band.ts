import { type BandSheet, bandSheet, type PlayerPart, playerPart } from "../parts";
import { type Passage, timelineOf } from "../song/read";
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

/** What has been worked out of a version already. */
export type BandSource = {
  readonly sheet: BandSheet;
  readonly passages: readonly Passage[];
  readonly partOf: (player: Player) => PlayerPart;
};

/** What has to be worked out of a version before anybody can be heard. */
export const bandSource = (body: VersionBody): BandSource => ({
  sheet: bandSheet(body),
  passages: timelineOf(body).passages,
  partOf: (player) => playerPart(body, player),
});

/** What everybody sounds in a song, in the order of the players; the melody last, where it is known. */
export function heardBand(body: VersionBody, source: BandSource = bandSource(body)): HeardPart[] {
  const melody = sungPart(body, source.passages);
  const heard = source.sheet.players.map((player) => heardOf(body, player, source));
  return melody ? [...heard, melody] : heard;
}

/** What one player sounds in a song. */
export function heardOf(
  body: VersionBody,
  player: Player,
  source: Pick<BandSource, "sheet" | "partOf"> = bandSource(body),
): HeardPart {
  const rows = new Map(source.sheet.rows.map((row) => [row.use.id, row]));
  return heardPart(
    source.partOf(player),
    (useId) => rows.get(useId)?.parts.find((part) => part.player.id === player.id),
    (strumId) => body.strums[strumId ?? ""]?.anchor ?? "chord",
    Object.values(body.soundBoxes).some(({ playerId }) => playerId === player.id),
  );
}
