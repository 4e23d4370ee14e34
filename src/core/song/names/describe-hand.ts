import { describeTuning } from "../../pitch";
import { tuningOf } from "../read";
import type { Player } from "../schema/players";

/**
 * Capo and tuning of a hand where they are not the usual ones, to stand behind a name.
 * @example describeHand({ capo: 2, … standard }) // => ", capo 2"
 * @example describeHand({ capo: 0, … a semitone down }) // => ", a semitone down"
 */
export function describeHand(player: Pick<Player, "tuning" | "capo">): string {
  const tuning = describeTuning(tuningOf(player));
  return [...(player.capo > 0 ? [`capo ${player.capo}`] : []), ...(tuning ? [tuning] : [])]
    .map((said) => `, ${said}`)
    .join("");
}
