import type { Millimetres } from "../../base";

export const LEVELS = ["beginner", "steady", "fluent"] as const;
export type Level = (typeof LEVELS)[number];

/** Whether a hand of some level can do what asks for another. @example canDo("steady", "beginner") // => true */
export const canDo = (level: Level, needs: Level): boolean => LEVELS.indexOf(needs) <= LEVELS.indexOf(level);

/** What a hand of some level can do. Distances are mm along the neck by difference of finger number. */
export type HandLimits = {
  readonly reachMm: readonly [one: Millimetres, two: Millimetres, three: Millimetres];
  readonly barres: number;
  /** Damped strings allowed between sounding ones. */
  readonly innerMutes: number;
};

/** Ours, no source. */
export const HAND_LIMITS: Readonly<Record<Level, HandLimits>> = Object.freeze({
  beginner: Object.freeze({ reachMm: [40, 72, 72], barres: 0, innerMutes: 0 } as const),
  steady: Object.freeze({ reachMm: [60, 85, 98], barres: 2, innerMutes: 1 } as const),
  fluent: Object.freeze({ reachMm: [67, 98, 98], barres: 2, innerMutes: 2 } as const),
});
