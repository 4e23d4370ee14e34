import { fail, ok, type Result } from "../../base";
import type { ReadOptions } from "./chord-text";
import { isChordPro, splitSongs } from "./chordpro";
import { readMidi } from "./midi/read-midi";
import { decodeXml, readMusicXml } from "./musicxml/read-musicxml";
import { readSheet } from "./read-sheet";
import { bounded, type ChordSheet } from "./sheet";
import { isZip } from "./unzip";

const FILE_FORMATS = ["chords-over-words", "chordpro", "musicxml", "midi"] as const;
type FileFormat = (typeof FILE_FORMATS)[number];

/** A file as it was read; `text` is there where it is a text. */
export type ReadFile = { readonly sheet: ChordSheet; readonly format: FileFormat; readonly text: string };

/** The largest file that is read as one song, in bytes. */
export const LARGEST_FILE = 6_000_000;

const SONG_ENDINGS = /\.(?:txt|text|crd|chords?|md|cho|chopro|chordpro|pro|musicxml|xml|mxl|midi?|kar)$/iu;

const TEXT_ENDINGS = /\.(?:txt|text|crd|chords?|md|cho|chopro|chordpro|pro)$/iu;

/** Whether a file's name is one of a song. @example isSongFile("Ferry.cho") // => true */
export const isSongFile = (name: string): boolean =>
  SONG_ENDINGS.test(name) && !/(?:^|\/)(?:\.|__MACOSX)/u.test(name);

/** Whether a file is a pack of several songs. */
export const isPack = (name: string, bytes: Uint8Array): boolean => isZip(bytes) && !/\.mxl$/iu.test(name);

/** The name of a file without folders and ending: a title where none is written. */
export const titleOfFile = (name: string): string =>
  name
    .replace(/^.*[/\\]/u, "")
    .replace(/\.[^.]+$/u, "")
    .replaceAll(/[_\s]+/gu, " ")
    .replaceAll(/[\p{Cc}\p{Cs}]/gu, "")
    .trim()
    .slice(0, 200);

/** Text by its byte order mark; UTF-8 where it is sound, else the older Western encoding. */
export function decodeText(bytes: Uint8Array): string {
  if (bytes[0] === 0xff || bytes[0] === 0xfe) return decodeXml(bytes);
  try {
    return new TextDecoder("utf-8", { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder("windows-1252").decode(bytes);
  }
}

/**
 * Reads a song file of any of our formats, told by what it holds and then by its name.
 * @returns the sheet, or a sentence
 */
export function readSongFile(
  name: string,
  bytes: Uint8Array,
  options: ReadOptions & { title?: string } = {},
): Result<ReadFile, string> {
  if (bytes.length > LARGEST_FILE)
    return fail(`${name}: larger than ${LARGEST_FILE / 1_000_000} MB. Take one song at a time.`);
  if (bytes.length === 0) return fail(`${name}: the file is empty.`);
  const head = new TextDecoder("latin1").decode(bytes.subarray(0, 4000));
  if (head.startsWith("MThd")) return ok({ sheet: bounded(readMidi(bytes)), format: "midi", text: "" });
  const packed = isZip(bytes);
  if (packed || /<score-(?:partwise|timewise)/u.test(head) || /\.(?:musicxml|mxl|xml)$/iu.test(name))
    return ok({ sheet: bounded(readMusicXml(bytes)), format: "musicxml", text: "" });
  if (/\.midi?$/iu.test(name)) return ok({ sheet: bounded(readMidi(bytes)), format: "midi", text: "" });
  if (isBinary(bytes))
    return fail(`${name}: this is no text, MusicXML or MIDI file. Nothing was read from it.`);
  return ok(readSongText(decodeText(bytes), options));
}

/** Reads a song from text, and tells by which of our text formats. */
export function readSongText(text: string, options: ReadOptions = {}): ReadFile {
  const format = isChordPro(text) ? "chordpro" : "chords-over-words";
  return { sheet: readSheet(text, { ...options, format }), format, text };
}

/** A song as it comes: a text, or a file by its name and bytes. */
export type SongSource = { readonly text: string } | { readonly name: string; readonly bytes: Uint8Array };

/** Reads a song however it comes. @returns the sheet, or a sentence */
export const readSongSource = (source: SongSource, options: ReadOptions = {}): Result<ReadFile, string> =>
  "text" in source
    ? ok(readSongText(source.text, options))
    : readSongFile(source.name, source.bytes, options);

/**
 * The songs of a file, each as a file of its own: a ChordPro file may hold several.
 * @example songsInFile("set.cho", bytes).map((file) => file.name) // => ["set, song 1.cho", "set, song 2.cho"]
 */
export function songsInFile(name: string, bytes: Uint8Array): { name: string; bytes: Uint8Array }[] {
  const plain = [{ name, bytes }];
  if (!TEXT_ENDINGS.test(name) || bytes.length > LARGEST_FILE || isBinary(bytes)) return plain;
  const text = decodeText(bytes);
  const songs = isChordPro(text) ? splitSongs(text) : [];
  if (songs.length < 2) return plain;
  return songs.map((song, index) => ({
    name: name.replace(/(\.[^.]+)$/u, `, song ${index + 1}$1`),
    bytes: new TextEncoder().encode(song),
  }));
}

/** Bytes no text has: many zeros without a byte order mark. */
function isBinary(bytes: Uint8Array): boolean {
  if ((bytes[0] === 0xff && bytes[1] === 0xfe) || (bytes[0] === 0xfe && bytes[1] === 0xff)) return false;
  return bytes.subarray(0, 4000).includes(0);
}
