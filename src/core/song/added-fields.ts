import type { Kind } from "./body";

/** Tables and fields that came after form 1, with what a row without them means. */
export type AddedFields = Readonly<Record<string, Readonly<Record<string, unknown>>>>;

/** A use of a section without any exception of its own. */
export const PLAIN_USE = Object.freeze({
  label: null,
  vocals: true,
  shift: 0,
  bpm: null,
  meterBeats: null,
  meterUnit: null,
  energy: null,
  bass: null,
  melodyRange: null,
  octaveDown: false,
});

/** How a player reads and plays before anything is said of it. */
export const PLAIN_HAND = Object.freeze({
  reads: null,
  writing: "letters" as const,
  leftHanded: false,
  thumb: false,
  scaleMm: null,
  loops: false,
});
const { loops: _loops, ...HAND_IN_FORM_3 } = PLAIN_HAND;

const {
  energy: _energy,
  bass: _bass,
  melodyRange: _range,
  octaveDown: _octave,
  ...USE_IN_FORM_2
} = PLAIN_USE;

/** Form 2: exceptions at uses, extras of a sheet, sources with a text, what the shelf tells of a song. */
const IN_FORM_2: Readonly<Partial<Record<Kind, AddedFields>>> = Object.freeze({
  version: {
    version: { writtenCapo: 0 },
    sources: { kind: "sheet", text: "" },
    lines: { exceptionId: null },
    uses: USE_IN_FORM_2,
    exceptions: {},
    extras: {},
  },
  song: { song: { composer: "", copyright: "", rehearsed: null, archived: false } },
});

/** Form 3: what is sung where, how each player reads, and the strings a part keeps to. */
const IN_FORM_3: Readonly<Partial<Record<Kind, AddedFields>>> = Object.freeze({
  version: {
    uses: { melodyRange: null, octaveDown: false },
    players: HAND_IN_FORM_3,
    cells: { strings: null },
  },
  band: { players: HAND_IN_FORM_3 },
});

/** What cells of the sheet may say since form 4; nothing of it at first. */
export const SAID_SINCE_FORM_4 = Object.freeze({
  technique: null,
  strumId: null,
  riffId: null,
  sound: null,
  bars: null,
  phrases: null,
  doubles: null,
});

/** Form 4: technique, strum, line, sound and bars of a part, patterns and lines, findings let stand, loopers. */
const IN_FORM_4: Readonly<Partial<Record<Kind, AddedFields>>> = Object.freeze({
  version: {
    players: { loops: false },
    cells: SAID_SINCE_FORM_4,
    strums: {},
    riffs: {},
    riffNotes: {},
    dismissals: {},
  },
  band: { players: { loops: false } },
});

/** Form 5: a looper, its layers, what is wanted of them, the trainer's log, and a band's habits with it. */
const IN_FORM_5: Readonly<Partial<Record<Kind, AddedFields>>> = Object.freeze({
  version: { loopBoxes: {}, loopLayers: {}, loopWants: {}, loopRuns: {} },
  band: { loopHabits: {} },
});

/** Form 6: sounds, moves inside a section, boxes for them, what is pinned and saved where, and the trainer's log. */
const IN_FORM_6: Readonly<Partial<Record<Kind, AddedFields>>> = Object.freeze({
  version: { sounds: {}, soundMoves: {}, soundBoxes: {}, slotPins: {}, slotSaves: {}, soundRuns: {} },
  band: { soundBoxes: {} },
});

/** A place in a running order of which nothing is said but the song. */
export const PLAIN_ITEM = Object.freeze({
  kind: "song" as const,
  title: "",
  minutes: 0,
  place: null,
  beforeId: null,
});

/** Form 7: how long an evening should last, and what stands in it besides songs; cues of one's own. */
const IN_FORM_7: Readonly<Partial<Record<Kind, AddedFields>>> = Object.freeze({
  version: { cues: {} },
  evening: {
    evening: { targetMinutes: null },
    items: PLAIN_ITEM,
  },
});

/** What each form added to the one before. */
export const ADDED_IN_FORM: Readonly<Record<number, Readonly<Partial<Record<Kind, AddedFields>>>>> =
  Object.freeze({ 2: IN_FORM_2, 3: IN_FORM_3, 4: IN_FORM_4, 5: IN_FORM_5, 6: IN_FORM_6, 7: IN_FORM_7 });

/** Fields a row of any earlier form may lack: rows in edits of the log were written then. */
export function addedFields(kind: Kind, table: string): Readonly<Record<string, unknown>> {
  return Object.assign({}, ...Object.values(ADDED_IN_FORM).map((added) => added[kind]?.[table]));
}
