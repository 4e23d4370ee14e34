import { guessKey, parseChord } from "../../chord";
import { formatKey } from "../../pitch";
import type { Meter } from "../../rhythm";
import { type ChordToken, readChordLine, readInline } from "./chord-line";
import { type Heading, readHeading } from "./heading";
import { timeChords } from "./lengths";
import { type Meta, readMeta } from "./meta";
import {
  type ChordSheet,
  LONGEST_SHEET,
  type SheetChord,
  type SheetLine,
  type SheetProblem,
  type SheetSection,
} from "./sheet";

const COMMON_TIME: Meter = { beats: 4, unit: 4 };

type Draft = { heading: Heading | null; lines: SheetLine[] };

/**
 * Reads chords over words (or chords in brackets) with section headings. Whatever is not understood is
 * kept and named in `problems`; nothing throws.
 * @param options values the reader of the text already knows, taken over what the text says
 * @example readChordText("[Verse]\nG      C\nLight on water").sections[0].lines[0].chords[1].at // => 7
 */
export function readChordText(
  text: string,
  options: { meter?: Meter | undefined; key?: string | undefined } = {},
): ChordSheet {
  const meta: Meta = { title: "", by: "", key: null, tempo: null, meter: null, capo: 0 };
  const problems: SheetProblem[] = [];
  if (text.trim() === "") return emptySheet(meta, [{ code: "empty", line: 1, column: 1, text: "" }]);
  if (text.length > LONGEST_SHEET) {
    return emptySheet(meta, [{ code: "too-long", line: 1, column: 1, text: String(text.length) }]);
  }
  const lines = cleanLines(text);
  readHeader(lines, meta, problems);
  const meter = options.meter ?? meta.meter ?? COMMON_TIME;
  const drafts = readDrafts(lines, meter, problems);
  const { sections, form } = arrange(drafts);
  const chords = form.flatMap(({ section }) => sections[section]!.lines.flatMap((line) => line.chords));
  if (chords.length === 0) problems.push({ code: "no-chords", line: 1, column: 1, text: "" });
  const guessed = guessKey(
    chords.flatMap(({ symbol, ticks }) => {
      const chord = parseChord(symbol);
      return chord.ok && chord.value.kind === "chord" ? [{ chord: chord.value, beats: ticks }] : [];
    }),
  );
  const given = options.key ?? meta.key;
  return {
    ...meta,
    meter: options.meter ?? meta.meter,
    key: given ?? (guessed ? formatKey(guessed.key) : null),
    keySure: given !== null || (guessed?.sure ?? false),
    sections,
    form,
    problems,
  };
}

const emptySheet = (meta: Meta, problems: SheetProblem[]): ChordSheet => ({
  ...meta,
  keySure: false,
  sections: [],
  form: [],
  problems,
});

