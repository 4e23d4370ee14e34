import { fail, ok, type Result, type Ticks } from "../../../base";
import { inOrder, type NoteArt, PLAIN_NOTE, type TabNote } from "../../fretboard";
import { FEWEST_STRINGS, GUITAR_TUNING, MOST_STRINGS, parseTuning, type Tuning } from "../../pitch";
import type { TabLine, TabProblem } from "./tab-line";

const HEAD = /^each (\d+) characters?: (\d+) ticks/iu;

export type ReadTab = TabLine & {
  /** Whether times were guessed from where signs stand between bar lines. */
  readonly guessed: boolean;
};

const ROW =
  /^\s*([A-Ga-g][#b♯♭]?\d?)?\s*[|:]?\s*\|?([-=|0-9hpbrx/\\~^'():+!,↓↑ ]*[-|][-=|0-9hpbrx/\\~^'():+!,↓↑ ]*)$/u;

/**
 * Reads plain text tab. What this program wrote comes back exactly. Of any other tab the frets and the signs
 * h p / \ x ( ) and b (a bend of a semitone) are read; its times are guessed: a bar is shared out evenly over its
 * characters, to the nearest sixteenth, and each note lasts until the next one.
 * @param assumed the neck and metre where the text doesn't say
 */
export function readTab(
  text: string,
  assumed: { readonly bar: Ticks; readonly tuning?: Tuning; readonly capo?: number },
): Result<ReadTab, TabProblem> {
  const lines = text.replaceAll("\r", "").split("\n");
  let { bar, tuning = null, capo = 0 }: { bar: Ticks; tuning?: Tuning | null; capo?: number } = assumed;
  let [step, width]: [Ticks | null, number] = [null, 1];
  let ticks: Ticks | null = null;
  const blocks: { readonly line: number; readonly name: string; readonly body: string }[][] = [];
  let open = false;
  for (const [index, line] of lines.entries()) {
    const told = /^tuning:\s*(.+)$/iu.exec(line.trim());
    if (told) {
      const parsed = parseTuning(told[1]!.split(/[\s,]+/u));
      if (!parsed.ok) return fail({ code: "tuning", line: index + 1, text: told[1]!.slice(0, 60) });
      tuning = parsed.value;
      continue;
    }
    const head = HEAD.exec(line.trim());
    if (head) [width, step] = [Number(head[1]), Number(head[2])];
    const capoTold = /^capo:?\s*(\d{1,2})\b/iu.exec(line.trim());
    if (capoTold) capo = Number(capoTold[1]);
    const barTold = /^bar:\s*(\d+) ticks/iu.exec(line.trim());
    if (barTold) bar = Number(barTold[1]);
    const lengthTold = /^length:\s*(\d+) ticks/iu.exec(line.trim());
    if (lengthTold) ticks = Number(lengthTold[1]);
    const row = ROW.exec(line);
    if (!row || !/-{2}|\|/u.test(row[2]!)) {
      open = false;
      continue;
    }
    if (!open) blocks.push([]);
    open = true;
    blocks.at(-1)!.push({ line: index + 1, name: row[1] ?? "", body: row[2]! });
  }
  if (blocks.length === 0) return fail({ code: "no-tab" });
  const strings = tuning ?? tuningOfNames(blocks[0]!.map(({ name }) => name));
  if (strings.length < FEWEST_STRINGS || strings.length > MOST_STRINGS)
    return fail({
      code: "strings",
      line: blocks[0]![0]!.line,
      found: strings.length,
      wanted: GUITAR_TUNING.length,
    });
  const notes: TabNote[] = [];
  let from: Ticks = 0;
  for (const rows of blocks) {
    const [first] = rows;
    if (rows.length !== strings.length)
      return fail({ code: "strings", line: first!.line, found: rows.length, wanted: strings.length });
    const bars = rows.map(({ body }) => barsOfRow(body));
    for (const [at, own] of bars.entries())
      if (own.length !== bars[0]!.length)
        return fail({ code: "bars", line: rows[at]!.line, found: own.length, wanted: bars[0]!.length });
    for (let index = 0; index < bars[0]!.length; index++) {
      for (const [at, own] of bars.entries()) {
        const found = readBar(own[index]!, rows[at]!.line, { from, bar, step, width });
        if (!found.ok) return found;
        const string = strings.length - 1 - at;
        const last = notes.findLastIndex((note) => note.string === string);
        const held = found.value.held * (step ?? 0);
        if (last >= 0 && held > 0) notes[last] = { ...notes[last]!, ticks: notes[last]!.ticks + held };
        for (const note of found.value.notes) notes.push({ ...note, string });
      }
      from += step === null ? bar : Math.min(bar, Math.round(longest(bars, index) / width) * step);
    }
  }
  const length = ticks ?? from;
  const placed = step === null ? lasting(notes, length) : inOrder(notes);
  return ok({ tuning: strings, capo, ticks: length, bar, notes: placed, guessed: step === null });
}

const longest = (bars: readonly (readonly BarText[])[], index: number): number =>
  Math.max(...bars.map((own) => own[index]!.text.length));

/** Of six rows without names a standard guitar is taken; else names are set below middle C, rising to the floor. */
function tuningOfNames(names: readonly string[]): Tuning {
  const known = parseTuning([...GUITAR_TUNING]);
  const standard = known.ok ? known.value : [];
  if (names.length === standard.length || names.some((name) => name === "")) return standard;
  let octave = 1;
  let last = -1;
  const pitches = [...names].reverse().map((name) => {
    const letter = name.charAt(0).toUpperCase() + name.slice(1).replace("♯", "#").replace("♭", "b");
    for (; octave < 7; octave++) {
      const read = parseTuning([`${letter}${octave}`, "E2", "E2"]);
      if (read.ok && read.value[0]! > last) break;
    }
    const read = parseTuning([`${letter}${octave}`, "E2", "E2"]);
    last = read.ok ? read.value[0]! : last + 5;
    return last;
  });
  return pitches;
}

type BarText = { readonly text: string; readonly column: number };

/** The stretches between bar lines, with the column each begins at. */
function barsOfRow(body: string): BarText[] {
  const bars: BarText[] = [];
  let column = 1;
  for (const text of body.split("|")) {
    if (text.trim() !== "") bars.push({ text, column });
    column += text.length + 1;
  }
  return bars;
}

const SIGN = /^(\()?(?:([hp/\\b]?)(\d{1,2})|(x))((?:\^\d|~|'|:\d{1,2}|b|[!,↓↑])*)(\))?/u;

type Grid = {
  readonly from: Ticks;
  readonly bar: Ticks;
  readonly step: Ticks | null;
  readonly width: number;
};

/** Notes of one row between two bar lines, and for how many columns the note before the bar is held on. */
function readBar(
  { text, column }: BarText,
  line: number,
  grid: Grid,
): Result<{ readonly notes: readonly TabNote[]; readonly held: number }, TabProblem> {
  const notes: TabNote[] = [];
  let held = 0;
  let at = 0;
  while (at < text.length) {
    const rest = text.slice(at);
    const first = rest.charAt(0);
    if (first === "-" || first === " ") {
      at++;
      continue;
    }
    if (first === "=") {
      if (notes.length === 0) held++;
      else if (grid.step !== null)
        holdOn(notes, grid.from + Math.floor(at / grid.width) * grid.step, grid.step);
      at++;
      continue;
    }
    const match = SIGN.exec(rest);
    if (!match) return fail({ code: "sign", line, column: column + at, text: rest.slice(0, 6) });
    const place =
      grid.step === null
        ? Math.round(((at / text.length) * grid.bar) / 240) * 240
        : Math.floor(at / grid.width) * grid.step;
    const note = noteOf(match, grid.from + place, grid);
    if (note.fret > 24) return fail({ code: "fret", line, column: column + at, fret: note.fret });
    notes.push(note);
    at += match[0].length;
    // A second note of the same column, for another time round.
    if (text.charAt(at) === "+") at = joinedColumn(text, at, notes, grid);
  }
  return ok({ notes, held });
}

/** Holds on what would end at a column; two endings that begin together are both held. */
function holdOn(notes: TabNote[], tick: Ticks, step: Ticks): void {
  for (const [at, note] of notes.entries())
    if (note.tick + note.ticks === tick) notes[at] = { ...note, ticks: note.ticks + step };
}

/** Reads what stands behind a plus: it belongs to the column the one before began in. */
function joinedColumn(text: string, plus: number, notes: TabNote[], grid: Grid): number {
  const match = SIGN.exec(text.slice(plus + 1));
  if (!match) return plus + 1;
  notes.push(noteOf(match, notes.at(-1)!.tick, grid));
  return plus + 1 + match[0].length;
}

/** The note a sign stands for; the row it stands in tells the string. */
const noteOf = (sign: RegExpExecArray, tick: Ticks, { step }: Grid): TabNote => ({
  ...PLAIN_NOTE,
  tick,
  ticks: step ?? 240,
  string: 0,
  fret: Number(sign[3] ?? 0),
  ...marksOf(sign[2] ?? "", sign[4] === "x", sign[5] ?? ""),
  optional: sign[1] !== undefined,
});

function marksOf(before: string, dead: boolean, behind: string): Partial<TabNote> {
  const art: NoteArt = dead
    ? "dead"
    : before === "h"
      ? "hammer"
      : before === "p"
        ? "pull"
        : before === "/" || before === "\\"
          ? "slide"
          : "plain";
  const bend = /\^(\d)/u.exec(behind);
  const round = /:(\d{1,2})/u.exec(behind);
  return {
    art,
    bend: bend ? Math.min(8, Number(bend[1])) : behind.includes("b") ? 2 : 0,
    ring: behind.includes("~"),
    short: behind.includes("'"),
    round: round ? Number(round[1]) : null,
    weight: behind.includes("!") ? 3 : behind.includes(",") ? 1 : PLAIN_NOTE.weight,
    stroke: behind.includes("↓") ? "down" : behind.includes("↑") ? "up" : null,
  };
}

/** Lets each note last until the next moment. */
function lasting(notes: readonly TabNote[], end: Ticks): TabNote[] {
  const ordered = inOrder(notes);
  return ordered.map((note) => {
    const next = ordered.find(({ tick }) => tick > note.tick)?.tick ?? end;
    return { ...note, ticks: Math.max(1, next - note.tick) };
  });
}
