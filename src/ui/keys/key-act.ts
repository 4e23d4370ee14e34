import { type KeyPress, readerOf } from "./combo";
import { singleKeys } from "./singles";
import { KEYS, type KeyAct, type KeyPlace } from "./table";

const actOf = readerOf(KEYS);

/**
 * What a key press does in a place, as this browser has keys; null where it does nothing.
 * @example if (keyAct("sheet", event) === "carry") …
 */
export const keyAct = <Place extends KeyPlace>(place: Place, press: KeyPress): KeyAct<Place> | null =>
  actOf(place, press, singleKeys.getState()) as KeyAct<Place> | null;
