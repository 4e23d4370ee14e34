import { cutLine } from "../chord-text/sheet-text";

/** One line of a ChordPro text. `number` counts from 1. */
export type ProLine = { readonly number: number } & (
  | { readonly kind: "blank" }
  /** A remark for people who read the file: "# …". */
  | { readonly kind: "remark"; readonly text: string }
  | { readonly kind: "directive"; readonly name: string; readonly value: string; readonly text: string }
  | { readonly kind: "song"; readonly text: string }
);

/** Short names of directives (ChordPro, directives: short forms). */
const LONG_NAME: Readonly<Record<string, string>> = Object.freeze({
  t: "title",
  st: "subtitle",
  c: "comment",
  ci: "comment_italic",
  cb: "comment_box",
  g: "grid",
  ng: "new_song",
  ns: "new_song",
  np: "new_page",
  npp: "new_physical_page",
  col: "columns",
  colb: "column_break",
  soc: "start_of_chorus",
  eoc: "end_of_chorus",
  sov: "start_of_verse",
  eov: "end_of_verse",
  sob: "start_of_bridge",
  eob: "end_of_bridge",
  sot: "start_of_tab",
  eot: "end_of_tab",
  sog: "start_of_grid",
  eog: "end_of_grid",
  cf: "chordfont",
  cs: "chordsize",
  tf: "textfont",
  ts: "textsize",
});

/** Cuts a ChordPro text into lines and reads which are directives. */
export function proLines(text: string): ProLine[] {
  return text
    .normalize("NFC")
    .replaceAll("\uFEFF", "")
    .replaceAll(/[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/g, "\uFFFD")
    .split(/\r\n|\r|\n|\u2028|\u2029/u)
    .flatMap((raw, index) => {
      const plain = /\p{Cc}/u.test(raw)
        ? raw.replaceAll(/\p{Cc}/gu, (sign) => (sign === "\t" ? " " : ""))
        : raw;
      const line = plain.trimEnd();
      return cutLine(line).map((part) => ({ number: index + 1, ...readLine(part) }));
    });
}

type Read = ProLine extends infer One ? (One extends ProLine ? Omit<One, "number"> : never) : never;

function readLine(line: string): Read {
  if (line.trim() === "") return { kind: "blank" } as Read;
  if (line.startsWith("#")) return { kind: "remark", text: line } as Read;
  const directive = /^\s*\{\s*([\p{L}_][\p{L}\d_-]*)\s*(?:[:\s]\s*(.*?))?\s*\}\s*$/su.exec(line);
  if (!directive) return { kind: "song", text: line } as Read;
  const given = directive[1]!.toLowerCase();
  const value = directive[2] ?? "";
  const meta = given === "meta" ? /^([\p{L}_]+)\s+(.*)$/su.exec(value) : null;
  const name = meta ? meta[1]!.toLowerCase() : (LONG_NAME[given] ?? given);
  return { kind: "directive", name, value: meta ? meta[2]! : value, text: line.trim() } as Read;
}

/**
 * Cuts a file of several songs at its `{new_song}` directives.
 * @example splitSongs("{t: A}\n{new_song}\n{t: B}") // => ["{t: A}\n", "{new_song}\n{t: B}"]
 */
export function splitSongs(text: string): string[] {
  const songs = text.split(/^(?=[ \t]*\{[ \t]*(?:new_song|ns)[ \t]*(?::[^}\n]*)?\}[ \t]*\r?$)/gimu);
  return songs.filter((song) => song.replace(/^[ \t]*\{[^}\n]*\}/u, "").trim() !== "");
}

/** The label of an environment: `label="Verse 1"`, or the bare value. @example labelOf('label="Verse 1"') // => "Verse 1" */
export function labelOf(value: string): string {
  const attribute = /(?:^|\s)label\s*=\s*(?:"([^"]*)"|'([^']*)'|(\S+))/u.exec(value);
  if (attribute) return (attribute[1] ?? attribute[2] ?? attribute[3] ?? "").trim();
  return /^[\w-]+\s*=/u.test(value.trim()) ? "" : value.trim();
}

/** Whether a text is ChordPro: some line is a directive that ChordPro knows. */
export function isChordPro(text: string): boolean {
  return proLines(text.slice(0, 20_000)).some(
    (line) =>
      line.kind === "directive" &&
      (/^(?:start_of_|end_of_|x_)/u.test(line.name) || KNOWN.has(line.name)) &&
      // A heading in braces ("{Chorus}") stands in other sheets too.
      (line.value !== "" || line.name !== "chorus"),
  );
}

const KNOWN: ReadonlySet<string> = new Set([
  ...Object.values(LONG_NAME),
  "artist",
  "composer",
  "lyricist",
  "copyright",
  "album",
  "year",
  "key",
  "time",
  "tempo",
  "duration",
  "capo",
  "meta",
  "tag",
  "chorus",
  "define",
  "chord",
  "transpose",
  "highlight",
  "image",
]);
