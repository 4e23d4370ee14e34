import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { sampleNote as note } from "../../../../testing/fretboard/sample-note";
import { betweenFretsMm, GUITAR_SCALE_MM, HIGHEST_CAPO, LAST_FRET } from "../neck";
import { type LineWay, type Movable, moveLine } from "./move-line";
import { type LineNeck, stoppedPitch, type TabNote } from "./note";

const STANDARD = [40, 45, 50, 55, 59, 64];
const neck: LineNeck = { tuning: STANDARD, capo: 0 };
const move = (notes: readonly TabNote[], by: number, more: Partial<Parameters<typeof moveLine>[1]> = {}) =>
  moveLine(notes, { from: neck, to: neck, by, ...more });
const told = (way: LineWay<Movable> | undefined) =>
  way && `${way.how}: ${way.notes.map(({ string, fret }) => `${string}:${fret}`).join(" ")}`;

/** Every fingering there is, tried one after the other: the least lost, torn and travelled. */
function slowBest(notes: readonly TabNote[], by: number, maxFret: number, capo = 0) {
  const order = notes.map((_, at) => at).sort((a, b) => notes[a]!.tick - notes[b]!.tick || a - b);
  const spots = order.map((at) => {
    const pitch = STANDARD[notes[at]!.string]! + notes[at]!.fret + by;
    return [
      null,
      ...STANDARD.flatMap((open, string) =>
        pitch - open >= 0 && pitch - open <= maxFret ? [{ string, fret: pitch - open }] : [],
      ),
    ];
  });
  let best = { lost: Number.POSITIVE_INFINITY, travel: Number.POSITIVE_INFINITY };
  const walk = (
    place: number,
    taken: readonly { tick: number; string: number }[],
    lost: number,
    travel: number,
    last: number | null,
  ) => {
    if (place === order.length) {
      if (lost < best.lost || (lost === best.lost && travel < best.travel - 1e-9)) best = { lost, travel };
      return;
    }
    const { tick } = notes[order[place]!]!;
    for (const spot of spots[place]!) {
      if (spot === null) {
        walk(place + 1, taken, lost + 1, travel, last);
        continue;
      }
      if (taken.some((one) => one.tick === tick && one.string === spot.string)) continue;
      const more =
        spot.fret > 0 && last !== null ? betweenFretsMm(last, spot.fret, capo, GUITAR_SCALE_MM) : 0;
      walk(
        place + 1,
        [...taken, { tick, string: spot.string }],
        lost,
        travel + more,
        spot.fret > 0 ? spot.fret : last,
      );
    }
  };
  walk(0, [], 0, 0, null);
  return best;
}

const anyNote = fc
  .record({
    place: fc.integer({ min: 0, max: 6 }),
    string: fc.integer({ min: 0, max: 5 }),
    fret: fc.integer({ min: 0, max: 12 }),
  })
  .map(({ place, string, fret }) => note(place * 480, string, fret));
const anyLine = (most: number) =>
  fc.uniqueArray(anyNote, {
    minLength: 1,
    maxLength: most,
    selector: ({ tick, string }) => `${tick} ${string}`,
  });

