import { assertNever } from "../../../base";
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

/** What one or several fingers do in a change. */
export type MovePart =
  | { readonly does: "stay" | "lift"; readonly fingers: readonly Finger[] }
  | { readonly does: "slide"; readonly finger: Finger; readonly frets: number; readonly string: number }
  | {
      readonly does: "move" | "down";
      readonly finger: Finger;
      readonly fret: number;
      readonly string: number;
    };

/** A change finger by finger, in the order it is told. */
export function partsOfMove(
  places: Places,
  from: readonly PlaceId[],
  to: readonly PlaceId[],
): readonly MovePart[] {
  const moves = movesBetween(places, from, to);
  const spot = (finger: Finger) => places.spot(to[FINGERS.indexOf(finger)]!);
  return [
    ...(moves.kept.length > 0 ? [{ does: "stay" as const, fingers: moves.kept }] : []),
    ...moves.slid.map((finger) => {
      const before = places.spot(from[FINGERS.indexOf(finger)]!);
      const { string, fret } = spot(finger);
      return { does: "slide" as const, finger, frets: fret - before.fret, string };
    }),
    ...moves.moved
      .filter((one) => !moves.slid.includes(one))
      .map((finger) => ({ does: "move" as const, finger, ...spot(finger) })),
    ...moves.placed.map((finger) => ({ does: "down" as const, finger, ...spot(finger) })),
    ...(moves.lifted.length > 0 ? [{ does: "lift" as const, fingers: moves.lifted }] : []),
  ];
}

/**
 * A change in words.
 * @param strings what the strings are called
 * @example "ring finger stays; index finger to the D string, 2nd fret; little finger lifts"
 */
export function describeMove(parts: readonly MovePart[], strings: readonly string[]): string {
  if (parts.length === 0) return "nothing to press in either";
  return parts.map((part) => describeMovePart(part, strings)).join("; ");
}

function describeMovePart(part: MovePart, strings: readonly string[]): string {
  switch (part.does) {
    case "stay":
    case "lift":
      return `${describeFingers(part.fingers)} ${part.does}${part.fingers.length > 1 ? "" : "s"}`;
    case "slide": {
      const size = Math.abs(part.frets);
      return `${FINGER_WORDS[part.finger]} slides ${part.frets > 0 ? "up" : "down"} ${size} ${size === 1 ? "fret" : "frets"} on ${strings[part.string]}`;
    }
    case "move":
    case "down": {
      const where = `the ${strings[part.string]} string, ${ordinal(part.fret)} fret`;
      return `${FINGER_WORDS[part.finger]} ${part.does === "move" ? "moves to" : "down on"} ${where}`;
    }
    default:
      return assertNever(part);
  }
}
