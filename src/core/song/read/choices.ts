import type { VersionBody } from "../schema/documents";
import type { Choice } from "../schema/parts";

/** The place a shape is wanted at. */
export type ShapeSpot = {
  readonly playerId: string;
  readonly useId: string;
  readonly chordId: string;
  /** The sounding symbol. */
  readonly symbol: string;
  readonly capo: number;
  readonly tuning: readonly string[];
};

/** The place of a chord for a player behind a capo. */
export const spotOf = (
  player: { readonly id: string; readonly tuning: readonly string[] },
  capo: number,
  { useId, chordId, symbol }: Pick<ShapeSpot, "useId" | "chordId" | "symbol">,
): ShapeSpot => ({ playerId: player.id, useId, chordId, symbol, capo, tuning: player.tuning });

const PRECEDENCE = ["chord-in-use", "chord", "symbol"] as const;

const stands = (choice: Choice, spot: ShapeSpot): boolean => {
  if (choice.playerId !== spot.playerId) return false;
  switch (choice.scope) {
    case "chord-in-use":
      return choice.chordId === spot.chordId && choice.useId === spot.useId;
    case "chord":
      return choice.chordId === spot.chordId;
    case "symbol":
      return choice.symbol === spot.symbol;
  }
};

/** Whether a choice still fits: the capo, tuning and symbol it was made for. */
export const choiceFits = (choice: Choice, spot: Pick<ShapeSpot, "capo" | "tuning" | "symbol">): boolean =>
  choice.capo === spot.capo && choice.symbol === spot.symbol && choice.tuning.join() === spot.tuning.join();

/**
 * The chosen shape for a spot: the narrowest scope that fits. `unfit` is the narrowest choice that was made
 * here but is not applied, because capo, tuning or symbol have changed since.
 */
export function findChoice(
  body: Pick<VersionBody, "choices">,
  spot: ShapeSpot,
): { choice: Choice | null; unfit: Choice | null } {
  const here = Object.values(body.choices)
    .filter((choice) => stands(choice, spot))
    .sort((a, b) => PRECEDENCE.indexOf(a.scope) - PRECEDENCE.indexOf(b.scope) || (a.id < b.id ? -1 : 1));
  const choice = here.find((one) => choiceFits(one, spot)) ?? null;
  const unfit = here.find((one) => !choiceFits(one, spot)) ?? null;
  return { choice, unfit };
}
