import { parseChord, toLetters } from "../../chord";
import { beatUnitOf, COMMON_TIME, type Meter, ticksOfBeats } from "../../rhythm";
import type { SectionKind } from "../../song/schema";
import { assemble } from "../chord-text/assemble";
import { type ChordToken, offersFor, type Reading, readChordLine, readingOf } from "../chord-text/chord-line";
import { findNaming } from "../chord-text/find-naming";
import { MOST_REPEATS, readHeading } from "../chord-text/heading";
import { layLine } from "../chord-text/lay-line";
import { isBar } from "../chord-text/lengths";
import { emptyMeta, keepFirst, LONGEST_FIELD, type Meta, setField } from "../chord-text/meta";
import { playLike } from "../chord-text/play-like";
import { refuseText } from "../chord-text/read-chord-text";
import type { ReadOptions } from "../chord-text/read-options";
import { Repeats } from "../chord-text/repeats";
import { sheetText } from "../chord-text/sheet-text";
import { type Draft, newDraft } from "../draft";
import type {
  ChordSheet,
  SheetChord,
  SheetExtra,
  SheetFingering,
  SheetLine,
  SheetLoss,
  SheetProblem,
} from "../sheet";
import { type KnownBrackets, readBrackets } from "./brackets";
import { readDefine } from "./define";
import { kindOfEnvironment, labelOfEnvironment, sungLines, VERBATIM } from "./environment";
import { labelOf, type ProLine, proLines } from "./lines";
import { type OwnBeats, readOwnBeats } from "./own-beats";

/**
 * Reads ChordPro (the published open format, version 6). What the song does not hold is kept as extras and
 * named in `losses`; what is wrong is named in `problems`; nothing throws.
 * @example readChordPro("{title: Ferry}\n{soc}\n[G]Light on [C]water\n{eoc}").sections[0].kind // => "chorus"
 */
export function readChordPro(text: string, options: ReadOptions = {}): ChordSheet {
  return refuseText(text) ?? new ProReader(text, options).read();
}

/** An environment that is open: its lines go to a draft, or are kept as they stand. */
type Environment = {
  readonly name: string;
  readonly text: string;
  readonly line: number;
  readonly label: string;
  readonly kind: SectionKind;
};

class ProReader {
  private readonly lines: readonly ProLine[];
  private readonly meta: Meta = emptyMeta();
  private readonly problems: SheetProblem[] = [];
  private readonly losses: SheetLoss[] = [];
  private readonly drafts: Draft[] = [];
  /** Lines of whose beats nothing is written. */
  private readonly untimed = new Set<SheetLine>();
  private readonly fingerings: SheetFingering[] = [];
  private readonly head: SheetExtra[] = [];
  private reading: Reading = readingOf();
  private meter: Meter = COMMON_TIME;
  private current: Draft | null = null;
  private open: Environment | null = null;
  /** What \`{chorus}\` plays again. */
  private lastChorus: Draft | null = null;
  /** A block of lines that are kept as they stand; it may be inside another environment. */
  private block: { readonly name: string; readonly line: number; readonly lines: string[] } | null = null;
  private use: Draft["use"] = { shift: 0, tempo: null, meter: null };
  private transpose = 0;
  private beats: { text: string; line: number } | null = null;
  /** Which chords of the next line are not sure, from 1. */
  private unsure: readonly number[] = [];
  private previous: string | null = null;
  private gap = true;
  private capoLine = 1;
  /** What the text itself says of its chords: that they are shapes. */
  private shapes: boolean | undefined;
  /** Who it is by, where no artist is named. */
  private subtitle = "";
  private line = 0;
  private above: { readonly tokens: readonly ChordToken[]; readonly line: number } | null = null;
  private readonly brackets: KnownBrackets = new Map();
  private readonly repeats = new Repeats((code, line, source, text) =>
    this.say(code, line, text, source + 1),
  );

