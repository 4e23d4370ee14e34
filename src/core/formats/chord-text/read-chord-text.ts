import { NAMINGS } from "../../chord";
import { type Key, parseKey } from "../../pitch";
import { COMMON_TIME, type Meter, ticksOfBar } from "../../rhythm";
import { areEndsSung, readForm } from "../../song/read";
import { type Draft, newDraft } from "../draft";
import {
  type ChordSheet,
  EMPTY_SHEET,
  LONGEST_SHEET,
  MOST_SHEET_LINES,
  type SheetExtra,
  type SheetLine,
  type SheetLoss,
  type SheetProblem,
} from "../sheet";
import { assemble } from "./assemble";
import { figuresAsBeats } from "./bare-figures";
import { bareHeading } from "./bare-headings";
import {
  type ChordToken,
  isChord,
  offersFor,
  type Reading,
  readChordLine,
  readInline,
  readingOf,
} from "./chord-line";
import { findNaming } from "./find-naming";
import { ANY_KEY, readHead } from "./head";
import { type Heading, readHeading } from "./heading";
import { layLine } from "./lay-line";
import { isBar } from "./lengths";
import { emptyMeta, type Meta, readMeta } from "./meta";
import { playLike } from "./play-like";
import type { ReadOptions } from "./read-options";
import { Repeats } from "./repeats";
import { type SheetText, sheetLines } from "./sheet-text";
import { splitHeading } from "./split-heading";

