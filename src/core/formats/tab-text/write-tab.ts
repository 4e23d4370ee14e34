import type { Ticks } from "../../../base";
import type { NoteArt, NoteStroke, TabNote } from "../../fretboard";
import { formatTuning, stringNames } from "../../pitch";
import type { TabLine, TabLoss } from "./tab-line";

/** Columns may stand so close, in ticks; 80 is a triplet of thirty-seconds. */
const FINEST: Ticks = 40;
const STEPS: readonly Ticks[] = [960, 480, 320, 240, 160, 120, 80, 60, FINEST];
const BARS_IN_A_ROW = 2;

const BEFORE: Readonly<Record<NoteArt, string>> = {
  plain: "",
  hammer: "h",
  pull: "p",
  slide: "/",
  dead: "x",
};
const WEIGHT_SIGNS: Readonly<Record<TabNote["weight"], string>> = { 1: ",", 2: "", 3: "!" };
const STROKE_SIGNS: Readonly<Record<NoteStroke, string>> = { down: "↓", up: "↑" };
const LEGEND =
  "h hammer-on, p pull-off, / slide, x dead, ^n bent up n quarter tones, ~ rings, ' short, () may be left out, :n only the nth time, :n> from it on, :n% each nth, :0 the last, ! accented, ',' light, ↓ ↑ stroke, _n by finger n, = held";

/** Which times round a note is for: ":2" that one, ":2>" from it on, ":2%" each second, ":0" the last. */
function timesSign({ round, times }: TabNote): string {
  if (times === "last") return ":0";
  if (round === null) return "";
  return `:${round}${times === "from" ? ">" : times === "every" ? "%" : ""}`;
}

/** A note as it is written at its column. */
function signOf(note: TabNote): string {
  const fret = note.art === "dead" ? "x" : `${BEFORE[note.art]}${note.fret}`;
  const marks = [
    note.bend > 0 ? `^${note.bend}` : "",
    note.ring ? "~" : "",
    note.short ? "'" : "",
    timesSign(note),
    WEIGHT_SIGNS[note.weight],
    note.stroke === null ? "" : STROKE_SIGNS[note.stroke],
    note.finger === null ? "" : `_${note.finger}`,
  ].join("");
  return note.optional ? `(${fret}${marks})` : `${fret}${marks}`;
}

/** The step of columns: the coarsest that all notes and their ends stand on. */
const stepOf = ({ notes, bar }: TabLine): Ticks =>
  STEPS.find(
    (step) => bar % step === 0 && notes.every(({ tick, ticks }) => tick % step === 0 && ticks % step === 0),
  ) ?? FINEST;

/**
 * Writes a line as plain text tab, the string nearest the floor on top, as it is usually read. A head says the tuning,
 * the capo and how far apart columns are, so that it can be read back; `=` holds a note on.
 * @param played how it is played, in words, to stand in the head: "a semitone down: play E shapes"; nothing where it is ""
 */
export function writeTab(
  line: TabLine,
  played = "",
): { readonly text: string; readonly losses: readonly TabLoss[] } {
  const step = stepOf(line);
  const losses: TabLoss[] = [];
  const columns = Math.max(1, Math.ceil(line.ticks / step));
  const cells = line.tuning.map(() => new Map<number, string>());
  const held = line.tuning.map(() => new Set<number>());
  for (const [at, note] of line.notes.entries()) {
    const column = Math.round(note.tick / step);
    if (note.tick % step !== 0) losses.push({ code: "off-grid", note: at });
    if (note.ticks % step !== 0) losses.push({ code: "length", note: at });
    if (note.art === "dead" && note.fret !== 0) losses.push({ code: "dead-fret", note: at });
    if (note.string >= line.tuning.length || column >= columns) {
      losses.push({ code: "off-grid", note: at });
      continue;
    }
    const there = cells[note.string]!.get(column);
    const longer = line.notes.some(
      (other) => other.string === note.string && other.tick === note.tick && other.ticks > note.ticks,
    );
    if (longer) losses.push({ code: "length", note: at });
    // Two notes of different times round share a column.
    cells[note.string]!.set(column, there === undefined ? signOf(note) : `${there}+${signOf(note)}`);
    for (let on = 1; on < Math.round(note.ticks / step); on++) held[note.string]!.add(column + on);
  }
  const width = 1 + Math.max(1, ...cells.flatMap((row) => [...row.values()].map((sign) => sign.length)));
  const names = stringNames(line.tuning).map((name) => name.replace(/^(?:low|high) /u, ""));
  const nameWidth = Math.max(...names.map((name) => name.length));
  const inBar = Math.max(1, Math.round(line.bar / step));
  const rows: string[] = [];
  for (let from = 0; from < columns; from += inBar * BARS_IN_A_ROW) {
    if (from > 0) rows.push("");
    const to = Math.min(columns, from + inBar * BARS_IN_A_ROW);
    for (let string = line.tuning.length - 1; string >= 0; string--) {
      let row = `${names[string]!.padEnd(nameWidth)}|`;
      for (let column = from; column < to; column++) {
        const sign = cells[string]!.get(column) ?? (held[string]!.has(column) ? "=" : "");
        row += sign.padEnd(width, "-");
        if ((column + 1) % inBar === 0 || column === to - 1) row += "|";
      }
      rows.push(row);
    }
  }
  const head = [
    ...(played === "" ? [] : [`Played: ${played}`]),
    `Tuning: ${formatTuning(line.tuning).join(" ")}`,
    `Capo: ${line.capo}`,
    `Bar: ${line.bar} ticks`,
    `Length: ${line.ticks} ticks`,
    `Each ${width} characters: ${step} ticks, 960 a quarter note`,
    LEGEND,
    "",
  ];
  return { text: `${[...head, ...rows].join("\n")}\n`, losses };
}