  constructor(
    text: string,
    private readonly options: ReadOptions,
  ) {
    this.lines = proLines(text);
  }

  read(): ChordSheet {
    const { options, meta } = this;
    this.reading = this.findReading();
    if (options.meter) this.meter = options.meter;
    for (const line of this.lines) {
      if (this.isNextSong(line)) break;
      this.take(line);
    }
    this.end();
    playLike(this.drafts, this.untimed, options.playedLike);
    const known = { ...options, shapes: options.shapes ?? this.shapes };
    const named = { ...meta, by: meta.by || this.subtitle };
    return {
      ...assemble(this.drafts, named, this.head, known, this.problems, this.untimed, this.capoLine),
      transpose: this.transpose,
      naming: this.reading.naming,
      fingerings: this.fingerings,
      losses: this.losses,
    };
  }

  private findReading(): Reading {
    const { naming } = this.options;
    if (naming) return readingOf(naming);
    const told = this.lines.find((line) => line.kind === "directive" && line.name === "x_naming");
    if (told?.kind === "directive" && told.value === "letters") return readingOf();
    return findNaming(sungLines(this.lines), null, readingOf("letters", null, this.options.onStep));
  }

  private take(line: ProLine): void {
    this.options.onStep?.();
    if (this.block) {
      const ends = line.kind === "directive" && line.name === `end_of_${this.block.name}`;
      if (ends) this.closeBlock();
      else this.block.lines.push(line.kind === "blank" ? "" : line.text);
      return;
    }
    this.line = line.number;
    if (line.kind !== "song") this.flush();
    if (line.kind === "blank") this.gap = true;
    else if (line.kind === "remark") this.keep("comment", line.text, line.number, "remark");
    else if (line.kind === "directive") this.direct(line);
    else this.sing(line.text, line.number);
  }

  /** Where another song begins: it is read by itself ({@link splitSongs}). */
  private isNextSong(line: ProLine): boolean {
    if (line.kind !== "directive" || line.name !== "new_song" || this.block) return false;
    if (this.drafts.length === 0 && this.meta.title === "") return false;
    this.say("another-song", line.number, line.text);
    return true;
  }

  private end(): void {
    this.flush();
    this.repeats.close();
    if (this.block) {
      this.say("open-section", this.block.line, this.block.lines[0]!);
      this.closeBlock();
    }
    if (!this.open) return;
    this.say("open-section", this.open.line, this.open.text);
    this.closeEnvironment();
  }

  private direct(line: ProLine & { kind: "directive" }): void {
    const { name, value, text, number } = line;
    const environment = /^(start|end)_of_([\p{L}\d_]+)$/u.exec(name);
    const action = this.actions[name];
    if (environment?.[1] === "start") this.openEnvironment(environment[2]!, value, text, number);
    else if (environment) this.leave(environment[2]!, text, number);
    else if (action) action(value, text, number);
    // "{key}" and its kind: a field, or a change in the middle of the song.
    else if (!this.setMeta(name, value, text, number))
      this.keep("directive", text, number, `directive {${name}}`);
  }

