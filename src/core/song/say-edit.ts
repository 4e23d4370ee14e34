import { assertNever } from "../../base";
import type { EditProblem, Touch } from "./edit";

/** What people call the rows of each table. */
const NAMES: Readonly<Record<string, string>> = Object.freeze({
  version: "setting",
  song: "song",
  sections: "section",
  lines: "line",
  words: "word",
  chords: "chord",
  uses: "place in the form",
  players: "player",
  cells: "part",
  choices: "chosen shape",
  sources: "source",
  exceptions: "exception",
  extras: "note of the sheet",
  strums: "pattern",
  riffs: "line",
  riffNotes: "note of a line",
  dismissals: "finding let stand",
  loopBoxes: "looper",
  loopLayers: "layer",
  loopWants: "wish for a layer",
  loopRuns: "run on the simulated looper",
  loopHabits: "habit with the looper",
  sounds: "sound",
  soundMoves: "moves in a section",
  soundBoxes: "box for sounds",
  slotPins: "pin of a sound",
  slotSaves: "saved slot",
  soundRuns: "run on the simulated box",
  cues: "cue",
  evening: "evening",
  items: "place in the running order",
});

const FIELDS: Readonly<Record<string, string>> = Object.freeze({
  bpm: "tempo",
  meterBeats: "beats in a bar",
  meterUnit: "beat value",
  ticks: "beats",
  order: "place in the list",
  label: "name",
  key: "key",
  light: "light",
  symbol: "name",
  writtenKey: "written key",
  writtenCapo: "written capo",
  keySure: "key is sure",
  sure: "is sure",
  wordId: "word",
  sourceId: "source",
  sectionId: "section",
  guessed: "beats are guessed",
  shift: "key shift in semitones",
  repeat: "times",
  followedBy: "when it follows",
  cued: "until the sign",
  lineId: "line",
  chordId: "chord",
  strumId: "pattern",
  riffId: "line",
  art: "way of playing",
  way: "way",
  doubles: "player doubled",
  allStart: "has a pedal for all in",
  allStop: "has a pedal for all out",
  quantised: "waits for the loop point",
  sharedLength: "has one length for all",
  undoLast: "can undo the last layer",
  startFrom: "what sounds before the song",
  listen: "is heard through first",
  recordWithId: "recorded with",
  doublesId: "layer doubled",
  level: "level in dBFS",
  stretches: "stretches",
  said: "settings",
  fromId: "sound before it",
  slots: "slots in a bank",
  banks: "number of banks",
  firstBank: "bank this song begins in",
  gapMs: "gap at a bank change",
  landing: "slot a bank opens on",
  change: "way of changing banks",
  twoSwitches: "two switches together",
  tails: "echoes that ring on",
  longestDelayMs: "longest delay",
  channel: "MIDI channel",
  firstProgram: "first program",
  moves: "moves",
  slot: "slot",
  targetMinutes: "length it should have",
  minutes: "minutes",
  place: "place it must have",
  beforeId: "what it must come before",
  giverId: "who gives it",
  sign: "way it is given",
  danger: "marks a danger spot",
  tick: "place",
  bank: "bank",
});

const nameOf = (table: string): string => NAMES[table] ?? table;

/** "tempo", "section name": the place of a clash in words. */
export const sayPlace = ({ table, field }: Touch): string =>
  field === "*"
    ? nameOf(table)
    : `${table === "version" ? "" : `${nameOf(table)} `}${FIELDS[field] ?? field}`;

/** The sentence for an edit that cannot be made. */
export function sayEditProblem(problem: EditProblem): string {
  switch (problem.code) {
    case "unknown-table":
      return `There is nothing called ${problem.table} here. Nothing was changed.`;
    case "unknown-row":
      return `That ${nameOf(problem.table)} is no longer there: it was removed meanwhile. Nothing was changed.`;
    case "row-exists":
      return `That ${nameOf(problem.table)} is there already. Nothing was changed.`;
    case "bad-field":
      return `The ${FIELDS[problem.field] ?? problem.field} of this ${nameOf(problem.table)} ${problem.message}. Nothing was changed.`;
    case "missing-reference":
      return `This ${nameOf(problem.table)} belongs to something that was removed meanwhile. Nothing was changed.`;
    case "still-used":
      return `This ${nameOf(problem.table)} is still in use by a ${nameOf(problem.by)}. Take that away first. Nothing was changed.`;
    default:
      return assertNever(problem);
  }
}
