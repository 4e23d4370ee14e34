import { parseChord } from "../../chord";
import {
  beatsOfTicks,
  beatUnitOf,
  COMMON_TIME,
  formatMeter,
  type Meter,
  ticksOfBar,
  ticksOfBeatUnit,
} from "../../rhythm";
import type { SectionKind } from "../../song/schema";
import { readShapes } from "../chord-text/shapes";
import { keyOfSheet } from "../draft";
import { readBeats } from "../guess/apply";
import {
  type ChordSheet,
  DEFAULT_TEMPO,
  type SheetExtra,
  type SheetLine,
  type SheetLoss,
  type SheetSection,
  type SheetUse,
} from "../sheet";
import { labelOf } from "./lines";

const ENVIRONMENT: Readonly<Record<SectionKind, string>> = Object.freeze({
  intro: "intro",
  verse: "verse",
  "pre-chorus": "prechorus",
  chorus: "chorus",
  bridge: "bridge",
  instrumental: "instrumental",
  solo: "solo",
  tag: "tag",
  outro: "outro",
  other: "part",
});

/**
 * Writes a sheet as ChordPro. Beats, pickups and repeats, which ChordPro has no word for, stand in directives of our
 * own (`x_beats`, `x_pickup`, `x_repeat`, `x_unsure`, `x_shapes`), which other programs pass over; they are named in `losses`.
 * @returns the text, and what other programs will not see of it
 */
export function writeChordPro(sheet: ChordSheet): { text: string; losses: SheetLoss[] } {
  const writer = new ProWriter(sheet);
  return { text: writer.write(), losses: writer.losses };
}

class ProWriter {
  readonly losses: SheetLoss[] = [];
  private readonly out: string[] = [];
  private readonly written = new Set<number>();
  private lastChorus: number | null = null;
  private meter: Meter;
  /** Whether guessed beats need not be written: who reads the text guesses the same. */
  private readonly isGuessedAgain: boolean;
  private now: Pick<SheetUse, "shift" | "tempo" | "meter"> = { shift: 0, tempo: null, meter: null };

  constructor(private readonly sheet: ChordSheet) {
    this.meter = sheet.meter ?? COMMON_TIME;
    this.isGuessedAgain = comesBack(sheet, this.meter);
  }

  write(): string {
    this.writeHead();
    for (const use of this.sheet.form) this.writeUse(use);
    const played = new Set(this.sheet.form.map((use) => use.section));
    for (const [index, section] of this.sheet.sections.entries())
      if (!played.has(index)) this.lose("a section that is not played", section.label);
    return `${this.out.join("\n").replace(/\n+$/u, "")}\n`;
  }

  private writeHead(): void {
    const { sheet } = this;
    const fields: [string, string][] = [
      ["title", sheet.title],
      ["artist", sheet.by],
      ["composer", sheet.composer],
      ["copyright", sheet.copyright],
      ["key", sheet.keySure ? (sheet.key ?? "") : ""],
      ["capo", sheet.capo > 0 ? String(sheet.capo) : ""],
      ["x_shapes", saysShapes(sheet) ? (sheet.shapes ? "yes" : "no") : ""],
      ["tempo", sheet.tempo === null ? "" : `${sheet.beatUnit ? `${sheet.beatUnit}=` : ""}${sheet.tempo}`],
      ["time", sheet.meter ? formatMeter(sheet.meter) : ""],
      ...sheet.tags.map((tag): [string, string] => ["tag", tag]),
      ["x_naming", hasOddNames(sheet) ? "letters" : ""],
      ["transpose", sheet.transpose === 0 ? "" : String(sheet.transpose)],
    ];
    for (const [name, value] of fields) if (value !== "") this.out.push(`{${name}: ${oneLine(value)}}`);
    for (const extra of sheet.extras) if (extra.section === null) this.out.push(extraText(extra));
  }

