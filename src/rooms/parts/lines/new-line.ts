import { lineToAdd, type SheetRow } from "@/core/parts";
import type { Riff, VersionBody } from "@/core/song/schema";
import { makeId } from "../../open";

/** A line to be added as {@link lineToAdd} makes it, for a row of the sheet. */
export const newLine = (
  body: Pick<VersionBody, "version">,
  row: Pick<SheetRow, "use"> | undefined,
  given: Pick<Riff, "name" | "tuning" | "capo" | "ticks">,
  more: Partial<Riff> = {},
): Omit<Riff, "originId" | "order"> => lineToAdd(body, row?.use, given, makeId, more);
