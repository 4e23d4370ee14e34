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
};
