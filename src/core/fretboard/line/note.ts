import type { Fret, Midi, Ticks } from "../../../base";
import type { Tuning } from "../../pitch";

/** How a note is begun: plucked, hammered on or pulled off from the one before, slid to, or damped dead. */
export const NOTE_ARTS = ["plain", "hammer", "pull", "slide", "dead"] as const;
export type NoteArt = (typeof NOTE_ARTS)[number];

/** How a note that is not for every time round says which ones it is for. */
export const NOTE_TIMES = ["only", "from", "every", "last"] as const;
export type NoteTimes = (typeof NOTE_TIMES)[number];

/** Quarter tones in a semitone. */
const QUARTERS = 2;

/** A note of a line in tab: where it is fretted, when and how. Frets count from the capo. */
export type TabNote = {
  readonly tick: Ticks;
  readonly ticks: Ticks;
  /** Counted from the player's face. */
  readonly string: number;
  readonly fret: Fret;
  readonly art: NoteArt;
  /** Quarter tones it is bent up; each note of two has its own. */
  readonly bend: number;
  /** Left to ring past its time. */
  readonly ring: boolean;
  /** Cut short. */
  readonly short: boolean;
  /** May be left out. */
  readonly optional: boolean;
  /** The time round it is for, from 1, see `times`; null for every time. */
  readonly round: number | null;
  /** Whether it is for that time only, from it on, or each so-many-th time; or for the last time, whatever its number. */
  readonly times: NoteTimes;
  /** How hard it is struck: 1 light, 2 plain, 3 accented. */
  readonly weight: 1 | 2 | 3;
  /** The way it is struck where that is not as its line goes; null is as the line goes. */
  readonly stroke: "down" | "up" | null;
  /** The finger it is fretted with, index to little finger, where somebody said so; null is the hand's own. */
  readonly finger: 1 | 2 | 3 | 4 | null;
};

/** A neck a line is written for. */
export type LineNeck = { readonly tuning: Tuning; readonly capo: number };

export const PLAIN_NOTE = Object.freeze({
  art: "plain",
  bend: 0,
  ring: false,
  short: false,
  optional: false,
  round: null,
  times: "only",
  weight: 2,
  stroke: null,
  finger: null,
} as const satisfies Partial<TabNote>);

/** The pitch a finger stops, before any bend. @example a C on the A string, fret 3 // => 48 */
export const stoppedPitch = (note: Pick<TabNote, "string" | "fret">, neck: LineNeck): Midi | null => {
  const open = neck.tuning[note.string];
  return open === undefined ? null : open + neck.capo + note.fret;
};

/**
 * The pitch heard, which may lie a quarter tone between two keys of a piano; null for a dead note or a string the neck
 * doesn't have.
 */
export function heardPitch(
  note: Pick<TabNote, "string" | "fret" | "art" | "bend">,
  neck: LineNeck,
): number | null {
  const stopped = stoppedPitch(note, neck);
  return stopped === null || note.art === "dead" ? null : stopped + note.bend / QUARTERS;
}

/** Notes in order of time, those struck together from the player's face. */
export const inOrder = <Note extends Pick<TabNote, "tick" | "string">>(notes: readonly Note[]): Note[] =>
  [...notes].sort((a, b) => a.tick - b.tick || a.string - b.string);

/**
 * Whether a note is for a time round, of so many.
 * @example isForRound({ round: 2, times: "from" }, 3, 4) // => true
 */
export function isForRound(
  { round, times = "only" }: Pick<TabNote, "round"> & Partial<Pick<TabNote, "times">>,
  time: number,
  of: number,
): boolean {
  if (times === "last") return time === of;
  if (round === null) return true;
  switch (times) {
    case "only":
      return time === round;
    case "from":
      return time >= round;
    case "every":
      return time % round === 0;
  }
}

/** The notes of one time round, of so many. @example notesOfRound(notes, 1, 4) // those for every time and the first */
export const notesOfRound = (notes: readonly TabNote[], time: number, of: number): TabNote[] =>
  notes.filter((note) => isForRound(note, time, of));

/** The lowest and highest pitch heard, or null where nothing is. */
export function rangeOfLine(
  notes: readonly TabNote[],
  neck: LineNeck,
): { readonly low: number; readonly high: number } | null {
  const pitches = notes.flatMap((note) => {
    const pitch = heardPitch(note, neck);
    const stopped = stoppedPitch(note, neck);
    return pitch === null || stopped === null ? [] : [pitch, stopped];
  });
  return pitches.length === 0 ? null : { low: Math.min(...pitches), high: Math.max(...pitches) };
}
