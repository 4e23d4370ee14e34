import type { ToneBank } from "./plan-sounds";
import type { ToneBoard } from "./sound-case";
import type { ToneAct } from "./tone-act";

/** Where a box really stands; bank, slot and the bank that is armed, from 0. */
export type TonePlace = { readonly bank: number; readonly slot: number; readonly armed: number | null };

/** A way to a tone: the presses in their order, where they end, and whether the change is heard. */
export type ToneMove = {
  readonly acts: readonly ToneAct[];
  readonly to: { readonly bank: number; readonly slot: number };
  /** A bank change in no rest long enough, or one that lands on something else first. */
  readonly exposed: boolean;
};

type Board = Pick<ToneBoard, "landing" | "change" | "gapMs">;

/** The slot a bank opens on; null where nobody has settled it. */
export const landingOf = (
  board: Pick<ToneBoard, "landing">,
  bank: ToneBank | undefined,
  slot: number,
): number | null => (board.landing === "same-slot" ? slot : (bank?.landing ?? null));

/**
 * The presses from where a box really stands to a place. A slot lets go of what is armed; a bank that is armed needs no
 * second arming; a bank whose landing nobody knows is never trusted to open right.
 * @param restMs how long the player is silent while it changes
 */
export function moveTo(
  board: Board,
  banks: readonly ToneBank[],
  at: TonePlace,
  to: { readonly bank: number; readonly slot: number },
  restMs: number,
): ToneMove {
  const armed = board.change === "direct" ? null : at.armed;
  const slot: ToneAct = { do: "slot", slot: to.slot };
  if (to.bank === at.bank)
    return { acts: to.slot === at.slot && armed === null ? [] : [slot], to, exposed: false };
  const enters: readonly ToneAct[] =
    board.change === "direct"
      ? [{ do: "bank", bank: to.bank }]
      : armed === to.bank
        ? [{ do: "go" }]
        : [{ do: "arm", bank: to.bank }, { do: "go" }];
  const isRight = landingOf(board, banks[to.bank], at.slot) === to.slot;
  return {
    acts: isRight ? enters : [...enters, slot],
    to,
    exposed: !isRight || restMs < board.gapMs,
  };
}

/**
 * The fewest presses from where a box really stands to a tone, on the banks of a plan; of equals one that is not heard,
 * then the first in the list.
 * @param restMs how long the player is silent just before the tone is wanted
 * @returns null where no bank holds the tone
 * @example liveTone(board, [{ slots: ["verse"], landing: null }, { slots: ["solo"], landing: 0 }], { bank: 0, slot: 0, armed: null }, "solo", 400)
 * // => { acts: [{ do: "arm", bank: 1 }, { do: "go" }], to: { bank: 1, slot: 0 }, exposed: false }
 */
export function liveTone(
  board: Board,
  banks: readonly ToneBank[],
  at: TonePlace,
  tone: string,
  restMs: number,
): ToneMove | null {
  let best: ToneMove | null = null;
  for (const [bank, { slots }] of banks.entries())
    for (const [slot, held] of slots.entries()) {
      if (held !== tone) continue;
      const move = moveTo(board, banks, at, { bank, slot }, restMs);
      const fewer = best === null ? -1 : move.acts.length - best.acts.length;
      if (fewer < 0 || (fewer === 0 && best!.exposed && !move.exposed)) best = move;
    }
  return best;
}
