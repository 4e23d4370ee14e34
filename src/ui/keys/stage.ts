import { type KeyPress, readerOf } from "./combo";
import type { ActIn } from "./row";
import { singleKeys } from "./singles";
import { STAGE_KEYS } from "./table-stage";

type Row = (typeof STAGE_KEYS)[number];

const actOf = readerOf(STAGE_KEYS);

/** The same as `keyAct`, of the keys on stage and everywhere alone. */
export const stageKeyAct = <Place extends Row["place"]>(
  place: Place,
  press: KeyPress,
): ActIn<Row, Place> | null => actOf(place, press, singleKeys.getState()) as ActIn<Row, Place> | null;
