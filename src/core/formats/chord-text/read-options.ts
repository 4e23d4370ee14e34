import type { Naming } from "../../chord";
import type { Meter } from "../../rhythm";

/** What the reader of a text already knows; it is taken over what the text says. */
export type ReadOptions = {
  readonly meter?: Meter | undefined;
  readonly key?: string | undefined;
  readonly naming?: Naming | undefined;
  /** Whether the chords are shapes behind the capo, where somebody decided. */
  readonly shapes?: boolean | undefined;
  /** Whether figures behind all chords are beats ("A4 D4"), where somebody decided. */
  readonly figures?: boolean | undefined;
  /** Lines that look like headings and are sung, from 1. */
  readonly sung?: readonly number[] | undefined;
  /** What headings without lines play like, by their line: the label of a section. */
  readonly playedLike?: Readonly<Record<number, string>> | undefined;
  /** Beats of a chord whose length the text does not give. */
  readonly beatsPerChord?: number | undefined;
  /** Which of the readings of guessed beats is taken, from 0. */
  readonly reading?: number | undefined;
  /** Told of each look at a line: what a reader costs, whatever the machine. */
  readonly onStep?: (() => void) | undefined;
};
