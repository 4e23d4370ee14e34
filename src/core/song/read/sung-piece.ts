/** How a chord sounds where that is not as it is written, in beats. */
export type PlayedOtherwise = {
  /** How much sooner than its place it begins; less than 0 is later. */
  readonly lead: number;
  /** How much later than its written end it ends; less than 0 is sooner: the next one comes early. */
  readonly tail: number;
  /** How much of its end is silent. */
  readonly rest: number;
  /** How much of its time is a hold's. */
  readonly held: number;
  /** What is done with it, in one or two words: "early", "hold until the sign", "choke"; "" for nothing of its own. */
  readonly said: string;
};

/** A stroke as it is drawn: a sign ("↓", "↑", "×", "•"), its share of the chord's time, and whether it is accented. */
export type StrokePlaced = { readonly at: number; readonly sign: string; readonly strong: boolean };

/** A stretch of a line under one chord; the first of a line may come before any. */
export type SungPiece = {
  readonly id: string;
  readonly words: string;
  /** The chord's name for this reader, or null before the first chord. */
  readonly name: string | null;
  readonly beats: number;
  /** Beats of the bar already gone where the piece begins. */
  readonly from: number;
  readonly guessed: boolean;
  readonly unreadable: boolean;
  /** Whether somebody is not sure of the chord. */
  readonly unsure?: boolean;
  /** How it sounds, where that is not as written. */
  readonly played?: PlayedOtherwise;
  /** Whether this reader is silent while it sounds. */
  readonly silent?: boolean;
  /** Beats of it, counted from its place, in which this reader is silent, where it is only some. */
  readonly quiet?: readonly number[];
  /** Strokes of the hand while it sounds, where that is not as written: each at its share of the time it sounds. */
  readonly strokes?: readonly StrokePlaced[];
  /** A chord that comes before its line: it is drawn at the end of the line before ("early"), and goes on in its own ("on"). */
  readonly tied?: "early" | "on";
};