  private writeUse(use: SheetUse): void {
    const section = this.sheet.sections[use.section]!;
    this.out.push("");
    this.writeChanges(use);
    const recalled =
      this.written.has(use.section) && section.kind === "chorus" && this.lastChorus === use.section;
    if (recalled) this.out.push(use.label === null ? "{chorus}" : `{chorus: ${labelText(use.label)}}`);
    else this.writeSection(section, use);
    if (use.repeat > 1 && recalled) this.out.push(`{x_repeat: ${use.repeat}}`);
    if (use.repeat > 1)
      this.lose("a section played more than once in a row", `${section.label} × ${use.repeat}`);
  }

  /** Key shift, tempo and metre where they change. */
  private writeChanges({ shift, tempo, meter }: SheetUse): void {
    const { sheet, now } = this;
    if (shift !== now.shift) this.out.push(`{transpose: ${shift + sheet.transpose}}`);
    if (tempo !== now.tempo) this.out.push(`{tempo: ${tempo ?? sheet.tempo ?? DEFAULT_TEMPO}}`);
    const own = meter ?? sheet.meter ?? COMMON_TIME;
    if (own.beats !== this.meter.beats || own.unit !== this.meter.unit)
      this.out.push(`{time: ${formatMeter(own)}}`);
    this.meter = own;
    this.now = { shift, tempo, meter };
  }

  private writeSection(section: SheetSection, use: SheetUse): void {
    const again = this.written.has(use.section);
    const grid = this.gridOf(section);
    const name = grid ? "grid" : ENVIRONMENT[section.kind];
    if (use.label !== null) this.lose("a name of its own for a section played again", use.label);
    this.out.push(`{start_of_${name}: ${labelText(section.label)}}`);
    if (section.pickup > 0) {
      this.out.push(`{x_pickup: ${this.beats(section.pickup)}}`);
      this.lose("a pickup", section.label);
    }
    if (use.repeat > 1) this.out.push(`{x_repeat: ${use.repeat}}`);
    for (const [index, line] of section.lines.entries()) {
      if (!again) this.writeExtras(use.section, index);
      if (grid) this.out.push(grid[index]!);
      else this.writeLine(line);
    }
    if (!again) this.writeExtras(use.section, section.lines.length);
    this.out.push(`{end_of_${name}}`);
    this.written.add(use.section);
    if (section.kind === "chorus") this.lastChorus = use.section;
  }

  private writeExtras(section: number, line: number): void {
    for (const extra of this.sheet.extras)
      if (extra.section === section && extra.line === line) this.out.push(extraText(extra));
  }

  private writeLine(line: SheetLine): void {
    const plain = line.chords.length === 0 || (this.isGuessedAgain && isGuessed(line));
    if (!plain) {
      const beats = line.chords.map(({ ticks, guessed }) => `${this.beats(ticks)}${guessed ? "?" : ""}`);
      this.out.push(`{x_beats: ${beats.join(" ")}}`);
      this.lose("the beats of chords", line.words);
    }
    const unsure = line.chords.flatMap((chord, index) => (chord.unsure ? [index + 1] : []));
    if (unsure.length > 0) {
      this.out.push(`{x_unsure: ${unsure.join(" ")}}`);
      this.lose("which chords are not sure", line.words);
    }
    this.out.push(inBrackets({ ...line, words: this.plainWords(line.words) }));
  }

