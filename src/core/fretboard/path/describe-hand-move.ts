import { stringNames, type Tuning } from "../../pitch";
import { describeFingers, FINGER_WORDS, ordinal } from "../finger-words";
import type { Finger } from "../hand";
import { FINGERS, type PlaceId, type Places } from "./change";

/** What each finger does between two shapes. */
export type Moves = {
  readonly kept: readonly Finger[];
  /** Fingers that go to another place without being put down anew, the slid ones among them. */
  readonly moved: readonly Finger[];
  readonly slid: readonly Finger[];
  readonly placed: readonly Finger[];
  readonly lifted: readonly Finger[];
  /** Millimetres along the neck and 8 for each string crossed, over all fingers. */
  readonly travelMm: number;
};

export function movesBetween(places: Places, from: readonly PlaceId[], to: readonly PlaceId[]): Moves {
  const fingers = (fits: (before: PlaceId, after: PlaceId) => boolean): Finger[] =>
    FINGERS.filter((_, at) => fits(from[at]!, to[at]!));
  const string = (place: PlaceId) => places.spot(place).string;
  const travelMm = FINGERS.reduce(
    (sum, _, at) => (from[at] && to[at] ? sum + places.travel(from[at], to[at]) : sum),
    0,
  );
  return {
    kept: fingers((before, after) => before !== 0 && before === after),
    moved: fingers((before, after) => before !== 0 && after !== 0 && before !== after),
    slid: fingers(
      (before, after) => before !== 0 && after !== 0 && before !== after && string(before) === string(after),
    ),
    placed: fingers((before, after) => before === 0 && after !== 0),
    lifted: fingers((before, after) => before !== 0 && after === 0),
    travelMm: Math.round(travelMm * 10) / 10,
  };
}

/**
 * A change in words.
 * @example "ring finger stays; index finger to the D string, 2nd fret; little finger lifts"
 */
export function describeMove(
  places: Places,
  from: readonly PlaceId[],
  to: readonly PlaceId[],
  tuning: Tuning,
): string {
  const moves = movesBetween(places, from, to);
  const names = stringNames(tuning);
  const spot = (finger: Finger): string => {
    const { string, fret } = places.spot(to[FINGERS.indexOf(finger)]!);
    return `the ${names[string]} string, ${ordinal(fret)} fret`;
  };
  const parts: string[] = [];
  if (moves.kept.length > 0)
    parts.push(`${describeFingers(moves.kept)} ${moves.kept.length > 1 ? "stay" : "stays"}`);
  for (const finger of moves.slid) {
    const at = FINGERS.indexOf(finger);
    const [before, after] = [places.spot(from[at]!), places.spot(to[at]!)];
    const frets = after.fret - before.fret;
    parts.push(
      `${FINGER_WORDS[finger]} slides ${frets > 0 ? "up" : "down"} ${Math.abs(frets)} ${Math.abs(frets) === 1 ? "fret" : "frets"} on ${names[after.string]}`,
    );
  }
  for (const finger of moves.moved.filter((one) => !moves.slid.includes(one)))
    parts.push(`${FINGER_WORDS[finger]} moves to ${spot(finger)}`);
  for (const finger of moves.placed) parts.push(`${FINGER_WORDS[finger]} down on ${spot(finger)}`);
  if (moves.lifted.length > 0)
    parts.push(`${describeFingers(moves.lifted)} ${moves.lifted.length > 1 ? "lift" : "lifts"}`);
  return parts.length === 0 ? "nothing to press in either" : parts.join("; ");
}
