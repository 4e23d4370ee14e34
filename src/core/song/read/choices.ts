import { type BookShape, CHOICE_SCOPES, type Choice } from "../schema/chosen-shapes";
import type { VersionBody } from "../schema/documents";

/** The place a shape is wanted at. */
export type ShapeSpot = {
  readonly playerId: string;
  readonly useId: string;
  readonly sectionId: string;
  readonly chordId: string;
  /** How chords are voiced there. */
  readonly style: Voicing["style"];
  /** The strings they keep to, counted from the player's face; null is all. */
  readonly strings: readonly number[] | null;
  /** The sounding symbol. */
  readonly symbol: string;
  readonly capo: number;
  readonly tuning: readonly string[];
};

/** A way of voicing chords: as a choice and a shape of the book name it. */
export type Voicing = { readonly style: BookShape["style"]; readonly strings: readonly number[] | null };

/** The place of a chord for a player's hand. */
export const spotOf = (
  player: { readonly id: string; readonly tuning: readonly string[] },
  { capo, style, strings }: Voicing & { readonly capo: number },
  { useId, sectionId, chordId, symbol }: Pick<ShapeSpot, "useId" | "sectionId" | "chordId" | "symbol">,
): ShapeSpot => ({
  playerId: player.id,
  useId,
  sectionId,
  chordId,
  style,
  strings,
  symbol,
  capo,
  tuning: player.tuning,
});

/** Whether two ways of voicing are one. */
const isVoicedAlike = (one: Voicing, other: Voicing): boolean =>
  one.style === other.style && (one.strings?.join() ?? null) === (other.strings?.join() ?? null);

/** Whether a choice is for a spot, whatever capo and tuning it was made for. */
export const choiceStands = (choice: Choice, spot: ShapeSpot): boolean => {
  if (choice.playerId !== spot.playerId) return false;
  switch (choice.scope) {
    case "chord-in-use":
      return choice.chordId === spot.chordId && choice.useId === spot.useId;
    case "chord":
      return choice.chordId === spot.chordId;
    case "section":
      return choice.sectionId === spot.sectionId && choice.symbol === spot.symbol;
    case "voicing":
      return (
        choice.symbol === spot.symbol &&
        choice.style !== null &&
        isVoicedAlike({ style: choice.style, strings: choice.strings }, spot)
      );
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
    .filter((choice) => choiceStands(choice, spot))
    .sort(
      (a, b) => CHOICE_SCOPES.indexOf(a.scope) - CHOICE_SCOPES.indexOf(b.scope) || (a.id < b.id ? -1 : 1),
    );
  const choice = here.find((one) => choiceFits(one, spot)) ?? null;
  const unfit = here.find((one) => !choiceFits(one, spot)) ?? null;
  return { choice, unfit };
}
