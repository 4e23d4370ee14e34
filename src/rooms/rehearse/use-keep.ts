import { orderAtEnd, songEdits } from "@/core/song/edit";
import type { Practice } from "@/core/song/schema";
import { today } from "@/ui/tell-day";
import { makeId, useActOnSong, useOpenSong, useSong } from "../open";

/** Writes something that was practised today into the song's log. */
export function useKeep(): (
  kept: Partial<Pick<Practice, "rounds" | "clean" | "percent" | "note">> &
    Pick<Practice, "kind" | "player" | "what" | "minutes">,
) => void {
  const act = useActOnSong();
  const { practices } = useSong();
  const { version } = useOpenSong();
  return (kept) =>
    act(
      songEdits.add("practices", {
        id: makeId(),
        order: orderAtEnd(Object.values(practices)),
        day: today(),
        versionId: version.id,
        percent: null,
        rounds: null,
        clean: null,
        note: "",
        ...kept,
      }),
    );
}
