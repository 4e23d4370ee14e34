import { type Adjustments, readOptionsOf, readSongSource, type SongSource } from "@/core/formats";
import { roomEngine } from "../engine";

/** A song to be read with what a person has put right of it. */
export type SourceQuestion = { readonly source: SongSource; readonly adjustments: Adjustments };

/** A large song read away from the window: the sheet, or a sentence. */
export const readSource = roomEngine({
  name: "read-source",
  steps: null,
  compute: ({ source, adjustments }: SourceQuestion) => readSongSource(source, readOptionsOf(adjustments)),
});
