import type { Ticks } from "../../base";
import type { Moment } from "../song/moments";
import type { CueRow, SectionKind } from "../song/schema";

/** What a cue is about: who plays, how, when everybody stops, what a foot or a hand does, or one's own. */
export type CueKind =
  | "count-in"
  | "in"
  | "out"
  | "light"
  | "way"
  | "capo"
  | "sound"
  | "move"
  | "press"
  | "stop"
  | "hold"
  | "push"
  | "chords"
  | "key"
  | "tempo"
  | "own";

/** Something that happens at a place of the song, for one person or for everybody. */
export type Cue = {
  readonly id: string;
  readonly kind: CueKind;
  /** Null is everybody. */
  readonly playerId: string | null;
  readonly tick: Ticks;
  readonly seconds: number;
  readonly moment: Moment;
  readonly text: string;
  /** The section it falls in. */
  readonly useId: string;
  readonly label: string;
  readonly section: SectionKind;
  /** Whether a hand does it beside playing. */
  readonly byHand: boolean;
  /** A press that need not be made at its place: from here on it may be. */
  readonly mayFrom: Ticks | null;
  /** Where a small move stands in the document. */
  readonly move: { readonly rowId: string; readonly at: number } | null;
  /** The row of a cue of one's own. */
  readonly own: CueRow | null;
};
