import type { Ticks } from "../../../base";
import type { BuildSheet, Looper, Press } from "../../loops";
import type { ToneAct, ToneBank, ToneBoard, TonePlace } from "../../sounds";

/** A moment of one time through a section: ticks from where that begins, bar and beat, and what is sung then. */
export type FeetMoment = { readonly tick: Ticks; readonly place: string; readonly words: string };

/** What a player sounds like in one time through a section, between their first note and their last. */
export type StageTone = {
  readonly tone: string;
  readonly begins: FeetMoment;
  readonly ends: FeetMoment;
};

/** A player's box of sounds, with the banks of its plan. */
export type StageBox = {
  readonly board: ToneBoard;
  /** How its banks are told: the number of the first, and whether two switches go together. */
  readonly firstBank: number;
  readonly twoSwitches: boolean;
  readonly banks: readonly ToneBank[];
  /** Where it is set before the song. */
  readonly start: Pick<TonePlace, "bank" | "slot">;
  /** By passage; none where the player is silent. */
  readonly tones: Readonly<Record<string, StageTone>>;
};

/** Single pedals without memory: which of them are on, by passage. */
export type StagePedals = {
  readonly effects: readonly string[];
  readonly on: Readonly<Record<string, { readonly effects: readonly string[]; readonly begins: FeetMoment }>>;
};

/** What sounds from a tick of a passage on. Tracks are bits. */
export type StageLoops = {
  readonly from: Ticks;
  readonly sounding: number;
  /** Where a pass of each track would have begun, in ticks of the passage. */
  readonly begun: readonly Ticks[];
  readonly at: FeetMoment;
};

export type StageLooper = {
  readonly looper: Omit<Looper, "tracks">;
  /** What each track holds; "" where nothing is recorded. */
  readonly names: readonly string[];
  /** Of one pass of each track; 0 where nothing is recorded. */
  readonly lengths: readonly Ticks[];
  /** Tracks whose chords must lie where they belong; a beat only needs its bars. */
  readonly pitched: number;
  readonly recorded: number;
  /** What sounds just before the song. */
  readonly before: number;
  readonly loops: Readonly<Record<string, readonly StageLoops[]>>;
  /** How the loops are recorded before the song. */
  readonly build: BuildSheet | null;
};

/** Everything one player's feet stand at. What nobody has described is null: nothing is pressed on an assumed box. */
export type StageFeet = {
  readonly box: StageBox | null;
  readonly pedals: StagePedals | null;
  readonly looper: StageLooper | null;
};

type FootAct =
  | { readonly foot: "box"; readonly act: ToneAct }
  | { readonly foot: "looper"; readonly press: Press };

/** A press that comes. */
export type FeetPress = FootAct & {
  /** Whether it mends what is wrong now, or belongs to a change that comes. */
  readonly kind: "mend" | "change";
  /** Whether it belongs to what comes after the passage that is now. */
  readonly ahead: boolean;
  readonly passage: string;
  /** By when it is made, in ticks of that passage. */
  readonly tick: Ticks;
  /** How that is told; "" for a press that is made at once. */
  readonly when: string;
  /** Whether everybody hears it: a late start, or a bank that changes in no rest. */
  readonly heard: boolean;
};
