import type { Arc, ArrangeWeights, LimitRule } from "@/core/parts";

/** What counts against a proposal, short. */
export const TERM_WORDS: Readonly<Record<keyof ArrangeWeights, string>> = {
  register: "one register",
  rhythm: "same strokes",
  bass: "no bass",
  voice: "in the voice",
  crowd: "too many or too few",
  full: "too full or too thin",
  contrast: "guitars alike",
  school: "against its way",
  taste: "against the band’s taste",
  role: "roles",
  change: "changes",
  sounds: "more sounds than the box has",
  identity: "rounds unlike",
  same: "same idea again",
  idle: "waiting",
  energy: "light off",
};

/** The same, as a weight is asked for. */
export const WEIGHT_WORDS: readonly (readonly [keyof ArrangeWeights, string])[] = [
  ["register", "two in one register, a semitone and bar"],
  ["rhythm", "the same strokes, a bar"],
  ["voice", "in the voice’s register, a semitone and bar"],
  ["contrast", "two guitars alike, a bar"],
  ["crowd", "one too many or too few, a bar"],
  ["full", "an idea too full or too thin, a bar"],
  ["bass", "no bass where it is needed, a bar"],
  ["role", "nobody carries, a bar"],
  ["school", "against the way of the proposal, a bar"],
  ["taste", "against what the band likes, a bar"],
  ["change", "a change of technique, strings, place or sound"],
  ["sounds", "a sound more than the box has"],
  ["identity", "another idea than in the round before"],
  ["same", "an idea that is played elsewhere already"],
  ["idle", "waiting on, a bar"],
  ["energy", "light too much or too little, a step and bar"],
];

export const ARC_WORDS: Readonly<Record<Arc, string>> = {
  rising: "grows",
  steady: "stays one",
  falling: "ends quietly",
};

/** Limits as a leader says them; what follows is where. */
export const RULE_WORDS: Readonly<Record<LimitRule, string>> = {
  lock: "plays",
  "not before": "not before",
  "not in": "not in",
  "only in": "only in",
  always: "always in",
  carries: "carries in",
  "at most": "at most this bright in",
};
