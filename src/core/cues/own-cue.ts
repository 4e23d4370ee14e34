import type { Ticks } from "../../base";
import type { MakeId } from "../../document";
import { add, set, type VersionCommand } from "../song/edit";
import type { UseSpan } from "../song/read";
import type { CueRow, VersionBody } from "../song/schema";

/**
 * Where a cue of one's own falls: on its word, the first time that is sung in its use; else at its ticks, as far as the use
 * reaches.
 */
export function tickOfCue(cue: Pick<CueRow, "tick" | "wordId">, span: UseSpan): Ticks {
  for (const passage of span.passages)
    for (const { outline, wordTicks } of passage.lines) {
      const at = outline.words.findIndex(({ word }) => word.id === cue.wordId);
      if (at >= 0 && passage.vocals) return wordTicks[at]!;
    }
  return Math.min(span.to, span.from + cue.tick);
}

/** Adds a cue of one's own. */
export const addCue = (
  given: Pick<CueRow, "useId" | "tick" | "text"> & Partial<CueRow>,
  makeId: MakeId,
): VersionCommand =>
  add("cues", {
    playerId: null,
    giverId: null,
    wordId: null,
    sign: "none",
    danger: false,
    ...given,
    id: makeId(),
  });

export const setCue = (id: string, fields: Partial<Omit<CueRow, "id">>): VersionCommand =>
  set("cues", id, fields);

/** Cues of one's own of a version, in no order. */
export const ownCues = (body: Pick<VersionBody, "cues">): CueRow[] => Object.values(body.cues);
