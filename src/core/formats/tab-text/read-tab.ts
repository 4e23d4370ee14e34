import { fail, ok, type Result, type Ticks } from "../../../base";
import { inOrder, type LineFinger, type NoteArt, PLAIN_NOTE, type TabNote } from "../../fretboard";
import { FEWEST_STRINGS, GUITAR_TUNING, MOST_STRINGS, parseTuning, type Tuning } from "../../pitch";
import { guessTimes, type Placed } from "./guess-times";
import type { TabLine, TabProblem } from "./tab-line";

const HEAD = /^each (\d+) characters?: (\d+) ticks/iu;

export type ReadTab = TabLine & {
  /** Whether times were guessed from where signs stand between bar lines. */
  readonly guessed: boolean;
};

const ROW =
  /^\s*([A-Ga-g][#b♯♭]?\d?)?\s*[|:]?\s*\|?([-=|0-9hpbrx/\\~^'():+!,↓↑<>%_ ]*[-|][-=|0-9hpbrx/\\~^'():+!,↓↑<>%_ ]*)$/u;

/**
 * Reads plain text tab. What this program wrote comes back exactly. Of any other tab the frets and the signs
 * h p / \ x ( ), b (a bend: of a semitone, or to the fret behind it), r (let back) and <12> (a harmonic, read as that fret left
 * to ring) are read, and x2 behind the last bar line; its times are guessed (see `guessTimes`), and each note lasts until the
 * next one.
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
    const times = Math.max(1, ...rows.map(({ body }) => timesOfRow(body)));
    for (let index = 0; index < bars[0]!.length * times; index++) {
      const inBlock = index % bars[0]!.length;
      const read: BarRead[] = [];
      for (const [at, own] of bars.entries()) {
        const found = readBar(own[inBlock]!, rows[at]!.line, { from, bar, step, width });
        if (!found.ok) return found;
        read.push(found.value);
      }
      const guessed =
        step === null
          ? guessTimes(
              read.map(({ placed }) => placed),
              longest(bars, inBlock),
              bar,
            )
          : null;
      for (const [at, found] of read.entries()) {
        const string = strings.length - 1 - at;
        const last = notes.findLastIndex((note) => note.string === string);
        const held = found.held * (step ?? 0);
        if (last >= 0 && held > 0) notes[last] = { ...notes[last]!, ticks: notes[last]!.ticks + held };
        for (const [place, note] of found.notes.entries())
          notes.push({ ...note, string, ...(guessed ? { tick: from + guessed[at]![place]! } : {}) });
      }
      from += step === null ? bar : Math.min(bar, Math.round(longest(bars, inBlock) / width) * step);
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

/** How many times a row is played, behind its last bar line: "x2". */
const TIMES = /^[\s(]*x\s*(\d)[\s)]*$/u;

function timesOfRow(body: string): number {
  const last = body.slice(body.lastIndexOf("|") + 1);
  return Math.max(1, Number(TIMES.exec(last)?.[1] ?? 1));
}

/** What stands in one row between two bar lines. */
type BarRead = {
  readonly notes: readonly TabNote[];
  /** Where each of them stands, for who has to guess its time. */
  readonly placed: readonly Placed[];
  /** For how many columns the note before the bar is held on. */
  readonly held: number;
};

type BarText = { readonly text: string; readonly column: number };

/** The stretches between bar lines, with the column each begins at. */
function barsOfRow(body: string): BarText[] {
  const bars: BarText[] = [];
  let column = 1;
  for (const text of body.split("|")) {
    if (text.trim() !== "" && !TIMES.test(text)) bars.push({ text, column });
    column += text.length + 1;
  }
  return bars;
}

const SIGN =
  /^(\()?(?:([hp/\\]?)(\d{1,2})|(x)|<(\d{1,2})>)((?:\^\d|~|'|:\d{1,2}[>%]?|b\d{0,2}|_[1-4]|[!,↓↑])*)(?:r(\d{1,2}))?(\))?/u;

type Grid = {
  readonly from: Ticks;
  readonly bar: Ticks;
  readonly step: Ticks | null;
  readonly width: number;
};

/** Notes of one row between two bar lines. */
function readBar({ text, column }: BarText, line: number, grid: Grid): Result<BarRead, TabProblem> {
  const notes: TabNote[] = [];
  const placed: Placed[] = [];
  let ended = -1;
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
    const place = grid.step === null ? 0 : Math.floor(at / grid.width) * grid.step;
    const note = noteOf(match, grid.from + place, grid);
    if (note.fret > 24) return fail({ code: "fret", line, column: column + at, fret: note.fret });
    notes.push(note);
    placed.push({ column: at, joined: at === ended && match[2] !== "" && match[2] !== undefined });
    // A bend that is let back is another note on it.
    if (match[7] !== undefined) {
      notes.push({ ...note, fret: Number(match[7]), art: "pull", bend: 0 });
      placed.push({ column: at, joined: true });
    }
    at += match[0].length;
    ended = at;
    // A second note of the same column, for another time round.
    if (text.charAt(at) === "+") at = joinedColumn(text, at, notes, grid);
  }
  return ok({ notes, placed, held });
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
  fret: Number(sign[3] ?? sign[5] ?? 0),
  ...marksOf(sign[2] ?? "", sign[4] === "x", sign[6] ?? "", Number(sign[3] ?? 0)),
  ...(sign[5] === undefined ? {} : { ring: true }),
  optional: sign[1] !== undefined,
});

const fingerOf = (behind: string): TabNote["finger"] => {
  const told = /_([1-4])/u.exec(behind);
  return told ? (Number(told[1]) as LineFinger) : null;
};

/** Quarter tones of a bend: as they are written, to a fret, or a semitone. */
function bendOf(behind: string, fret: number): number {
  const own = /\^(\d)/u.exec(behind);
  if (own) return Math.min(8, Number(own[1]));
  const to = /b(\d{0,2})/u.exec(behind);
  if (!to) return 0;
  return to[1] === "" ? 2 : Math.max(0, Math.min(8, (Number(to[1]) - fret) * 2));
}

function marksOf(before: string, dead: boolean, behind: string, fret: number): Partial<TabNote> {
  const art: NoteArt = dead
    ? "dead"
    : before === "h"
      ? "hammer"
      : before === "p"
        ? "pull"
        : before === "/" || before === "\\"
          ? "slide"
          : "plain";
  const round = /:(\d{1,2})([>%]?)/u.exec(behind);
  const isLast = round?.[1] === "0";
  return {
    art,
    bend: bendOf(behind, fret),
    ring: behind.includes("~"),
    short: behind.includes("'"),
    round: isLast ? 1 : round ? Number(round[1]) : null,
    times: isLast ? "last" : round?.[2] === ">" ? "from" : round?.[2] === "%" ? "every" : "only",
    weight: behind.includes("!") ? 3 : behind.includes(",") ? 1 : PLAIN_NOTE.weight,
    finger: fingerOf(behind),
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