  /** Words without the signs that mean something in ChordPro. */
  private plainWords(words: string): string {
    const plain = words.replaceAll(/\[([^[\]]*)\]/gu, "($1)").replace(/^\{/u, "(");
    if (plain !== words) this.lose("square and curly brackets in words", words);
    return plain;
  }

  /** A section of bars without words, as lines of a grid; null where its chords do not lie on beats. */
  private gridOf(section: SheetSection): string[] | null {
    const bar = ticksOfBar(this.meter);
    const beat = ticksOfBeatUnit(beatUnitOf(this.meter)) ?? bar;
    const fits =
      section.kind === "instrumental" &&
      section.pickup === 0 &&
      section.lines.length > 0 &&
      section.lines.every(
        ({ words, chords }) =>
          words === "" &&
          chords.length > 0 &&
          chords.every(
            (chord) => !chord.guessed && !chord.unsure && chord.ticks > 0 && chord.ticks % beat === 0,
          ) &&
          chords.reduce((sum, chord) => sum + chord.ticks, 0) % bar === 0,
      );
    if (!fits) return null;
    return section.lines.map(({ chords }) => {
      const signs = chords.flatMap((chord) => [chord.symbol, ...Array(chord.ticks / beat - 1).fill(".")]);
      const bars = Array.from({ length: (signs.length * beat) / bar }, (_, index) =>
        signs.slice((index * bar) / beat, ((index + 1) * bar) / beat).join(" "),
      );
      return `| ${bars.join(" | ")} |`;
    });
  }

  private beats(ticks: number): string {
    return String(beatsOfTicks(ticks, beatUnitOf(this.meter)));
  }

  private lose(what: string, text: string): void {
    if (!this.losses.some((loss) => loss.what === what))
      this.losses.push({ line: 0, what, text, kept: false });
  }
}

const isGuessed = ({ chords }: SheetLine): boolean =>
  chords.length > 0 && chords.every(({ guessed }) => guessed);

/** Whether a reader makes the same of the lines whose beats are guessed when they are written without. */
function comesBack(sheet: ChordSheet, meter: Meter): boolean {
  const played = new Set(sheet.form.map((use) => use.section));
  if (played.size < sheet.sections.length) return false;
  const { sections } = readBeats(sheet, meter, isGuessed).sheet;
  const ticks = (all: ChordSheet["sections"]) =>
    all.flatMap(({ lines }) => lines.flatMap(({ chords }) => chords.map((chord) => chord.ticks)));
  const [again, now] = [ticks(sections), ticks(sheet.sections)];
  return again.every((one, at) => one === now[at]);
}

/** Whether chords that could not be read might be taken for another custom of naming. */
const hasOddNames = (sheet: ChordSheet): boolean =>
  sheet.sections.some(({ lines }) =>
    lines.some(({ chords }) => chords.some(({ symbol }) => !parseChord(symbol).ok)),
  );

const oneLine = (text: string): string => text.replaceAll(/\s*\n\s*/gu, " ");

/** A label as a bare value; one that would be read as an attribute stands in quotes. */
function labelText(label: string): string {
  const bare = oneLine(label).trim();
  return labelOf(bare) === bare ? bare : `label="${bare.replaceAll('"', "'")}"`;
}

function extraText({ kind, text }: SheetExtra): string {
  if (/^\s*\{/u.test(text) || text.startsWith("#")) return text;
  if (kind === "tab" || kind === "grid") return `{start_of_tab}\n${text}\n{end_of_tab}`;
  return `{comment: ${oneLine(text)}}`;
}

/** Words with their chords in brackets. @example inBrackets(…) // => "[G]Light on [C]water" */
function inBrackets({ words, chords }: SheetLine): string {
  let text = "";
  let from = 0;
  for (const { symbol, at } of chords) {
    text += words.slice(from, at);
    if (at >= words.length && text !== "" && !text.endsWith(" ")) text += " ";
    text += `[${symbol}]`;
    from = Math.max(from, at);
  }
  text += words.slice(from);
  return text.startsWith("#") ? ` ${text}` : text;
}

/** Whether it must be said if the chords are shapes: who reads key, capo and chords would take them otherwise. */
function saysShapes(sheet: ChordSheet): boolean {
  const { capo } = sheet;
  if (capo === 0) return false;
  const key = sheet.keySure ? sheet.key : null;
  const again = readShapes(sheet, { key, capo, shapeKey: null, capoLine: 1 }, keyOfSheet(sheet), undefined);
  return again.shapes !== sheet.shapes || again.key !== sheet.key;
}