  /** Directives that do more than set a field or stand as they are. */
  private readonly actions: Readonly<Record<string, (value: string, text: string, line: number) => void>> = {
    chorus: (value, text, line) => this.playChorus(value, text, line),
    comment: (value, text, line) => this.comment(value, text, line),
    comment_italic: (_value, text, line) => this.keep("comment", text, line, "comment"),
    comment_box: (_value, text, line) => this.keep("comment", text, line, "comment"),
    highlight: (_value, text, line) => this.keep("comment", text, line, "comment"),
    define: (value, text, line) => this.define(value, text, line),
    chord: (value, text, line) => this.define(value, text, line),
    transpose: (value, text, line) => this.shift(value, text, line),
    subtitle: (value, text, line) => {
      this.subtitle ||= value.slice(0, 200);
      this.keep("directive", text, line, "directive {subtitle}");
    },
    x_naming: () => {},
    x_shapes: (value) => {
      this.shapes = value !== "no";
    },
    // At the head it only says that a song begins.
    new_song: () => {},
    x_beats: (value, _text, line) => {
      this.beats = { text: value, line };
    },
    x_unsure: (value, text, line) => {
      this.unsure = value.trim().split(/\s+/u).map(Number);
      if (this.unsure.every((place) => Number.isInteger(place) && place >= 1)) return;
      this.say("bad-beats", line, text.slice(0, 80));
      this.unsure = [];
    },
    x_pickup: (value, text, line) => {
      const ticks = ticksOfBeats(Number(value), beatUnitOf(this.meter));
      if (this.current && ticks !== null && ticks >= 0) this.current.pickup = ticks;
      else this.say("bad-beats", line, text);
    },
    x_repeat: (value, text, line) => {
      const repeat = Number(value);
      const fits = Number.isInteger(repeat) && repeat >= 1 && repeat <= MOST_REPEATS;
      if (fits && this.current) this.replaceLast({ ...this.current, repeat });
      else this.say("bad-directive", line, text.slice(0, 80));
    },
  };

  private replaceLast(draft: Draft): void {
    if (this.lastChorus === this.drafts.at(-1)) this.lastChorus = draft;
    this.drafts[this.drafts.length - 1] = draft;
    this.current = draft;
  }

  /** Whether nothing of the song has come yet: a heading without lines is nothing. */
  private get isHead(): boolean {
    return this.drafts.every((draft) => draft.lines.length + draft.extras.length === 0 && !draft.again);
  }

  private setMeta(name: string, value: string, text: string, line: number): boolean {
    if (this.isHead) {
      const before = { ...this.meta };
      const found = setField(this.meta, name, value);
      if (found === false) return false;
      if (before.capo === 0 && this.meta.capo > 0) this.capoLine = line;
      if (keepFirst(before, this.meta)) this.keep("directive", text, line, `another {${name}}`);
      if (found) {
        this.say(found, line, value.slice(0, 80));
        this.keep("directive", text, line, `directive {${name}}`);
      } else if (value.trim().length > LONGEST_FIELD) this.keep("directive", text, line, `a long {${name}}`);
      if (name === "time" && !this.options.meter) this.meter = this.meta.meter ?? this.meter;
      return true;
    }
    if (name !== "time" && name !== "tempo") return false;
    const change = emptyMeta();
    const found = setField(change, name, value);
    if (found) {
      this.say(found, line, value.slice(0, 80));
      return false;
    }
    if (change.meter) {
      this.meter = change.meter;
      const plain =
        change.meter.beats === (this.meta.meter ?? COMMON_TIME).beats &&
        change.meter.unit === (this.meta.meter ?? COMMON_TIME).unit;
      this.use = { ...this.use, meter: plain ? null : change.meter };
    } else this.use = { ...this.use, tempo: change.tempo === this.meta.tempo ? null : change.tempo };
    this.current = null;
    return true;
  }

  private shift(value: string, text: string, line: number): void {
    const semitones = value.trim() === "" ? 0 : Number(value);
    if (!Number.isInteger(semitones) || Math.abs(semitones) > 11) {
      this.say("bad-directive", line, text.slice(0, 80));
      this.keep("directive", text, line, "directive {transpose}");
    } else if (this.isHead) this.transpose = semitones;
    else {
      this.use = { ...this.use, shift: clampShift(semitones - this.transpose) };
      this.current = null;
    }
  }

  private openEnvironment(name: string, value: string, text: string, line: number): void {
    if (VERBATIM.has(name)) {
      this.block = { name, line, lines: [text] };
      return;
    }
    if (this.open) {
      this.say("open-section", this.open.line, this.open.text);
      this.closeEnvironment();
    }
    const label = labelOf(value) || labelOfEnvironment(name);
    const kind = kindOfEnvironment(name, label);
    this.open = { name, text, line, label, kind };
    this.begin(label, kind);
  }

