import type { MakeId } from "../../document";
import { versionRow } from "../song/read";
import { type Riff, UNSOURCED, UNVARIED, type Use, type VersionBody } from "../song/schema";

type Given = Pick<Riff, "name" | "tuning" | "capo" | "ticks">;

/**
 * A line to be added, written where it is now: in the song's key, for a section raised as this one is. Played as it is
 * written, unless it says otherwise.
 * @param use where it is written; undefined for nowhere yet
 */
export const lineToAdd = (
  body: Pick<VersionBody, "version">,
  use: Pick<Use, "shift"> | undefined,
  given: Given,
  makeId: MakeId,
  more: Partial<Riff> = {},
): Omit<Riff, "originId" | "order"> => ({
  id: makeId(),
  way: "as written",
  home: null,
  approach: false,
  strokes: null,
  homeKey: versionRow(body).key,
  homeShift: use?.shift ?? null,
  ...UNSOURCED,
  ...UNVARIED,
  ...given,
  ...more,
});