/** Lines without control signs, tabs widened to eight columns. */
const cleanLines = (text: string): (string | null)[] =>
  text
    .normalize("NFC")
    .replaceAll("\uFEFF", "")
    .replaceAll(/[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/g, "\uFFFD")
    .split(/\r\n|\r|\n|\u2028|\u2029/u)
    .map((line) =>
      widenTabs(line)
        .replaceAll(/\p{Cc}/gu, "")
        .replaceAll("\u00A0", " ")
        .trimEnd(),
    );

function widenTabs(line: string): string {
  let out = "";
  for (const sign of line) out += sign === "\t" ? " ".repeat(8 - (out.length % 8)) : sign;
  return out;
}

/** Takes the title and fields off the head of the text; lines taken become null. */
function readHeader(lines: (string | null)[], meta: Meta, problems: SheetProblem[]): void {
  let plain = 0;
  for (const [index, line] of lines.entries()) {
    if (line === null || line.trim() === "") continue;
    const found = readMeta(line, meta);
    if (found !== false) {
      if (found) problems.push({ code: found, line: index + 1, column: 1, text: line.trim().slice(0, 80) });
      lines[index] = null;
      continue;
    }
    if (readHeading(line) || readChordLine(line) || readInline(line)) return;
    if (plain > 1 || !isTitle(lines, index)) return;
    if (plain === 0 && meta.title === "") meta.title = line.trim().slice(0, 200);
    else
      meta.by = line
        .trim()
        .replace(/^by\s+/iu, "")
        .slice(0, 200);
    lines[index] = null;
    plain++;
  }
}

/** A plain line at the head is the title (or who by) when a gap, a field, a heading or another title line follows. */
function isTitle(lines: readonly (string | null)[], index: number): boolean {
  const next = lines[index + 1];
  if (next === undefined) return false;
  const scratch: Meta = { title: "", by: "", key: null, tempo: null, meter: null, capo: 0 };
  if (next === null || next.trim() === "" || readHeading(next) || readMeta(next, scratch) !== false) {
    return lines.slice(index + 1).some((line) => line !== null && line.trim() !== "");
  }
  return /^by\s/iu.test(next.trim());
}

function readDrafts(lines: readonly (string | null)[], meter: Meter, problems: SheetProblem[]): Draft[] {
  const drafts: Draft[] = [];
  const headed = lines.some((line) => line !== null && readHeading(line));
  let current: Draft | null = null;
  let gap = false;
  const open = (): Draft => {
    if (current && !(gap && !headed)) return current;
    current = { heading: null, lines: [] };
    drafts.push(current);
    return current;
  };
  for (let index = 0; index < lines.length; index++) {
    const line = lines[index] ?? "";
    if (line.trim() === "") {
      gap = true;
      continue;
    }
    const heading = readHeading(line);
    if (heading) {
      current = { heading, lines: [] };
      drafts.push(current);
      gap = false;
      continue;
    }
    const draft = open();
    gap = false;
    const inline = readInline(line);
    const tokens = inline ? null : readChordLine(line);
    if (inline) {
      const signs = inline.chords.map(
        (chord): ChordToken => ({
          kind: chord.ok ? "chord" : "unreadable",
          text: chord.text,
          column: chord.column,
        }),
      );
      for (const chord of inline.chords)
        if (!chord.ok) problems.push(unreadable(chord.text, index, chord.source + 1));
      draft.lines.push(joinLine(signs, inline.words, meter, index, problems));
    } else if (tokens) {
      const below = lines[index + 1] ?? "";
      const hasWords =
        below.trim() !== "" && !readHeading(below) && !readChordLine(below) && !readInline(below);
      for (const token of tokens)
        if (token.kind === "unreadable") problems.push(unreadable(token.text, index, token.column));
      draft.lines.push(joinLine(tokens, hasWords ? below : "", meter, index, problems));
      if (hasWords) index++;
    } else {
      draft.lines.push({ words: squeeze(line).words, chords: [] });
    }
  }
  return drafts;
}

const unreadable = (text: string, line: number, column: number): SheetProblem => ({
  code: "unreadable-chord",
  line: line + 1,
  column: column + 1,
  text: text.slice(0, 40),
});

/** Sets chords over words: columns become places in the words. */
function joinLine(
  tokens: readonly ChordToken[],
  below: string,
  meter: Meter,
  index: number,
  problems: SheetProblem[],
): SheetLine {
  const { words, place } = squeeze(below);
  const { timed, crowded } = timeChords(tokens, meter);
  for (const token of tokens) {
    if (token.kind === "repeat-mark")
      problems.push({ code: "repeat-in-line", line: index + 1, column: token.column + 1, text: token.text });
  }
  for (const token of crowded)
    problems.push({ code: "crowded-bar", line: index + 1, column: token.column + 1, text: token.text });
  const chords = timed.map(
    ({ token, ticks, guessed }): SheetChord => ({
      symbol: token.text,
      at: place(token.column),
      ticks,
      guessed,
    }),
  );
  return { words, chords };
}

/** Closes up runs of spaces; `place` turns a column of the text as written into an index of the words. */
function squeeze(text: string): { words: string; place: (column: number) => number } {
  const starts: { column: number; at: number; length: number }[] = [];
  let words = "";
  for (const match of text.matchAll(/\S+/gu)) {
    const at = words === "" ? 0 : words.length + 1;
    words = words === "" ? match[0] : `${words} ${match[0]}`;
    starts.push({ column: match.index, at, length: match[0].length });
  }
  const place = (column: number): number => {
    const inside = starts.find((word) => column < word.column + word.length);
    if (inside) return inside.at + Math.max(0, column - inside.column);
    const last = starts.at(-1);
    return last ? last.at + last.length : 0;
  };
  return { words, place };
}

/** Sections once each; a heading alone, or the same again under the same heading, is another use. */
function arrange(drafts: readonly Draft[]): Pick<ChordSheet, "sections" | "form"> {
  const sections: SheetSection[] = [];
  const form: { section: number; repeat: number }[] = [];
  for (const [index, draft] of drafts.entries()) {
    const label = draft.heading?.label ?? (drafts.length > 1 ? `Part ${index + 1}` : "Song");
    const same = sections.findIndex(
      (known) => known.label.toLowerCase() === label.toLowerCase() && isRecall(draft, known),
    );
    const section =
      same >= 0
        ? same
        : sections.push({ label, kind: draft.heading?.kind ?? "other", lines: draft.lines }) - 1;
    form.push({ section, repeat: draft.heading?.repeat ?? 1 });
  }
  return { sections, form };
}

const isRecall = (draft: Draft, known: SheetSection): boolean =>
  draft.lines.length === 0 || JSON.stringify(draft.lines) === JSON.stringify(known.lines);
