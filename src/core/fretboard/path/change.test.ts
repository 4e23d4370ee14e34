import { describe, expect, it } from "vitest";
import { unwrap } from "../../../base";
import { GUITAR_TUNING, parseTuning, stringNames } from "../../pitch";
import type { Hand } from "../hand";
import { betweenFretsMm } from "../neck";
import { CHANGE_COSTS, changeCost, FINGERS, leastChange, Places } from "./change";
import { describeMove, movesBetween, partsOfMove } from "./describe-hand-move";

const tuning = unwrap(parseTuning(GUITAR_TUNING));
const places = new Places(6, 12, 0, 648);
const hold = (finger: 1 | 2 | 3 | 4, string: number, fret: number, to = string): Hand[number] => ({
  finger,
  fret,
  from: string,
  to,
});
const C: Hand = [hold(1, 4, 1), hold(2, 2, 2), hold(3, 1, 3)];
const Am: Hand = [hold(1, 4, 1), hold(2, 2, 2), hold(3, 3, 2)];
const F: Hand = [hold(1, 0, 1, 5), hold(2, 3, 2), hold(3, 1, 3), hold(4, 2, 3)];
const cost = (from: Hand, to: Hand) => changeCost(places, places.of(from), places.of(to));

describe("places", () => {
  it("go there and back", () => {
    for (let string = 0; string < 6; string++)
      for (let fret = 0; fret <= 12; fret++)
        expect(places.spot(places.id(string, fret))).toEqual({ string, fret });
  });

  it("stand a barre on its string nearest the face", () => {
    expect(places.spot(places.of(F)[1]!)).toEqual({ string: 0, fret: 1 });
  });
});

describe("a change", () => {
  it("costs by hand what the price list says", () => {
    // C to Am: two fingers stay, the third goes from A 3 to G 2: two strings, one fret.
    const mm = betweenFretsMm(2, 3, 0, 648);
    expect(cost(C, Am)).toBeCloseTo(1.5 + 0.02 * (mm + 16), 9);
    expect(cost([], Am)).toBe(3);
    expect(cost(Am, [])).toBe(1.5);
    expect(cost(C, C)).toBe(0);
    // A finger sliding from fret 2 to 4 on one string.
    expect(cost([hold(2, 1, 2)], [hold(2, 1, 4)])).toBeCloseTo(0.5 + 0.02 * betweenFretsMm(2, 4, 0, 648), 9);
  });

  it("costs less behind a capo, where frets lie closer", () => {
    const high = new Places(6, 12, 7, 648);
    const slide = (on: Places) => changeCost(on, on.of([hold(2, 1, 2)]), on.of([hold(2, 1, 4)]));
    expect(slide(high)).toBeLessThan(slide(places));
  });

  it("costs no less than the fingers that come and go", () => {
    const masks = (hand: Hand) =>
      places.of(hand).reduce((mask, place, at) => (place ? mask | (1 << at) : mask), 0);
    for (const from of [C, Am, F, []])
      for (const to of [C, Am, F, []])
        expect(cost(from, to)).toBeGreaterThanOrEqual(leastChange(masks(from), masks(to)));
  });

  it("has prices in order: kept, lifted, put down, moved", () => {
    expect(CHANGE_COSTS.lifted).toBeLessThan(CHANGE_COSTS.placed);
    expect(CHANGE_COSTS.placed).toBeLessThan(CHANGE_COSTS.moved);
    expect(FINGERS).toHaveLength(5);
  });
});

describe("a change in words", () => {
  const say = (from: Hand, to: Hand) =>
    describeMove(partsOfMove(places, places.of(from), places.of(to)), stringNames(tuning));

  it("tells who stays, slides, moves, comes and goes", () => {
    expect(say(C, Am)).toBe("index and middle finger stay; ring finger moves to the G string, 2nd fret");
    expect(say([hold(2, 1, 2), hold(3, 2, 2)], [hold(2, 1, 5)])).toBe(
      "middle finger slides up 3 frets on A; ring finger lifts",
    );
    expect(say([], [hold(4, 5, 3)])).toBe("little finger down on the high E string, 3rd fret");
    expect(say([], [])).toBe("nothing to press in either");
  });

  it("adds up the way of the fingers", () => {
    const moves = movesBetween(places, places.of(C), places.of(Am));
    expect(moves).toMatchObject({ kept: [1, 2], moved: [3], slid: [], placed: [], lifted: [] });
    expect(moves.travelMm).toBeCloseTo(betweenFretsMm(2, 3, 0, 648) + 16, 1);
  });
});
