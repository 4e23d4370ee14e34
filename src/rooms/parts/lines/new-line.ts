import { type Riff, UNSOURCED, UNVARIED } from "@/core/song/schema";
import { makeId } from "../../open";

type Given = Pick<Riff, "name" | "tuning" | "capo" | "ticks">;

/** A line to be added: played as it is written, unless it says otherwise. */
export const newLine = (given: Given, more: Partial<Riff> = {}): Omit<Riff, "originId" | "order"> => ({
  id: makeId(),
  way: "as written",
  home: null,
  approach: false,
  strokes: null,
  ...UNSOURCED,
  ...UNVARIED,
  ...given,
  ...more,
});
