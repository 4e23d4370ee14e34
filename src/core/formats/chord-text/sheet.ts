import type { Ticks } from "../../base";
import type { Meter } from "../../rhythm";
import type { SectionKind } from "../../song";

/** A song as a text gives it, before it becomes a version: no ids, nothing about players. */
export type ChordSheet = {
  readonly title: string;
  readonly by: string;
  readonly key: string | null;
  readonly keySure: boolean;
  readonly tempo: number | null;
  readonly meter: Meter | null;
  readonly capo: number;
  readonly sections: readonly SheetSection[];
  /** Sections by index, in the order they are played. */
  readonly form: readonly { readonly section: number; readonly repeat: number }[];
  readonly problems: readonly SheetProblem[];
};

export type SheetSection = {
  readonly label: string;
  readonly kind: SectionKind;
  readonly lines: readonly SheetLine[];
};

export type SheetLine = { readonly words: string; readonly chords: readonly SheetChord[] };

/** `at` is the index in the words under the chord. `guessed` tells that the text gave no beats. */
export type SheetChord = {
  readonly symbol: string;
  readonly at: number;
  readonly ticks: Ticks;
  readonly guessed: boolean;
};

/** What was not understood; line and column count from 1. The text itself is never dropped. */
export type SheetProblem = {
  readonly code:
    | "empty"
    | "too-long"
    | "no-chords"
    | "unreadable-chord"
    | "bad-key"
    | "bad-tempo"
    | "bad-meter"
    | "bad-capo"
    | "repeat-in-line"
    | "crowded-bar";
  readonly line: number;
  readonly column: number;
  readonly text: string;
};

/** The longest text that is read, in characters. */
export const LONGEST_SHEET = 200_000;
