import { unwrap } from "../../../base";
import { parseTuning, type Tuning } from "../../pitch";
import type { Player } from "../schema/players";

/** Whether a player has a neck to be fretted. */
export const hasStrings = (player: Pick<Player, "tuning">): boolean => player.tuning.length > 0;

/** The open strings of a player; none for an instrument without. */
export const tuningOf = (player: Pick<Player, "tuning">): Tuning =>
  hasStrings(player) ? unwrap(parseTuning(player.tuning)) : [];
