import { NAMINGS, type Naming } from "../../chord";
import { type Key, parseKey } from "../../pitch";
import { beatUnitOf, type Meter, ticksOfBeats } from "../../rhythm";
import { arrange, type Draft, hasChords, keyOfSheet, newDraft } from "../draft";
import {
  type ChordSheet,
  EMPTY_SHEET,
  LONGEST_SHEET,
  MOST_SHEET_LINES,
  type SheetChord,
  type SheetExtra,
  type SheetLine,
  type SheetLoss,
  type SheetProblem,
} from "../sheet";
import { type ChordToken, isChord, type Reading, readChordLine, readInline, readingOf } from "./chord-line";
import { findNaming } from "./find-naming";
import { readHeading } from "./heading";
import { isBar, timeChords } from "./lengths";
import { changedFields, emptyMeta, type Meta, readHeadLine, readMeta } from "./meta";
import { Repeats } from "./repeats";
import { type SheetText, sheetLines } from "./sheet-text";
import { splitHeading } from "./split-heading";
import { squeeze } from "./squeeze";

/** How often to sing a line, written behind its words. */
const SUNG_MARK = /^(.*\S)\s+[([]?(?:[x×](\d{1,2})|(\d{1,2})[x×])[)\]]?$/iu;
const ANY_KEY: Key = Object.freeze({ tonic: 0, mode: "major" });
const COMMON_TIME: Meter = { beats: 4, unit: 4 };
const TAB_LINE =
  /^\s*[A-Ga-g]?[#b♯♭]?\s?[|:][-–\dhpbrxXst~/\\|().<>*^=\s:]*[-–]{2}[-–\dhpbrxXst~/\\|().<>*^=\s:]*$/u;

/** What the reader of a text already knows; it is taken over what the text says. */
export type ReadOptions = {
  readonly meter?: Meter | undefined;
  readonly key?: string | undefined;
  readonly naming?: Naming | undefined;
  /** Beats of a chord whose length the text does not give. */
  readonly beatsPerChord?: number | undefined;
  /** Told of each look at a line: what a reader costs, whatever the machine. */
  readonly onStep?: (() => void) | undefined;
};

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
  private readonly customs: readonly Reading[];
  private readonly meta: Meta = emptyMeta();
  private readonly problems: SheetProblem[] = [];
  private readonly losses: SheetLoss[] = [];
  private readonly drafts: Draft[] = [];
  /** What stands before the first section and is no field. */
  private readonly head: SheetExtra[] = [];
  private reading: Reading;
  private meter: Meter = COMMON_TIME;
  private previous: string | null = null;
  private readonly repeats = new Repeats((code, index, source, text) => this.say(code, index, source, text));
  private prefaceEnd: number | null = null;
  /** Lines with chords in brackets, and with chords above. */
  private inline = 0;
  private above = 0;

  constructor(
    text: string,
    private readonly options: ReadOptions,
  ) {
    this.reading = readingOf("letters", null, options.onStep);
    this.customs = NAMINGS.map((naming) => readingOf(naming, ANY_KEY, options.onStep));
    const lines = sheetLines(text).flatMap(({ line, number }) =>
      splitHeading(line, this.reading).map((part) => ({ part, number })),
    );
    this.lines = lines.map(({ part }) => part);
    this.numbers = lines.map(({ number }) => number);
  }

  read(): ChordSheet {
    const { options, meta } = this;
    this.readHeader();
    this.meter = options.meter ?? meta.meter ?? COMMON_TIME;
    this.reading = this.findReading();
    this.readBody();
    this.repeats.close();
    const arranged = arrange(this.drafts);
    if (!hasChords(arranged)) this.problems.push({ code: "no-chords", line: 1, column: 1, text: "" });
    const guessed = keyOfSheet(arranged);
    const given = options.key ?? meta.key;
    return {
      ...EMPTY_SHEET,
      ...meta,
      ...arranged,
      extras: [...this.head, ...arranged.extras],
      meter: options.meter ?? meta.meter,
      key: given ?? guessed?.key ?? null,
      keySure: given !== null || (guessed?.sure ?? false),
      naming: this.reading.naming,
      exact: this.inline > 0 && this.inline >= this.above,
      problems: this.problems,
      losses: this.losses,
    };
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

  /** Takes the title and fields off the head of the text; lines taken become null. */
  private readHeader(): void {
    const { meta } = this;
    let plain = 0;
    for (const [index, line] of this.lines.entries()) {
      if (line === null || line.text.trim() === "") continue;
      const before = { ...meta };
      const found = readHeadLine(line.text, meta);
      if (found !== false) {
        for (const code of found) this.say(code, index, 0, line.text.trim().slice(0, 80));
        const twice = changedFields(before, meta);
        if (twice.length > 0) {
          Object.assign(meta, Object.fromEntries(twice.map((field) => [field, before[field]])));
          this.note(index, "another value of a field");
        }
        this.lines[index] = null;
        continue;
      }
      if (readHeading(line.text) || this.isChordsByAnyCustom(line)) return;
      const text = line.text.trim();
      if (plain <= 1 && this.isTitle(index) && (plain === 0 ? meta.title === "" : meta.by === "")) {
        if (plain === 0) meta.title = text.slice(0, 200);
        else meta.by = text.replace(/^by\s+/iu, "").slice(0, 200);
        if (text.length > 200) this.note(index, "a long title");
        this.lines[index] = null;
        plain++;
      } else if (!this.isPreface(index)) return;
    }
  }

  /** Whether a heading comes before any chords: lines up to there speak of the song. */
  private isPreface(index: number): boolean {
    this.prefaceEnd ??= this.findPrefaceEnd();
    return index <= this.prefaceEnd;
  }

  /** The first heading, where no chords come before it; else -1. */
  private findPrefaceEnd(): number {
    for (const [index, line] of this.lines.entries()) {
      if (line === null) continue;
      if (readHeading(line.text)) return index;
      if (this.isChordsByAnyCustom(line)) return -1;
    }
    return -1;
  }

  /**
   * A plain line at the head is the title (or who by) when a gap, a field or a heading follows, or one line who it is
   * by and then one of these.
   */
  private isTitle(index: number): boolean {
    const here = this.lines[index]!.text;
    const next = this.lines[index + 1];
    if (next === undefined || /^\s*\p{L}[\p{L} ]{1,19}:\s/u.test(here)) return false;
    const sungLater = this.lines.slice(index + 1).some((line) => line !== null && line.text.trim() !== "");
    if (this.ends(index + 1)) return sungLater;
    const text = next?.text.trim() ?? "";
    if (/^by\s/iu.test(text)) return true;
    return (
      text.length <= 60 &&
      this.ends(index + 2) &&
      this.isPreface(index + 2) &&
      !this.isChordsByAnyCustom(next!)
    );
  }

  /** Whether nothing, a heading or a field stands in a line. */
  private ends(index: number): boolean {
    const text = this.lines[index]?.text ?? "";
    return text.trim() === "" || readHeading(text) !== null || readHeadLine(text, emptyMeta()) !== false;
  }

  /** Whether a line holds chords by some custom: such a line is no title. */
  private isChordsByAnyCustom(line: SheetText): boolean {
    return (
      readInline(line.text, this.reading) !== null ||
      readChordLine(line, this.reading) !== null ||
      this.customs.some((reading) => (readChordLine(line, reading)?.length ?? 0) >= 2)
    );
  }

  /** Keeps a line of the head as a comment. */
  private note(index: number, what: string): void {
    const text = this.lines[index]!.text.trim();
    this.head.push({ kind: "comment", text, section: null, line: 0 });
    this.losses.push({ line: this.numbers[index]!, what, text, kept: true });
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
    const headings = lines.map((line) => (line === null ? null : readHeading(line.text, chord)));
    const headed = headings.some((heading) => heading !== null);
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
          heading ? newDraft(heading.label, heading.kind, heading.repeat) : newDraft(null, "other"),
        );
      }
      gap = false;
      if (heading) continue;
      const tab = this.readTab(index);
      if (tab) {
        current.extras.push({ kind: "tab", text: tab.text, line: current.lines.length });
        this.losses.push({ line: this.numbers[index]!, what: "tab", text: tab.text, kept: true });
        index += tab.lines - 1;
        continue;
      }
      if (readMeta(line.text, emptyMeta()) === null) {
        this.remark(current, line.text.trim(), index, "a field in the middle of the song");
        continue;
      }
      if (this.readChords(line, index, current, headings)) index++;
    }
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
      if (!TAB_LINE.test(text) || text.length > 400) break;
      found.push(text);
    }
    return found.length > 0 ? { text: found.join("\n").slice(0, 8000), lines: found.length } : null;
  }

  /** Reads one line of the song. @returns whether the line below it was taken as its words */
  private readChords(line: SheetText, index: number, draft: Draft, headings: readonly unknown[]): boolean {
    const inline = readInline(line.text, this.reading);
    const tokens = inline ? null : readChordLine(line, this.reading);
    if (inline) {
      this.inline++;
      this.unreadable(inline.signs, index, 1);
      this.put(draft, inline.signs, { text: inline.words, columns: [] }, index);
      return false;
    }
    if (tokens) {
      this.above++;
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
      const suggestions = /^H/u.test(text) ? [text.replace(/^H/u, "B")] : undefined;
      this.say("unreadable-chord", index, source + skip, text.slice(0, 40), suggestions);
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

  /** Columns become places in the words. */
  private join(tokens: readonly ChordToken[], below: SheetText, index: number): SheetLine {
    const { words, place } = squeeze(below.text, below.columns.length > 0 ? below.columns : undefined);
    if (tokens.length === 0) return { words, chords: [] };
    const { options, meter, previous } = this;
    const perChord =
      options.beatsPerChord === undefined ? null : ticksOfBeats(options.beatsPerChord, beatUnitOf(meter));
    const { timed, crowded } = timeChords(tokens, { meter, perChord, previous });
    for (const token of crowded) this.say("crowded-bar", index, token.source, token.text);
    if (timed.length === 0 && tokens.some(isBar))
      this.say(
        "unreadable-chord",
        index,
        0,
        tokens
          .map((token) => token.text)
          .join(" ")
          .slice(0, 40),
      );
    this.previous = timed.at(-1)?.token.text ?? previous;
    const chords = timed.map(
      ({ token, ticks, guessed }): SheetChord => ({
        symbol: token.text,
        at: place(token.column),
        ticks,
        guessed,
        ...(token.unsure && { unsure: true }),
      }),
    );
    return { words, chords };
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
