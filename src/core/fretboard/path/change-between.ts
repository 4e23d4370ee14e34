import type { Fingering } from "../fingerings";
import { type Finger, type HeldShape, highestFret } from "../hand";
import { GUITAR_SCALE_MM } from "../neck";
import { changeCost, FINGERS, type PlaceId, Places } from "./change";

type Neck = { readonly strings: number; readonly capo?: number; readonly scaleMm?: number };

/** A shape with the fingers that hold it. */

/**
 * What the fingers pay from one shape to another, as a way of shapes counts it, without how often it counts.
 * @example changesOn({ strings: 6 })(C, Am) // the ring finger moves; index and middle stay
 */
export function changesOn({
  strings,
  capo = 0,
  scaleMm = GUITAR_SCALE_MM,
}: Neck): (from: HeldShape, to: HeldShape) => number {
  let places: Places | null = null;
  let reach = 0;
  const stand = (on: Places, { frets, fingers }: HeldShape): PlaceId[] =>
    FINGERS.map((finger: Finger) => {
      const string = fingers.indexOf(finger);
      return string < 0 ? 0 : on.id(string, frets[string]!);
    });
  return (from, to) => {
    const most = highestFret(to.frets, highestFret(from.frets));
    if (!places || most > reach) {
      reach = Math.max(most, reach);
      places = new Places(strings, reach, capo, scaleMm);
    }
    return changeCost(places, stand(places, from), stand(places, to));
  };
}

/** How a list of shapes for one chord is ordered. */
export const SHAPE_ORDERS = [
  "usual first",
  "easiest from the shape before",
  "easiest into the next",
] as const;
export type ShapeOrder = (typeof SHAPE_ORDERS)[number];

/**
 * A chord's shapes with those first that the hand reaches most easily from a neighbour, or leaves most easily for it:
 * by price and the change together. Without that neighbour the order stays.
 */
export function orderShapes(
  list: readonly Fingering[],
  order: ShapeOrder,
  { before, after }: { readonly before: HeldShape | null; readonly after: HeldShape | null },
  neck: Neck,
): readonly Fingering[] {
  const other =
    order === "easiest from the shape before" ? before : order === "easiest into the next" ? after : null;
  if (!other) return list;
  const change = changesOn(neck);
  const costs = new Map(
    list.map((one) => [one, one.price + (other === before ? change(other, one) : change(one, other))]),
  );
  return [...list].sort((a, b) => costs.get(a)! - costs.get(b)!);
}