/** What a chord written as a number begins with: a quick look that spares most sheets a closer one. */
const DEGREE = /(?:^|[\s[(/|-])[#♯b♭]?[1-7]/u;
/** How often to sing a line, written behind its words. */
const SUNG_MARK = /^(.*\S)\s+[([]?(?:[x×](\d{1,2})|(\d{1,2})[x×])[)\]]?$/iu;
/** A line of tab: a string's name, a bar line, and then only what tab is written with, three dashes at least. */
const TAB_LINE = /^\s*[A-Ga-g]?[#b♯♭]?\s?[|:](?=(?:[^-–]*[-–]){3})[-–\dhpbrxXst~/\\|().<>*^=\s:]*$/u;

/**
 * Reads chords over words (or chords in brackets) with section headings. Whatever is not understood is
 * kept and named in `problems`; nothing throws.
 * @example readChordText("[Verse]\nG      C\nLight on water").sections[0].lines[0].chords[1].at // => 7
 */
export function readChordText(text: string, options: ReadOptions = {}): ChordSheet {
  const refused = refuseText(text);
  if (refused) return refused;
  const reader = new TextReader(text, options);
  return reader.read();
}

/** An empty sheet with the reason when a text is none. */
export function refuseText(text: string): ChordSheet | null {
  const problem = (code: SheetProblem["code"], about: string): ChordSheet => ({
    ...EMPTY_SHEET,
    problems: [{ code, line: 1, column: 1, text: about }],
  });
  if (text.trim() === "") return problem("empty", "");
  if (text.length > LONGEST_SHEET) return problem("too-long", String(text.length));
  const lines = text.split("\n").length;
  return lines > MOST_SHEET_LINES ? problem("too-many-lines", String(lines)) : null;
}

class TextReader {
  private readonly lines: (SheetText | null)[];
  /** Where each line stands in the text, from 1: a heading with chords behind it is two lines here. */
  private readonly numbers: readonly number[];
  private meta: Meta = emptyMeta();
  private capoLine = 1;
  /** Whether an "e" at the end of a word is sung, in the language of the text. */
  private readonly endsSung: boolean;
  private readonly problems: SheetProblem[] = [];
  private readonly losses: SheetLoss[] = [];
  private readonly drafts: Draft[] = [];
  /** Lines of whose beats nothing is written. */
  private readonly open = new Set<SheetLine>();
  /** What stands before the first section and is no field. */
  private readonly head: SheetExtra[] = [];
  private reading: Reading;
  private meter: Meter = COMMON_TIME;
  private previous: string | null = null;
  private readonly repeats = new Repeats((code, index, source, text) => this.say(code, index, source, text));

  constructor(
    text: string,
    private readonly options: ReadOptions,
  ) {
    this.reading = readingOf("letters", null, options.onStep);
    this.endsSung = areEndsSung(text);
    const lines = sheetLines(text).flatMap(({ line, number }) =>
      splitHeading(line, this.reading).map((part) => ({ part, number })),
    );
    this.lines = lines.map(({ part }) => part);
    this.numbers = lines.map(({ number }) => number);
  }

  read(): ChordSheet {
    const { options } = this;
    this.takeHead();
    const { meta } = this;
    this.meter = options.meter ?? meta.meter ?? COMMON_TIME;
    this.reading = this.findReading();
    this.findFigures();
    this.readBody();
    this.repeats.close();
    playLike(this.drafts, this.open, options.playedLike);
    return {
      ...assemble(this.drafts, meta, this.head, options, this.problems, this.open, this.capoLine),
      naming: this.reading.naming,
      losses: this.losses,
    };
  }

  /** Reads the head; lines taken become null. */
  private takeHead(): void {
    const { meta, taken, capoAt, problems, notes } = readHead(
      this.lines.map((line) => line!),
      this.reading,
    );
    this.meta = meta;
    this.capoLine = this.numbers[capoAt] ?? 1;
    for (const { code, index } of problems)
      this.say(code, index, 0, this.lines[index]!.text.trim().slice(0, 80));
    for (const { index, what } of notes) this.note(index, what);
    for (const index of taken) this.lines[index] = null;
  }

  /** Keeps a line of the head as a comment. */
  private note(index: number, what: string): void {
    const text = this.lines[index]!.text.trim();
    this.head.push({ kind: "comment", text, section: null, line: 0 });
    this.losses.push({ line: this.numbers[index]!, what, text, kept: true });
  }

  private findReading(): Reading {
    const text = this.options.key ?? this.meta.key;
    const parsed = text === null ? null : parseKey(text);
    const key: Key | null = parsed?.ok ? parsed.value : null;
    const lines = this.lines.flatMap((line) => (line === null || line.text.trim() === "" ? [] : [line]));
    const { naming } = this.options;
    if (naming && NAMINGS.includes(naming)) return readingOf(naming, key, this.options.onStep);
    const found = findNaming(lines, key, this.reading);
    if (key === null && found.naming === "letters") this.missKey(lines);
    return found;
  }

  /** Lines of degrees without a key are words; the person is told once. */
  private missKey(lines: readonly SheetText[]): void {
    if (!lines.some(({ text }) => DEGREE.test(text))) return;
    const assumed = readingOf("degrees", ANY_KEY, this.options.onStep);
    const like = lines.filter(
      (line) => !readChordLine(line, this.reading) && (readChordLine(line, assumed)?.length ?? 0) > 1,
    );
    const [first] = like;
    if (!first || like.length * 4 < lines.length) return;
    const line = this.numbers[this.lines.indexOf(first)]!;
    this.problems.push({
      code: "numbers-without-key",
      line,
      column: 1,
      text: first.text.trim().slice(0, 40),
    });
  }

  /** Plain lines before the first heading speak of the song; they are no section. */
  private readPreface(first: number): void {
    const own = this.lines.slice(0, Math.max(0, first));
    const sung = own.some(
      (line, index) =>
        line !== null &&
        (readChordLine(line, this.reading) || readInline(line.text, this.reading) || this.readTab(index)),
    );
    if (sung) return;
    for (const [index, line] of own.entries()) {
      if (line === null || line.text.trim() === "") continue;
      this.note(index, "a line before the first section");
      this.lines[index] = null;
    }
  }

  private readBody(): void {
    const { lines, reading } = this;
    const chord = (text: string) => isChord(text, reading);
    const known = lines.map((line) => (line === null ? null : readHeading(line.text, chord)));
    // Where no heading is sure, gaps part sections too.
    const headed = known.some((heading) => heading !== null);
    const headings = known.map(
      (heading, index) => heading ?? (lines[index] ? this.bareHeading(index) : null),
    );
    this.readPreface(headings.findIndex((heading) => heading !== null));
    let current: Draft | null = null;
    let gap = false;
    for (let index = 0; index < lines.length; index++) {
      this.options.onStep?.();
      const line = lines[index];
      if (!line || line.text.trim() === "") {
        gap = true;
        continue;
      }
      const heading = headings[index];
      if (heading || !current || (gap && !headed)) {
        current = this.begin(
          heading
            ? { ...newDraft(heading.label, heading.kind, heading.repeat), heading: this.numbers[index] }
            : newDraft(null, "other"),
        );
      }
      gap = false;
      if (heading) continue;
      if (this.playForm(line, current)) continue;
      const tab = this.readTab(index);
      if (tab) {
        current.extras.push({ kind: "tab", text: tab.text, line: current.lines.length });
        this.losses.push({ line: this.numbers[index]!, what: "tab", text: tab.text, kept: true });
        index += tab.lines - 1;
        continue;
      }
      if (/[:=]/u.test(line.text) && readMeta(line.text, emptyMeta()) === null) {
        this.remark(current, line.text.trim(), index, "a field in the middle of the song");
        continue;
      }
      if (this.readChords(line, index, current, headings)) index++;
    }
  }

  /** A word or two over chords: a heading that is asked about. */
  private bareHeading(index: number): Heading | null {
    const { lines, reading } = this;
    if (this.options.sung?.includes(this.numbers[index]!)) return null;
    const chords = (line: SheetText) =>
      readChordLine(line, reading) !== null || readInline(line.text, reading) !== null;
    const heading = bareHeading(lines[index]!, lines[index - 1], lines[index + 1], chords);
    if (heading) this.say("maybe-heading", index, 0, heading.label, ["words that are sung"]);
    return heading;
  }

  /** "twelve-bar in A" is played out, a chord a bar. @returns whether the line was such a name */
  private playForm({ text }: SheetText, draft: Draft): boolean {
    const form = /bar|change/iu.test(text) ? readForm(text) : null;
    if (!form) return false;
    const ticks = ticksOfBar(this.meter);
    for (const row of form.lines) {
      draft.lines.push({
        words: "",
        chords: row.map((symbol) => ({ symbol, at: 0, ticks, guessed: false })),
      });
      this.previous = row.at(-1)!;
    }
    return true;
  }

  /** Figures behind all chords that close the bars are beats, unless somebody said they are not. */
  private findFigures(): void {
    if (this.options.figures === false) return;
    const lines = this.lines.flatMap((line) => line ?? []);
    const found = figuresAsBeats(lines, this.reading, this.meter);
    if (!found) return;
    this.reading = found.reading;
    if (this.options.figures) return;
    const text = found.line.text.trim().slice(0, 40);
    this.say("figures-as-beats", this.lines.indexOf(found.line), 0, text, [
      "chords with figures in their names",
    ]);
  }

  /** Keeps words that are not sung beside the line that comes next. */
  private remark(draft: Draft, text: string, index: number, what: string): void {
    draft.extras.push({ kind: "comment", text, line: draft.lines.length });
    this.losses.push({ line: this.numbers[index]!, what, text, kept: true });
  }

  private begin(draft: Draft): Draft {
    this.repeats.close();
    this.previous = null;
    this.drafts.push(draft);
    return draft;
  }

  /** Lines of tab that follow each other, or null. */
  private readTab(index: number): { text: string; lines: number } | null {
    const found: string[] = [];
    for (let at = index; at < this.lines.length && found.length < 60; at++) {
      const text = this.lines[at]?.text ?? "";
      if (text.length > 400 || !/[-–]/u.test(text) || !TAB_LINE.test(text)) break;
      found.push(text);
    }
    return found.length > 0 ? { text: found.join("\n").slice(0, 8000), lines: found.length } : null;
  }

  /** Reads one line of the song. @returns whether the line below it was taken as its words */
  private readChords(line: SheetText, index: number, draft: Draft, headings: readonly unknown[]): boolean {
    const inline = readInline(line.text, this.reading);
    const tokens = inline ? null : readChordLine(line, this.reading);
    if (inline) {
      this.unreadable(inline.signs, index, 1);
      this.put(draft, inline.signs, { text: inline.words, columns: [] }, index);
      return false;
    }
    if (tokens) {
      const below = this.lines[index + 1];
      const sung =
        below !== null &&
        below !== undefined &&
        below.text.trim() !== "" &&
        !headings[index + 1] &&
        (this.isRefrain(below, tokens) ||
          (!readChordLine(below, this.reading) && !readInline(below.text, this.reading))) &&
        this.readTab(index + 1) === null;
      this.unreadable(tokens, index, 0);
      this.put(draft, tokens, sung ? below : { text: "", columns: [0] }, index);
      return sung;
    }
    this.put(draft, [], line, index);
    return false;
  }

  /** "La La La" below chords is sung, even where chords are written by syllable. */
  private isRefrain(below: SheetText, tokens: readonly ChordToken[]): boolean {
    if (this.reading.naming !== "syllables") return false;
    const words = below.text.trim().split(/\s+/u);
    const same = words.length >= 3 && new Set(words.map((word) => word.toLowerCase())).size === 1;
    return same && new Set(tokens.map((token) => token.text)).size > 1;
  }

  private unreadable(tokens: readonly ChordToken[], index: number, skip: number): void {
    for (const { kind, text, source } of tokens) {
      if (kind !== "unreadable") continue;
      this.say("unreadable-chord", index, source + skip, text.slice(0, 40), offersFor(text));
    }
  }

  /** Sets chords over words, line by line; repeat signs play lines again. */
  private put(draft: Draft, tokens: readonly ChordToken[], below: SheetText, index: number): void {
    for (const { kind, text } of tokens) if (kind === "remark") this.remark(draft, text, index, "a remark");
    const sungMark = /[\dx×)\]]$/iu.test(below.text) ? SUNG_MARK.exec(below.text) : null;
    const text = sungMark ? { text: sungMark[1]!, columns: below.columns } : below;
    const line = this.join(tokens, text, index);
    this.repeats.add(draft.lines, line, tokens, Number(sungMark?.[2] ?? sungMark?.[3] ?? 1), index);
  }

  private join(tokens: readonly ChordToken[], below: SheetText, index: number): SheetLine {
    const { meter, previous } = this;
    const { beatsPerChord } = this.options;
    const columns = below.columns.length > 0 ? below.columns : undefined;
    const { line, crowded, isOpen } = layLine(tokens, below.text, columns, {
      meter,
      beatsPerChord,
      previous,
      endsSung: this.endsSung,
    });
    for (const token of crowded) this.say("crowded-bar", index, token.source, token.text);
    if (line.chords.length === 0 && tokens.some(isBar))
      this.say(
        "unreadable-chord",
        index,
        0,
        tokens
          .map((token) => token.text)
          .join(" ")
          .slice(0, 40),
      );
    if (isOpen) this.open.add(line);
    this.previous = line.chords.at(-1)?.symbol ?? previous;
    return line;
  }

  private say(
    code: SheetProblem["code"],
    index: number,
    source: number,
    text: string,
    suggestions?: readonly string[],
  ): void {
    this.problems.push({
      code,
      line: this.numbers[index]!,
      column: source + 1,
      text,
      ...(suggestions && { suggestions }),
    });
  }
}
