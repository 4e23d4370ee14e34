import type { DuePress } from "../judged";

/** A device that feet press: a simulated looper, a box of sounds. Its times are seconds of the audio clock. */
export type Device<View> = {
  /** How long before their time it wants to hear of presses that are planned, s. */
  readonly aheadSeconds: number;
  /** @param instead whether the press stands in place of the one before: that one is as if it had not been */
  readonly press: (act: string, at: number, instead: boolean) => void;
  /** Hands over what sounds, or is sent, up to a moment; called many times a second. */
  readonly tick: (until: number) => void;
  /** What it shows at a moment. */
  readonly view: (now: number) => View;
  readonly end: () => void;
};

/** A beat of the song, in its own seconds, and whether a bar begins with it. */
export type Beat = { readonly seconds: number; readonly isFirst: boolean };

/** What is played, in seconds of the song. */
export type Score = {
  readonly due: readonly DuePress[];
  /** Where the run begins; before it lies the count-in. */
  readonly begin: number;
  /** Whether it is a part of the plan only, whatever it begins with. */
  readonly isPart?: boolean;
  /** How long the count-in is. */
  readonly countIn: number;
  /** When the run is over; it may be never. */
  readonly end: number;
  /** The beats from one moment up to another, those of the count-in too. */
  readonly beats: (from: number, to: number) => readonly Beat[];
};

/** Shown: the plan runs by itself. Feet: presses are judged. Free: the device alone, nothing is due. */
export type Way = "show" | "feet" | "free";

/** A judged run that is over. */
export type Finished = {
  /** How many presses of the plan come before the first one that was due: the run began later. */
  readonly skipped: number;
  readonly due: readonly DuePress[];
  readonly made: readonly { readonly seconds: number; readonly act: string }[];
  /** Whether the plan was played from its beginning to its end. */
  readonly isWhole: boolean;
  /** Whether it came to where it was to end, and was not stopped before. */
  readonly isOver: boolean;
};
