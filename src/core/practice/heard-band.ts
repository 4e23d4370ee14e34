import { type BandSheet, bandSheet, type PlayerPart, playerPart, type SheetPart } from "../parts";
import { namerByShift } from "../song/names";
import { outlineOf, type Timeline, timelineOf } from "../song/read";
import type { Player, VersionBody } from "../song/schema";
import { songTones } from "../sounds";
import type { LivePassage } from "../stage";
import { type HeardPart, heardPart } from "./heard-part";
import { gatesOf, heardSound, type LevelAt, type SoundedUse } from "./heard-sound";
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
type BandSource = {
  readonly timeline: Timeline;
  readonly sheet: BandSheet;
  readonly partOf: (player: Player) => PlayerPart;
};

function bandSource(body: VersionBody): BandSource {
  const outline = outlineOf(body);
  const timeline = timelineOf(body, outline);
  return {
    timeline,
    sheet: bandSheet(body, outline, timeline),
    partOf: (player) => playerPart(body, player),
  };
}

/**
 * What everybody sounds in a song, one after the other in the order of the players; the melody last, where it is known. Each is
 * worked out when it is asked for: whoever must let other things pass between can.
 */
export function* heardParts(body: VersionBody): Generator<HeardPart> {
  const source = bandSource(body);
  for (const player of source.sheet.players) yield heardOf(body, player, source);
  const melody = sungPart(body, source.timeline.passages);
  if (melody) yield melody;
}

/** What everybody sounds in a song, at once. */
export const heardBand = (body: VersionBody): HeardPart[] => [...heardParts(body)];

/** What one player sounds in a song. */
export function heardOf(body: VersionBody, player: Player, source: BandSource = bandSource(body)): HeardPart {
  const rows = new Map(source.sheet.rows.map((row) => [row.use.id, row]));
  const part = source.partOf(player);
  const partAt = (useId: string): SheetPart | undefined =>
    rows.get(useId)?.parts.find((one) => one.player.id === player.id);
  const heard = heardPart(
    part,
    partAt,
    (strumId) => body.strums[strumId ?? ""]?.anchor ?? "chord",
    Object.values(body.soundBoxes).some(({ playerId }) => playerId === player.id),
  );
  const gates = part.passages.flatMap((one): LevelAt[] => {
    const own = partAt(one.passage.use.id);
    return own ? gatesOf(one, own, body.strums[own.cell.strumId.value ?? ""]) : [];
  });
  const sound = heardSound(soundedUses(body, player, source), gates);
  return sound ? { ...heard, sound } : heard;
}

/** The uses of sections in which a sound is on that somebody described. */
function soundedUses(body: VersionBody, player: Player, { sheet, timeline }: BandSource): SoundedUse[] {
  if (!Object.values(body.sounds).some(({ playerId }) => playerId === player.id)) return [];
  const { soundUses, settings, moves } = songTones(body, sheet, timeline, player);
  const namers = namerByShift(body);
  return soundUses.flatMap(({ span, sound }): SoundedUse[] => {
    const own = settings.get(sound ?? "");
    if (!own) return [];
    const { from, to, use, passages } = span;
    const { key } = namers(passages[0]?.shift ?? 0);
    return [{ from, to, settings: own, moves: moves.get(use.id)?.moves ?? [], key }];
  });
}
