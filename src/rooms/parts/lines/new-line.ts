import type { SheetRow } from "@/core/parts";
import { versionRow } from "@/core/song/read";
import { type Riff, UNSOURCED, UNVARIED, type VersionBody } from "@/core/song/schema";
import { makeId } from "../../open";

type Given = Pick<Riff, "name" | "tuning" | "capo" | "ticks">;

/**
 * A line to be added, written where it is now: in the song's key, for a section raised as this one is. Played as it is
 * written, unless it says otherwise.
 */
export const newLine = (
  body: Pick<VersionBody, "version">,
  row: Pick<SheetRow, "use"> | undefined,
  given: Given,
  more: Partial<Riff> = {},
): Omit<Riff, "originId" | "order"> => ({
  id: makeId(),
  way: "as written",
  home: null,
  approach: false,
  strokes: null,
  homeKey: versionRow(body).key,
  homeShift: row?.use.shift ?? null,
  ...UNSOURCED,
  ...UNVARIED,
  ...given,
  ...more,
});
