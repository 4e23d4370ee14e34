import { type Practised, practiceToAdd } from "@/core/practice";
import { songEdits } from "@/core/song/edit";
import { today } from "@/ui/tell-day";
import { makeId, useActOnSong, useOpenSong, useSong } from "../open";

/** Writes something that was practised today into the song's log. */
export function useKeep(): (kept: Omit<Practised, "day" | "versionId">) => void {
  const act = useActOnSong();
  const { practices } = useSong();
  const { version } = useOpenSong();
  return (kept) => {
    const said = { ...kept, day: today(), versionId: version.id };
    act(songEdits.add("practices", practiceToAdd(practices, makeId(), said)));
  };
}
