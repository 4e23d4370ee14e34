import { describeTuning, tuningShift } from "../../pitch";
import { hasStrings, tuningOf } from "../read";
import type { Player } from "../schema/players";
import type { Namer } from "./namer";

type Hand = Pick<Player, "tuning" | "capo">;

/**
 * Capo and tuning of a hand where they are not the usual ones, to stand behind a name.
 * @example describeHand({ capo: 2, … standard }) // => ", capo 2"
 * @example describeHand({ capo: 0, … a semitone down }) // => ", a semitone down"
 */
export function describeHand(player: Hand): string {
  const tuning = describeTuning(tuningOf(player));
  return [...(player.capo > 0 ? [`capo ${player.capo}`] : []), ...(tuning ? [tuning] : [])]
    .map((said) => `, ${said}`)
    .join("");
}

/**
 * What a player has to know before the first chord, to stand in every head: tuning, capo, and the key of the names they read.
 * @param namer who tells their names
 * @param isGuitar whether they are used to be told of a capo even where there is none
 * @example "capo 2, shapes of D; sounds in E"
 * @example "a semitone down: play E shapes; sounds in E♭"
 * @example "sounds in G"
 */
export function describePlaying(player: Hand, namer: Namer, isGuitar = true): string {
  const sounds = `sounds in ${namer.keyName(namer.soundingKey)}`;
  if (!hasStrings(player)) return sounds;
  const tuning = tuningOf(player);
  const named = describeTuning(tuning);
  const capo = player.capo > 0 ? [`capo ${player.capo}`] : isGuitar && named === null ? ["no capo"] : [];
  if (!namer.isOfShapes) return [...(named ? [named] : []), ...capo, sounds].join(", ");
  const key = namer.keyName();
  const shapes =
    tuningShift(tuning) === 0
      ? [...(named ? [named] : []), ...capo, `shapes of ${key}`].join(", ")
      : `${[named, ...capo].join(", ")}: play ${key} shapes`;
  return key === namer.keyName(namer.soundingKey) ? shapes : `${shapes}; ${sounds}`;
}
