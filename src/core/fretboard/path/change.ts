import { countBits, type Millimetres } from "../../../base";
import type { Finger, Hand } from "../hand";
import { betweenFretsMm } from "../neck";

/** The fingers a hand may put down, in the order places are kept. */
export const FINGERS: readonly Finger[] = Object.freeze(["T", 1, 2, 3, 4] as const);

/** What a finger pays between two shapes. Ours, no source; `mm` and `string` are the prices of a millimetre and a string. */
export const CHANGE_COSTS = Object.freeze({
  placed: 1,
  lifted: 0.5,
  slid: 0.5,
  moved: 1.5,
  perMm: 0.02,
  stringMm: 8,
});

/** A chord that lasts less than this makes the change after it count twice. Ours, no source. */
export const QUICK_MS = 700;
export const QUICK_FACTOR = 2;

/** A finger's place as a number; 0 is a finger in the air. */
export type PlaceId = number;

/**
 * Places on one neck as numbers, and what a finger pays from each to each. A barre finger stands on its
 * string nearest the player's face.
 */
export class Places {
  readonly width: number;
  readonly costs: Float64Array;

  constructor(
    strings: number,
    private readonly maxFret: number,
    private readonly capo: number,
    private readonly scaleMm: Millimetres,
  ) {
    this.width = strings * (maxFret + 1) + 1;
    this.costs = new Float64Array(this.width * this.width);
    for (let from = 0; from < this.width; from++)
      for (let to = 0; to < this.width; to++) this.costs[from * this.width + to] = this.costBetween(from, to);
  }

  id(string: number, fret: number): PlaceId {
    return 1 + string * (this.maxFret + 1) + fret;
  }

  /** The place, or null off this neck. */
  idWithin(string: number, fret: number): PlaceId | null {
    const place = this.id(string, fret);
    return fret <= this.maxFret && place < this.width ? place : null;
  }

  spot(place: PlaceId): { readonly string: number; readonly fret: number } {
    return { string: Math.floor((place - 1) / (this.maxFret + 1)), fret: (place - 1) % (this.maxFret + 1) };
  }

  /** Where each of {@link FINGERS} stands. */
  of(hand: Hand): PlaceId[] {
    const places = [0, 0, 0, 0, 0];
    for (const { finger, from, fret } of hand) places[finger === "T" ? 0 : finger] = this.id(from, fret);
    return places;
  }

  mm(from: PlaceId, to: PlaceId): Millimetres {
    return betweenFretsMm(this.spot(from).fret, this.spot(to).fret, this.capo, this.scaleMm);
  }

  /** Millimetres a finger goes: along the neck, and for each string crossed. */
  travel(from: PlaceId, to: PlaceId): Millimetres {
    const strings = Math.abs(this.spot(from).string - this.spot(to).string);
    return this.mm(from, to) + strings * CHANGE_COSTS.stringMm;
  }

  private costBetween(from: PlaceId, to: PlaceId): number {
    if (from === to) return 0;
    if (from === 0) return CHANGE_COSTS.placed;
    if (to === 0) return CHANGE_COSTS.lifted;
    const base = this.spot(from).string === this.spot(to).string ? CHANGE_COSTS.slid : CHANGE_COSTS.moved;
    return base + CHANGE_COSTS.perMm * this.travel(from, to);
  }
}

/** What all fingers pay between two hands, each an array of places. */
export function changeCost(places: Places, from: readonly PlaceId[], to: readonly PlaceId[]): number {
  let cost = 0;
  for (let finger = 0; finger < FINGERS.length; finger++)
    cost += places.costs[from[finger]! * places.width + to[finger]!]!;
  return cost;
}

/** The least a change of these sets of fingers can cost: fingers put down and taken up, the others staying. */
export function leastChange(fromMask: number, toMask: number): number {
  return (
    countBits(toMask & ~fromMask) * CHANGE_COSTS.placed + countBits(fromMask & ~toMask) * CHANGE_COSTS.lifted
  );
}
