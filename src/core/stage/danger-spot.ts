import { add, type VersionCommand } from "../song/edit";
import { barInUse } from "./bar-in-use";
import type { Place } from "./place";
import type { LivePassage } from "./score";

/** Keeps the bar that is now as a danger spot among a song's cues. @param id of the cue */
export const dangerSpot = (
  passages: readonly LivePassage[],
  place: Pick<Place, "index" | "tick">,
  id: string,
): VersionCommand =>
  add("cues", {
    id,
    text: "went wrong here",
    sign: "none",
    danger: true,
    playerId: null,
    giverId: null,
    wordId: null,
    ...barInUse(passages, place),
  });
