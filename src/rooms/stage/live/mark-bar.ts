import { call, sendEdit } from "@/api";
import { capital } from "@/base";
import { tellBars } from "@/core/song/moments";
import { barInSection, dangerSpot, type LiveItem, type PackedSong, type Place } from "@/core/stage";
import { makeId } from "@/document/client";

/**
 * Keeps a bar as a danger spot in a song's cues.
 * @param waitMs for the server, at most
 * @returns what has become of it, in a sentence
 */
export async function markBar(
  item: LiveItem,
  place: Place,
  { versionId, revision }: PackedSong,
  waitMs: number,
): Promise<string> {
  const command = dangerSpot(item.passages, place, makeId());
  const taken = await call(sendEdit, {
    params: { id: versionId },
    sent: { editId: makeId(), base: revision, command },
    signal: AbortSignal.timeout(waitMs),
  });
  if (taken.ok) {
    const { bar, label } = barInSection(item.passages, place);
    return `${capital(tellBars(String(bar), label))} is kept as a danger spot in Cues.`;
  }
  return taken.status === "away" ? "The mark did not reach the server." : taken.message;
}
