import type { Ticks } from "../../../base";
import { beatUnitOf, type Meter, ticksOfBeats } from "../../rhythm";

/** What our own directive says of a chord's length. */
export type OwnBeats = { readonly ticks: Ticks; readonly guessed: boolean };

/**
 * Reads `{x_beats: 4 2 2?}`: beats of each chord of the next line, a guess with a question mark.
 * @returns null where a number is none
 * @example readOwnBeats("3 1?", { beats: 4, unit: 4 }) // => 2880 ticks, and 960 guessed
 */
export function readOwnBeats(text: string, meter: Meter): readonly OwnBeats[] | null {
  const found = text
    .trim()
    .split(/\s+/u)
    .map((one): OwnBeats | null => {
      const guessed = one.endsWith("?");
      const number = guessed ? one.slice(0, -1) : one;
      const ticks = /\d/u.test(number) ? ticksOfBeats(Number(number), beatUnitOf(meter)) : null;
      return ticks === null || ticks < 0 ? null : { ticks, guessed };
    });
  return found.every((one) => one !== null) ? found : null;
}
