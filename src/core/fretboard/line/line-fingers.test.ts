import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { sampleNote as note } from "../../../../testing/fretboard/sample-note";
import { betweenFretsMm, GUITAR_SCALE_MM } from "../neck";
import { FINGER_WEIGHTS, lineFingers } from "./line-fingers";
import type { TabNote } from "./note";

const neck = { capo: 0 };
const line = (...frets: number[]) => frets.map((fret, at) => note(at * 480, 3, fret));
const fingers = (notes: readonly TabNote[]) => lineFingers(notes, neck).join(" ");

/** What a way of index places costs, read off the sentence; shares nothing with the search. */
function costOf(frets: readonly number[], way: readonly number[]): number {
  return way.reduce((sum, index, at) => {
    const apart = frets[at]! - index;
    const moved =
      at === 0 || way[at - 1] === index
        ? 0
        : FINGER_WEIGHTS.move + FINGER_WEIGHTS.mm * betweenFretsMm(way[at - 1]!, index, 0, GUITAR_SCALE_MM);
    return (
      sum +
      moved +
      (apart >= 3 ? FINGER_WEIGHTS.little : 0) +
      FINGER_WEIGHTS.after * Math.max(0, Math.min(3, apart)) +
      (apart === -1 || apart === 4 ? FINGER_WEIGHTS.stretch : 0)
    );
  }, 0);
}

/** Every way of index places, tried one after the other. */
function slowLeast(frets: readonly number[]): number {
  let best = Number.POSITIVE_INFINITY;
  const walk = (way: readonly number[]) => {
    if (way.length === frets.length) {
      best = Math.min(best, costOf(frets, way));
      return;
    }
    const fret = frets[way.length]!;
    for (let index = 1; index <= fret + 1; index++) if (fret - index <= 4) walk([...way, index]);
  };
  walk([]);
  return best;
}

describe("fingers of a line", () => {
  it("are one a fret in one place, by hand", () => {
    expect(fingers(line(5, 7, 8))).toBe("1 3 4");
    expect(fingers(line(2, 3, 2))).toBe("1 2 1");
    // Frets 3, 5, 7: the hand moves rather than spans five frets.
    expect(new Set(fingers(line(3, 5, 10)).split(" ")).size).toBeGreaterThan(1);
  });

  it("are none for open and dead notes, and stay where they are over them", () => {
    const notes = [note(0, 3, 5), note(480, 3, 0), note(960, 3, 0, { art: "dead" }), note(1440, 3, 7)];
    expect(lineFingers(notes, neck)).toEqual([1, null, null, 3]);
  });

  it("go along in a slide: the finger stays, and no move is paid", () => {
    const notes = [note(0, 3, 7), note(480, 3, 9, { art: "slide" }), note(960, 3, 7)];
    const [first, slid] = lineFingers(notes, neck);
    expect(slid).toBe(first);
  });

  it("hold to a finger that is said, and give up only what can't be held", () => {
    const pinned = [note(0, 3, 5, { finger: 2 }), note(480, 3, 7)];
    expect(lineFingers(pinned, neck)).toEqual([2, 4]);
    const torn = [note(0, 3, 1, { finger: 4 }), note(480, 3, 7)];
    expect(lineFingers(torn, neck)).toEqual([null, 1]);
    const wide = [note(0, 2, 1), note(0, 3, 9), note(480, 3, 7)];
    expect(lineFingers(wide, neck)).toEqual([null, null, 1]);
  });

  it("cost the hand the least there is: equal to trying everything", () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 12 }), { minLength: 1, maxLength: 4 }), (frets) => {
        const found = lineFingers(line(...frets), neck);
        const ways = found.map((finger, at) =>
          [frets[at]! - finger! + 1, frets[at]! - finger! + 2, frets[at]! - finger!].filter(
            (index) => index >= 1 && Math.max(1, Math.min(4, frets[at]! - index + 1)) === finger,
          ),
        );
        const least = ways
          .reduce<number[][]>((all, own) => all.flatMap((way) => own.map((index) => [...way, index])), [[]])
          .map((way) => costOf(frets, way));
        expect(Math.min(...least)).toBeCloseTo(slowLeast(frets), 9);
      }),
      { numRuns: 150 },
    );
  });
});