describe("a line so many semitones away", () => {
  it("stays on its strings where nothing is open, a whole tone up and down", () => {
    const line = [note(0, 3, 7), note(480, 3, 9), note(960, 4, 7)];
    expect(move(line, 2).map(told)).toEqual(["same strings: 3:9 3:11 4:9", "capo: 3:7 3:9 4:7"]);
    expect(move(line, -2).map(told)).toEqual(["same strings: 3:5 3:7 4:5"]);
    expect(move(line, 2)[0]!.travelMm).toBeCloseTo(2 * betweenFretsMm(9, 11, 0, GUITAR_SCALE_MM), 9);
  });

  it("is fingered anew where a string rang open, or behind a capo", () => {
    // E F♯ G on the high E: F♯ G♯ A a tone up lies under one hand on the B string, without a fret's travel more.
    const line = [note(0, 5, 0), note(480, 5, 2), note(960, 5, 3)];
    const [anew, capo] = move(line, 2);
    expect(anew!.how).toBe("re-fingered");
    expect(anew!.notes.map(({ string, fret }) => STANDARD[string]! + fret!)).toEqual([66, 68, 69]);
    expect([capo!.how, capo!.capo]).toEqual(["capo", 2]);
    expect(capo!.notes).toEqual(line);
  });

  it("says which notes have no place: the lowest string can't go down", () => {
    const [anew] = move([note(0, 0, 0), note(480, 1, 2)], -2);
    expect(anew).toMatchObject({ how: "re-fingered", lost: [0] });
    expect(anew!.notes[0]!.fret).toBeNull();
    expect(anew!.notes[1]).toMatchObject({ string: 1, fret: 0 });
  });

  it("goes to another neck: a semitone lower tuned, and behind another capo", () => {
    const low = { tuning: STANDARD.map((pitch) => pitch - 1), capo: 0 };
    const line = [note(0, 3, 2), note(480, 4, 3)];
    expect(moveLine(line, { from: neck, to: low, by: 0 }).map(told)).toEqual([
      "same strings: 3:3 4:4",
      "capo: 3:2 4:3",
    ]);
    const behind = { tuning: STANDARD, capo: 2 };
    expect(told(moveLine(line, { from: neck, to: behind, by: 2 })[0])).toBe("same strings: 3:2 4:3");
    // Written open, played behind two: the open string is the hand's again.
    expect(told(moveLine([note(0, 3, 0)], { from: neck, to: behind, by: 2 })[0])).toBe("same strings: 3:0");
  });

  it("keeps dead notes where they are, bends off open strings, and hammered notes on one string", () => {
    const dead = [note(0, 2, 0), note(480, 3, 0, { art: "dead" })];
    expect(move(dead, 2)[0]!.notes[1]).toEqual(dead[1]);
    const bent = [note(0, 4, 7, { bend: 2 })];
    const [way] = move(bent, -7);
    expect(way!.notes[0]!.fret).toBeGreaterThan(0);
    const hammered = [note(0, 4, 0), note(480, 4, 3, { art: "hammer" }), note(960, 4, 0)];
    const [anew] = move(hammered, 5);
    expect(anew!.notes[1]!.string).toBe(anew!.notes[0]!.string);
  });

  it("goes as far up as it is told, counted from the capo; else as far as the neck goes", () => {
    const behind = { tuning: STANDARD, capo: 7 };
    // The high E behind 7 is B4; 18 frets more would be fret 25 of the neck.
    const line = [note(0, 5, 6)];
    expect(moveLine(line, { from: behind, to: behind, by: 12, maxFret: 19 })[0]).toMatchObject({ lost: [] });
    expect(moveLine(line, { from: behind, to: behind, by: 12 })[0]).toMatchObject({ lost: [0] });
  });

  it("is itself where it goes nowhere", () => {
    const line = [note(0, 5, 0), note(480, 5, 2)];
    expect(move(line, 0)).toMatchObject([{ how: "same strings", notes: line, lost: [] }]);
    expect(move([], 3).map(({ how, notes }) => [how, notes])).toEqual([["same strings", []]]);
  });

  it("of every way has the pitches asked for, marks kept, and strings of their own for what is struck together", () => {
    fc.assert(
      fc.property(
        anyLine(12),
        fc.integer({ min: -12, max: 12 }),
        fc.integer({ min: 0, max: 7 }),
        (line, by, capo) => {
          const own = { tuning: STANDARD, capo };
          for (const way of moveLine(line, { from: own, to: own, by })) {
            const played = { tuning: STANDARD, capo: way.capo ?? capo };
            for (const [at, one] of way.notes.entries()) {
              const { string: _string, fret: _fret, ...marks } = line[at]!;
              expect(one).toMatchObject(marks);
              if (one.fret === null) {
                expect(way.lost).toContain(at);
                continue;
              }
              expect(one.fret + played.capo).toBeLessThanOrEqual(LAST_FRET);
              expect(stoppedPitch({ ...one, fret: one.fret }, played)).toBe(
                stoppedPitch(line[at]!, own)! + by,
              );
            }
            const places = way.notes.flatMap(({ tick, string, fret }) =>
              fret === null ? [] : [`${tick} ${string}`],
            );
            expect(new Set(places).size).toBe(places.length);
            if (way.capo !== undefined) expect(way.capo).toBeLessThanOrEqual(HIGHEST_CAPO);
          }
        },
      ),
      { numRuns: 200 },
    );
  });

  it("fingered anew travels least, with the fewest notes lost: equal to trying everything", () => {
    fc.assert(
      fc.property(anyLine(5), fc.integer({ min: -9, max: 12 }), (line, by) => {
        const anew = move(line, by, { maxFret: 15 }).find(({ how }) => how === "re-fingered");
        if (!anew) return;
        const best = slowBest(line, by, 15);
        expect(anew.lost.length).toBe(best.lost);
        expect(anew.travelMm).toBeCloseTo(best.travel, 6);
      }),
      { numRuns: 150 },
    );
  });

  it("upwards loses nothing where a way without loss lies within the frets", () => {
    fc.assert(
      fc.property(anyLine(4), fc.integer({ min: 1, max: 7 }), (line, by) => {
        const best = slowBest(line, by, 19);
        if (best.lost > 0) return;
        expect(move(line, by)[0]!.lost).toEqual([]);
      }),
      { numRuns: 150 },
    );
  });
});
