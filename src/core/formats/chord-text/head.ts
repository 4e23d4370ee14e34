import { NAMINGS } from "../../chord";
import type { Key } from "../../pitch";
import type { SheetProblem } from "../sheet";
import { type Reading, readChordLine, readInline, readingOf } from "./chord-line";
import { readHeading } from "./heading";
import { emptyMeta, keepFirst, LONGEST_FIELD, type Meta, readHeadLine } from "./meta";
import type { SheetText } from "./sheet-text";

/** What the head of a sheet says; `taken` lines are no part of the song. Indexes are those of the lines. */
export type Head = {
  readonly meta: Meta;
  readonly taken: ReadonlySet<number>;
  /** The line that names the capo; -1 without. */
  readonly capoAt: number;
  readonly problems: readonly { readonly code: SheetProblem["code"]; readonly index: number }[];
  /** Lines that are taken and said nothing new: they are kept as notes. */
  readonly notes: readonly { readonly index: number; readonly what: string }[];
};

/** What numbers are counted from where it only matters whether they are chords. */
export const ANY_KEY: Key = Object.freeze({ tonic: 0, mode: "major" });
const LONGEST_NAME = 60;

/**
 * Reads the title, who it is by and the fields before the first section.
 * @param letters a reading by letters; what it reads is remembered in it
 */
export const readHead = (lines: readonly SheetText[], letters: Reading): Head =>
  new HeadReader(lines, letters).read();

class HeadReader {
  private readonly meta = emptyMeta();
  private readonly taken = new Set<number>();
  private capoAt = -1;
  private readonly problems: { code: SheetProblem["code"]; index: number }[] = [];
  private readonly notes: { index: number; what: string }[] = [];
  private readonly customs: readonly Reading[];
  /** The first heading, where no chords come before it; else -1. */
  private readonly prefaceEnd: number;

  constructor(
    private readonly lines: readonly SheetText[],
    private readonly letters: Reading,
  ) {
    this.customs = NAMINGS.map((naming) => readingOf(naming, ANY_KEY, letters.onStep));
    this.prefaceEnd = this.findPrefaceEnd();
  }

  read(): Head {
    const { meta, taken, problems, notes } = this;
    let plain = 0;
    for (const [index, line] of this.lines.entries()) {
      if (line.text.trim() === "" || this.takeFields(line.text, index)) continue;
      if (readHeading(line.text) || this.hasChords(line)) break;
      const free = plain === 0 ? meta.title === "" : plain === 1 && meta.by === "";
      if (free && this.isTitle(index)) this.takeName(line.text.trim(), index, plain++ === 0 ? "title" : "by");
      else if (index > this.prefaceEnd) break;
    }
    return { meta, taken, capoAt: this.capoAt, problems, notes };
  }

  private takeFields(text: string, index: number): boolean {
    const before = { ...this.meta };
    const found = readHeadLine(text, this.meta);
    if (found === false) return false;
    for (const code of found) this.problems.push({ code, index });
    if (before.capo === 0 && this.meta.capo > 0) this.capoAt = index;
    if (keepFirst(before, this.meta)) this.notes.push({ index, what: "another value of a field" });
    else if (text.length > LONGEST_FIELD) this.notes.push({ index, what: "a long field" });
    this.taken.add(index);
    return true;
  }

  private takeName(text: string, index: number, field: "title" | "by"): void {
    const name = field === "by" ? text.replace(/^by\s+/iu, "") : text;
    this.meta[field] = name.slice(0, LONGEST_FIELD);
    if (name.length > LONGEST_FIELD) this.notes.push({ index, what: "a long title" });
    this.taken.add(index);
  }

  private findPrefaceEnd(): number {
    for (const [index, line] of this.lines.entries()) {
      if (readHeading(line.text)) return index;
      if (this.hasChords(line)) return -1;
    }
    return -1;
  }

  /**
   * A plain line at the head is the title (or who by) when a gap, a field or a heading follows, or one line who it is
   * by and then one of these.
   */
  private isTitle(index: number): boolean {
    const next = this.lines[index + 1];
    if (!next || /^\s*\p{L}[\p{L} ]{1,19}:\s/u.test(this.lines[index]!.text)) return false;
    if (this.ends(index + 1)) return this.lines.slice(index + 1).some((line) => line.text.trim() !== "");
    const text = next.text.trim();
    if (/^by\s/iu.test(text)) return true;
    const named = text.length <= LONGEST_NAME && !this.hasChords(next);
    return named && this.ends(index + 2) && index + 2 <= this.prefaceEnd;
  }

  /** Whether nothing, a heading or a field stands in a line, or the text is over. */
  private ends(index: number): boolean {
    const text = this.lines[index]?.text ?? "";
    return text.trim() === "" || readHeading(text) !== null || readHeadLine(text, emptyMeta()) !== false;
  }

  /** Whether a line holds chords by some custom: such a line is no title. */
  private hasChords(line: SheetText): boolean {
    return (
      readInline(line.text, this.letters) !== null ||
      readChordLine(line, this.letters) !== null ||
      this.customs.some((reading) => (readChordLine(line, reading)?.length ?? 0) >= 2)
    );
  }
}
