import type { Midi, Ticks } from "../../../base";
import type { Level } from "../../fretboard";
import type { Meter } from "../../rhythm";
import type { Instrument, Role, TechniqueId } from "../../song/schema";

/** Ways to spread a song over its players. */
export const SCHOOLS = ["layered build", "carry and colour", "sparse"] as const;
export type School = (typeof SCHOOLS)[number];

/** What each thing that is counted against a split weighs. Less is better. */
export type SplitWeights = {
  readonly register: number;
  readonly rhythm: number;
  readonly bass: number;
  readonly voice: number;
  readonly energy: number;
  readonly change: number;
  /** For bars a player does not play: out, or not come in yet; nothing unless asked for. */
  readonly idle: number;
};
export const SPLIT_WEIGHTS: SplitWeights = Object.freeze({
  register: 0.02,
  rhythm: 0.5,
  bass: 2,
  voice: 0.03,
  energy: 0.5,
  change: 0.5,
  idle: 0,
});

export type SplitSection = {
  readonly id: string;
  readonly bars: number;
  /** Bars, counted from 0, in which a chord sounds. */
  readonly chordBars: readonly number[];
  /** What is sung there, lowest and highest; null where nobody sings. */
  readonly voice: { readonly low: Midi; readonly high: Midi } | null;
  readonly energy: number;
  readonly bass: "needed" | "free";
};

export type SplitPlayer = {
  readonly id: string;
  readonly instrument: Instrument;
  /** Open strings, from the player's face; none for instruments without. */
  readonly tuning: readonly Midi[];
  readonly capo: number;
  readonly level: Level;
  readonly range: readonly [low: Midi, high: Midi];
  readonly sings: boolean;
  readonly loops: boolean;
};

export type SplitCase = {
  readonly meter: Meter;
  readonly sections: readonly SplitSection[];
  readonly players: readonly SplitPlayer[];
  readonly weights: SplitWeights;
  /** Whether the last single changes may give a technique any role, or only those the table says it is good for. */
  readonly anyRole: boolean;
};

/** What one player does in one section. Out is light 0 and nothing else. */
export type SplitCell = {
  readonly role: Role;
  readonly technique: TechniqueId | null;
  readonly strings: readonly number[];
  readonly low: Midi | null;
  readonly high: Midi | null;
  readonly onsets: readonly Ticks[];
  readonly lamp: number;
  /** The bar it comes in, counted from 1. */
  readonly entryBar: number;
  readonly needs: Level;
  /** A player doubled on purpose. */
  readonly double?: string;
};

export const OUT_CELL: SplitCell = Object.freeze({
  role: "out",
  technique: null,
  strings: [],
  low: null,
  high: null,
  onsets: [],
  lamp: 0,
  entryBar: 1,
  needs: "beginner",
});

export const isPlaying = (cell: Pick<SplitCell, "role">): boolean => cell.role !== "out";

export type SplitTerm = {
  readonly section: string;
  readonly name: keyof SplitWeights;
  readonly value: number;
  readonly weight: number;
  readonly words: string;
};

export type SplitViolation = {
  readonly rule: string;
  readonly section: string | null;
  readonly words: string;
};

/** By section, then by player. */
export type SplitGrid = readonly (readonly SplitCell[])[];

export type Proposal = {
  readonly school: School;
  readonly cells: SplitGrid;
  readonly terms: readonly SplitTerm[];
  readonly score: number;
  readonly violations: readonly SplitViolation[];
  /** Whether no plan of the tables has a lower score; else only no single change has. */
  readonly exact: boolean;
  /** No plan scores less. */
  readonly bound: number;
};