  private leave(name: string, text: string, line: number): void {
    if (this.open?.name === name) this.closeEnvironment();
    else this.say("bad-directive", line, text.slice(0, 80));
  }

  private closeEnvironment(): void {
    this.open = null;
    this.current = null;
    this.gap = true;
  }

  private closeBlock(): void {
    const { name, line, lines } = this.block!;
    this.block = null;
    this.keep("tab", [...lines, `{end_of_${name}}`].join("\n"), line, name);
  }

  /** @param heading its line, where it may be left out for holding nothing: an environment is a section whatever it holds */
  private begin(label: string | null, kind: SectionKind, heading?: number): Draft {
    this.repeats.close();
    this.current = { ...newDraft(label?.slice(0, 80) ?? null, kind, 1, this.use), heading };
    this.drafts.push(this.current);
    if (kind === "chorus") this.lastChorus = this.current;
    this.previous = null;
    this.gap = false;
    return this.current;
  }

  private playChorus(value: string, text: string, line: number): void {
    const chorus = this.lastChorus;
    if (!chorus) {
      this.say("bad-directive", line, text.slice(0, 80));
      this.keep("directive", text, line, "directive {chorus}");
      return;
    }
    this.recall(chorus, labelOf(value));
  }

  private recall(again: Draft, label: string): void {
    const draft = { ...newDraft(label.slice(0, 80) || again.label, again.kind, 1, this.use), again };
    this.drafts.push(draft);
    this.current = draft;
    this.gap = true;
  }

  /** A comment that only names a section, outside of one, is its heading. */
  private comment(value: string, text: string, line: number): void {
    const heading = this.open ? null : readHeading(value);
    if (!heading || heading.kind === "other") {
      this.keep("comment", text, line, "comment");
      return;
    }
    const draft = this.begin(heading.label, heading.kind, this.line);
    if (heading.repeat > 1) this.replaceLast({ ...draft, repeat: heading.repeat });
  }

  private define(value: string, text: string, line: number): void {
    const shape = readDefine(value);
    const known = shape && this.fingerings.some((one) => JSON.stringify(one) === JSON.stringify(shape));
    if (shape && !known) this.fingerings.push(shape);
    if (!shape) this.say("bad-directive", line, text.slice(0, 80));
    this.keep("directive", text, line, "shape");
  }

  private keep(kind: "comment" | "directive" | "tab", text: string, line: number, what: string): void {
    const kept = text.slice(0, 8000);
    this.losses.push({ line, what, text, kept: kept === text });
    const home = this.current ?? (this.open ? null : this.drafts.at(-1));
    if (this.drafts.length === 0) {
      this.head.push({ kind, text: kept, section: null, line: 0 });
      return;
    }
    const isOwn = home !== undefined && home !== null && !home.again;
    const draft = isOwn ? home : this.drafts.at(-1)!;
    draft.extras.push({ kind, text: kept, line: isOwn ? draft.lines.length : Number.MAX_SAFE_INTEGER });
    // What is kept beside its lines keeps the section, lines or none.
    draft.heading = undefined;
  }

