import type { Midi, Ticks } from "../../../base";
import type { Level, Style } from "../../fretboard";
import type { Meter } from "../../rhythm";
import type { Instrument, Role, SectionKind, TechniqueId } from "../../song/schema";
import type { SplitPlayer, SplitSection } from "../split";
import type { Figure } from "./figures";
import type { Colour, IdeaLine } from "./ideas";

/** How the fullness of a song goes: rising as usual, steady, or to a quiet end. */
export const ARCS = ["rising", "steady", "falling"] as const;
export type Arc = (typeof ARCS)[number];

/** What a leader would call their way of splitting. */
export const ARRANGE_SCHOOLS = [
  "layered build",
  "carry and colour",
  "sparse",
  "voice and keys first",
  "two guitars in contrast",
  "one guitar and loops",
] as const;
export type ArrangeSchool = (typeof ARRANGE_SCHOOLS)[number];

/** One time through a section, in the order of the form. */
export type ArrangeUse = SplitSection & {
  /** The section it is a time through: the same id each time. */
  readonly section: string;
  readonly kind: SectionKind;
};

export type ArrangePlayer = SplitPlayer & {
  /** Not there: stays out everywhere. */
  readonly away: boolean;
  /** How many sounds their box has at hand; null for any number. */
  readonly sounds: number | null;
};

/** What each thing that counts against an arrangement weighs. Less is better. */
export type ArrangeWeights = {
  /** Semitones of register two players share, by bars both play. */
  readonly register: number;
  /** Shared of united onsets of two who neither carry nor have the bass, drums apart, by those bars. */
  readonly rhythm: number;
  /** Bars with a chord and no bass where one is needed. */
  readonly bass: number;
  /** Semitones inside the voice's register, by bars. */
  readonly voice: number;
  /** How far the number who play is from what the arc wants there, by bars. */
  readonly crowd: number;
  /** How far an idea is from being as full as the arc wants, 0 to 1, by bars. */
  readonly full: number;
  /** What two guitars have in common, 0 to 1, by bars both play. */
  readonly contrast: number;
  /** How little a school thinks of an idea, 0 to 1, by bars. */
  readonly school: number;
  /** How much less the band likes an idea than what it likes best there, by bars. */
  readonly taste: number;
  /** Roles given to somebody else than whose they usually are, by bars. */
  readonly role: number;
  /** From one use to the next, for each who plays in both: technique 1, strings 1, place 1, sound 1, role ½. */
  readonly change: number;
  /** Colours more than a player's box has sounds for. */
  readonly sounds: number;
  /** Ideas that are not those of the section's round before. */
  readonly identity: number;
  /** An idea a player has already in another section. */
  readonly same: number;
  /** Bars out, counted the more the longer somebody has waited. */
  readonly idle: number;
  /** How far the light is from the energy wanted, by bars. */
  readonly energy: number;
};
export const ARRANGE_WEIGHTS: ArrangeWeights = Object.freeze({
  register: 0.008,
  rhythm: 0.5,
  bass: 2,
  voice: 0.006,
  crowd: 2,
  full: 1.2,
  contrast: 0.5,
  school: 0.6,
  taste: 0.3,
  role: 0.5,
  change: 0.5,
  sounds: 2,
  identity: 1.5,
  same: 2,
  idle: 0.05,
  energy: 0.5,
});

/** A limit a leader sets, with its places worked out. */
export type Limit = {
  readonly rule: LimitRule;
  /** Place in the list of players, or null for all. */
  readonly player: number | null;
  /** Places in the form; null for all. */
  readonly uses: readonly number[] | null;
  /** An idea. */
  readonly idea: string | null;
  /** Whose idea it is; null where none is told. */
  readonly instrument: Instrument | null;
  /** A bar to come in at, or the most light. */
  readonly number: number | null;
  /** How many may play at most, where that is limited too. */
  readonly players?: number | undefined;
  /** In words, as it was asked for. */
  readonly words: string;
};
export const LIMIT_RULES = [
  "lock",
  "not before",
  "not in",
  "only in",
  "always",
  "carries",
  "at most",
] as const;
export type LimitRule = (typeof LIMIT_RULES)[number];

/** Whether somebody is there to play at all. */
export const isThere = ({ away }: Pick<ArrangePlayer, "away">): boolean => !away;

/** What a band thinks of an idea in a kind of section: from -1, always put aside, to 1, always taken. */
export type Taste = { readonly idea: string; readonly kind: SectionKind; readonly by: number };

export type ArrangeCase = {
  readonly meter: Meter;
  readonly uses: readonly ArrangeUse[];
  readonly players: readonly ArrangePlayer[];
  readonly arc: Arc;
  readonly weights: ArrangeWeights;
  readonly limits: readonly Limit[];
  /** What the band likes and does without. */
  readonly tastes: readonly Taste[];
  /** The ideas that may be used; null for all. */
  readonly ideas: readonly string[] | null;
};

/** What one player does in one use. Out is light 0 and nothing else. */
export type ArrangeCell = {
  readonly idea: string;
  readonly role: Role;
  readonly technique: TechniqueId | null;
  readonly pattern: Figure | null;
  readonly voicing: Style | null;
  readonly colour: Colour | null;
  readonly strings: readonly number[];
  readonly low: Midi | null;
  readonly high: Midi | null;
  readonly onsets: readonly Ticks[];
  readonly light: number;
  /** The bar it comes in, from 1. */
  readonly entryBar: number;
  readonly needs: Level;
  readonly line: IdeaLine | null;
  /** Whether a mouth can sing over it. */
  readonly singable: boolean;
  /** A player doubled on purpose. */
  readonly double?: string;
  /** What they play over it where it goes round itself, recorded in the section's first round. */
  readonly over?: ArrangeCell;
};

export const OUT_OF_IT: ArrangeCell = Object.freeze({
  idea: "out",
  role: "out",
  technique: null,
  pattern: null,
  voicing: null,
  colour: null,
  strings: [],
  low: null,
  high: null,
  onsets: [],
  light: 0,
  entryBar: 1,
  needs: "beginner",
  line: null,
  singable: true,
});

export const plays = ({ role }: Pick<ArrangeCell, "role">): boolean => role !== "out";

/** By use, then by player. */
export type ArrangeGrid = readonly (readonly ArrangeCell[])[];

export type ArrangeTerm = {
  readonly use: string;
  readonly name: keyof ArrangeWeights;
  readonly value: number;
  readonly weight: number;
};

/** A law that could not be held; see `laws.ts`. */
export type ArrangeViolation = {
  readonly law: 1 | 2 | 3 | 4 | 5 | 6 | 7 | 8;
  readonly use: string | null;
  readonly player: string | null;
  readonly words: string;
};

export type Arrangement = {
  readonly school: ArrangeSchool;
  readonly cells: ArrangeGrid;
  readonly terms: readonly ArrangeTerm[];
  readonly score: number;
  /** Whether nothing was left out of the search, and the light is as wanted: no arrangement of the school scores less. */
  readonly exact: boolean;
  /** No arrangement of the school scores less. */
  readonly bound: number;
  readonly violations: readonly ArrangeViolation[];
};
