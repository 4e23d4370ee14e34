import type { ChordSheet } from "./sheet";

/** A format that can be read into a sheet and written from one. */
export type SheetCodec = {
  readonly read: (text: string) => ChordSheet;
  readonly write: (sheet: ChordSheet) => { readonly text: string };
};

/** All of a sheet that is the song's: problems, losses, headings without lines, other readings and the custom of naming speak of the text. */
export const contentOf = ({
  problems: _problems,
  losses: _losses,
  naming: _naming,
  readings: _readings,
  unlined: _unlined,
  ...song
}: ChordSheet) => song;

/**
 * The law of every codec, for tests: what is read, written and read again is the same song, and writing that gives
 * the same text.
 * @returns the two sheets and the two texts, to be compared by the caller
 */
export function roundTrip(codec: SheetCodec, text: string) {
  const first = codec.read(text);
  const written = codec.write(first).text;
  const second = codec.read(written);
  return {
    first: contentOf(first),
    second: contentOf(second),
    written,
    again: codec.write(second).text,
  };
}