  /** A line of words with chords in brackets, or of a grid. */
  private sing(text: string, line: number): void {
    const heading = this.open ? null : readHeading(text, (one) => parseChord(one).ok);
    const named = heading && (/^\s*\[/u.test(text) || heading.kind !== "other");
    if (heading && named && toLetters(heading.label, this.reading.naming) === null) {
      this.flush();
      const draft = this.begin(heading.label, heading.kind, line);
      if (heading.repeat > 1) this.replaceLast({ ...draft, repeat: heading.repeat });
      return;
    }
    if (/^\s*\{/u.test(text)) {
      this.say("bad-directive", line, text.trim().slice(0, 80));
      this.keep("directive", text.trim(), line, "unfinished directive");
      return;
    }
    if (!this.current || this.current.again || (this.gap && !this.open && this.current.label === null))
      this.begin(this.open?.label ?? null, this.open?.kind ?? "other");
    this.gap = false;
    const grid = this.open?.name === "grid" || !/\[/u.test(text) ? this.readGrid(text) : null;
    if (!grid && this.singUnder(text)) return;
    if (grid) {
      this.put(grid, "", line);
      return;
    }
    const { words, tokens, remarks } = readBrackets(text, this.reading.naming, this.brackets);
    for (const remark of remarks) this.keep("comment", `{comment: ${remark}}`, line, "remark at a word");
    for (const { kind, text: written, source } of tokens)
      if (kind === "unreadable") this.say("unreadable-chord", line, written, source + 1, offersFor(written));
    if (tokens.length > 0 || words.trim() !== "") this.put(tokens, words, line);
  }

  /** Chords that stand over the next line, as other sheets have them. @returns whether the line was taken */
  private singUnder(text: string): boolean {
    const { above } = this;
    if (text.includes("[")) {
      this.flush();
      return false;
    }
    const columned = sheetText(text);
    const chords = readChordLine(columned, this.reading);
    if (chords && chords.filter((token) => token.kind === "chord").length >= 2) {
      this.flush();
      this.above = { tokens: chords, line: this.line };
      return true;
    }
    if (!above) return false;
    this.above = null;
    this.put(above.tokens, text, above.line, columned.columns);
    return true;
  }

  /** Chords over nothing are a line of their own. */
  private flush(): void {
    const { above } = this;
    this.above = null;
    if (above) this.put(above.tokens, "", above.line);
  }

  /** A line of bars, as grids hold them. */
  private readGrid(text: string): ChordToken[] | null {
    const tokens = readChordLine(text, this.reading);
    return tokens && (this.open?.name === "grid" || tokens.some(isBar)) ? tokens : null;
  }

  private put(tokens: readonly ChordToken[], text: string, line: number, columns?: readonly number[]): void {
    const draft = this.current!;
    for (const { kind, text } of tokens)
      if (kind === "remark") this.keep("comment", `{comment: ${text}}`, line, "remark at a chord");
    const { meter, previous, unsure } = this;
    const { beatsPerChord } = this.options;
    const laid = layLine(tokens, text, columns, { meter, beatsPerChord, previous });
    for (const token of laid.crowded) this.say("crowded-bar", line, token.text, token.source + 1);
    const given = this.takeBeats(laid.line.chords.length);
    const chords = laid.line.chords.map((chord, index): SheetChord => {
      const timed = { ...chord, ...given?.[index] };
      return unsure.includes(index + 1) ? { ...timed, unsure: true } : timed;
    });
    this.unsure = [];
    this.previous = chords.at(-1)?.symbol ?? previous;
    const laidLine: SheetLine = { words: laid.line.words, chords };
    if (laid.isOpen && !given) this.untimed.add(laidLine);
    this.repeats.add(draft.lines, laidLine, tokens, 1, line);
  }

  /** The beats our own directive gives the chords of this line. */
  private takeBeats(count: number): readonly OwnBeats[] | null {
    const { beats } = this;
    this.beats = null;
    if (!beats) return null;
    const found = readOwnBeats(beats.text, this.meter);
    if (found?.length === count) return found;
    this.say("bad-beats", beats.line, beats.text.slice(0, 80));
    return null;
  }

  private say(
    code: SheetProblem["code"],
    line: number,
    text: string,
    column = 1,
    suggestions?: readonly string[],
  ): void {
    this.problems.push({ code, line, column, text, ...(suggestions && { suggestions }) });
  }
}

const clampShift = (semitones: number): number =>
  semitones > 11 ? semitones - 12 : semitones < -11 ? semitones + 12 : semitones;
