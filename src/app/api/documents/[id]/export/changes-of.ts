import { writeChanges } from "@/core/formats";
import type { SongBody, VersionBody } from "@/core/song/schema";
import { planMessages, playerTones } from "@/core/sounds";

/** Search steps the server spends on one plan: about a second. */
const BUDGET = 20_000;

/** A player's program and control changes as a MIDI file; null where there is nothing to change. */
export function changesOf(body: VersionBody, song: SongBody, playerId: string): Uint8Array | null {
  const tones = playerTones(body, playerId, BUDGET);
  if (!tones) return null;
  const plan = tones.plan ?? { steps: [], banks: [] };
  const messages = planMessages(tones.song, plan, tones.presses);
  if (messages.length === 0) return null;
  const { title } = Object.values(song.song)[0]!;
  return writeChanges(`${title}: ${tones.song.player.name}`, tones.timeline, messages);
}
