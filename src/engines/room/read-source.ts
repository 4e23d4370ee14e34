import { ok, type Result } from "@/base";
import { type Adjustments, type ReadFile, readOptionsOf, readSongFile, readSongText } from "@/core/formats";
import { roomEngine } from "../engine";

/** A text, or a file by its name and bytes, to be read with what a person has put right of it. */
export type SourceQuestion = {
  readonly source: { readonly text: string } | { readonly name: string; readonly bytes: Uint8Array };
  readonly adjustments: Adjustments;
};

/** A large song read away from the window: the sheet, or a sentence. */
export const readSource = roomEngine({
  name: "read-source",
  steps: null,
  compute: ({ source, adjustments }: SourceQuestion): Result<ReadFile, string> => {
    const options = readOptionsOf(adjustments);
    return "text" in source
      ? ok(readSongText(source.text, options))
      : readSongFile(source.name, source.bytes, options);
  },
});
