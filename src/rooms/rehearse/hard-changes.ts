import { type ListedChange, listChanges, type ShapePlan } from "@/core/parts";
import type { Player } from "@/core/song/schema";
import type { NamesAt } from "../open";

/** So many changes are offered: the hardest of the song. */
const OFFERED = 6;

export const hardChanges = (plan: ShapePlan): ListedChange[] => listChanges(plan).slice(0, OFFERED);

/** The two chords of a change in somebody's names. */
export function chordsOfChange(
  names: NamesAt,
  player: Player,
  change: ListedChange,
): readonly [string, string] {
  const namer = names({ player, capo: change.capo });
  return [namer.readSounding(change.from.symbol), namer.readSounding(change.to.symbol)];
}

/** A change as it is told; in the log, in its player's own names. @example "G – D" */
export const tellChange = (names: NamesAt, player: Player, change: ListedChange): string =>
  chordsOfChange(names, player, change).join(" – ");
