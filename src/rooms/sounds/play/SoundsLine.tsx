import { sungWords } from "@/core/song/moments";

import type { SongTones } from "@/core/sounds";
import { LitLine } from "../../trainer";
import type { ToneRunView } from "./run-view";

/** Where in the song we are: the section, its sound, the line that is sung, and the word sung now. */
export function TonesLine({ song, view }: { song: SongTones; view: ToneRunView | null }) {
  const soundUse = song.soundUses[Math.max(0, view?.soundUse ?? 0)];
  if (!soundUse) return null;
  const words = sungWords(soundUse.span.passages);
  const at = view === null ? -1 : words.findLastIndex((word) => word.tick <= view.tick);
  return (
    <p className="mb-1 min-h-8 text-lg" data-seconds={view?.seconds.toFixed(3)} data-stamp={view?.stamp}>
      <strong>{soundUse.span.label}</strong>
      {view !== null && view.seconds < 0 && ` in ${Math.ceil(-view.seconds)} s`}
      <LitLine words={words} at={at} />
    </p>
  );
}
