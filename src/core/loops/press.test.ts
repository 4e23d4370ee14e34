import { describe, expect, it } from "vitest";
import { madeUpPrices, numbersFrom } from "../../../testing/loops/sample-case";
import { slowCosts } from "../../../testing/loops/slow-loops";
import type { Looper } from "./loop-case";
import { afterPress, bitsOf, costOfPress, costOfPresses, describePress, maskOf, type Pedal } from "./press";
import { changeCosts, pressesBetween } from "./presses-between";

const box = (more: Partial<Looper> = {}): Looper => ({
  tracks: 4,
  allStart: true,
  allStop: true,
  quantised: false,
  ...more,
});

/** Dijkstra over single presses: what a foot can do, one press after the other. */
function slowCost(from: number, to: number, tracks: number, looper: Looper): number {
  const recorded = (1 << tracks) - 1;
  const pedals: Pedal[] = [
    ...bitsOf(recorded).map((track): Pedal => ({ press: "track", track })),
    ...(looper.allStart ? [{ press: "start-all" } as const] : []),
    ...(looper.allStop ? [{ press: "stop-all" } as const] : []),
  ];
  const best = new Map<string, number>([[`${from} 0`, 0]]);
  for (let grew = true; grew; ) {
    grew = false;
    for (const [place, cost] of [...best]) {
      const [state, pressed] = place.split(" ").map(Number) as [number, number];
      for (const pedal of pedals) {
        if (looper.toggleAll && pedal.press === "start-all" && state !== 0) continue;
        const after = afterPress(state, recorded, pedal);
        if (after === null) continue;
        const late = pressed > 0 && !looper.quantised;
        const next = cost + costOfPress({ effect: (after & ~state) !== 0 ? "start" : "stop", late });
        if (next < (best.get(`${after} 1`) ?? Number.POSITIVE_INFINITY)) {
          best.set(`${after} 1`, next);
          grew = true;
        }
      }
    }
  }
  return Math.min(
    best.get(`${to} 0`) ?? Number.POSITIVE_INFINITY,
    best.get(`${to} 1`) ?? Number.POSITIVE_INFINITY,
  );
}

describe("presses between two states", () => {
  it("lets all in and takes one out rather than starting three (common practice, no source)", () => {
    const presses = pressesBetween(0, maskOf([1, 2, 3]), 0b1111, box());
    expect(presses).toEqual([
      { press: "start-all", effect: "start", late: false },
      { press: "track", track: 0, effect: "stop", late: true },
    ]);
    expect(costOfPresses(presses)).toBe(5);
  });

  it("stops all for silence (common practice, no source)", () => {
    expect(pressesBetween(0b1011, 0, 0b1111, box())).toEqual([
      { press: "stop-all", effect: "stop", late: false },
    ]);
    expect(costOfPresses(pressesBetween(0b1011, 0, 0b1111, box({ allStop: false })))).toBe(9);
  });

  it("starts before it stops: a late start is dearest", () => {
    const presses = pressesBetween(0b01, 0b10, 0b11, box());
    expect(presses.map(({ effect, late }) => [effect, late])).toEqual([
      ["start", false],
      ["stop", true],
    ]);
    expect(costOfPresses(presses)).toBe(5);
  });

  it("has nothing late on a box that waits", () => {
    expect(costOfPresses(pressesBetween(0, 0b0011, 0b1111, box({ quantised: true })))).toBe(2);
  });

  it("does nothing for nothing", () => {
    expect(pressesBetween(0b101, 0b101, 0b111, box())).toEqual([]);
  });

  it("is never dearer than any order of single presses, and gets where it should", () => {
    for (const tracks of [1, 2, 3, 4])
      for (let bits = 0; bits < 16; bits++) {
        const looper = box({
          tracks,
          allStart: (bits & 1) > 0,
          allStop: (bits & 2) > 0,
          quantised: (bits & 4) > 0,
          toggleAll: (bits & 8) > 0,
        });
        const costs = changeCosts(tracks, looper);
        const states = 1 << tracks;
        for (let from = 0; from < states; from++)
          for (let to = 0; to < states; to++) {
            expect(costs[from * states + to]).toBe(slowCost(from, to, tracks, looper));
            const presses = pressesBetween(from, to, states - 1, looper);
            expect(presses.reduce((state, press) => afterPress(state, states - 1, press)!, from)).toBe(to);
          }
      }
  });

  it("takes the cheapest way whatever pedals cost", () => {
    const next = numbersFrom(7);
    for (let round = 0; round < 60; round++) {
      const tracks = 1 + next(4);
      const looper = box({
        tracks,
        allStart: next(2) > 0,
        allStop: next(2) > 0,
        quantised: next(4) === 0,
        toggleAll: next(3) === 0,
        prices: madeUpPrices(next, tracks),
      });
      const states = 1 << tracks;
      const costs = changeCosts(tracks, looper);
      const slow = slowCosts(states - 1, looper);
      for (let from = 0; from < states; from++)
        for (let to = 0; to < states; to++) {
          const presses = pressesBetween(from, to, states - 1, looper);
          expect(costs[from * states + to]).toBe(slow(from).get(to));
          expect(costOfPresses(presses)).toBe(slow(from).get(to));
          expect(presses.reduce((state, press) => afterPress(state, states - 1, press)!, from)).toBe(to);
        }
    }
  });

  it("tells a pair by what it does to each", () => {
    const pair = { press: "pair", tracks: [0, 1], effect: "start" } as const;
    expect(describePress({ ...pair, effects: ["stop", "start"] })).toBe(
      "track 1 out and track 2 in, one press",
    );
    expect(describePress({ ...pair, effects: ["start", "start"] })).toBe("tracks 1 and 2 in, one press");
  });

  it("lets all in with one pedal for both only from silence: out, in again and late, by hand", () => {
    const toggles = box({ toggleAll: true });
    expect(pressesBetween(0b0001, 0b1111, 0b1111, toggles)).toEqual([
      { press: "stop-all", effect: "stop", late: false },
      { press: "start-all", effect: "start", late: true },
    ]);
    expect(costOfPresses(pressesBetween(0b0001, 0b1111, 0b1111, toggles))).toBe(10);
    expect(pressesBetween(0b0111, 0b1111, 0b1111, toggles)).toHaveLength(1);
    expect(pressesBetween(0, 0b1111, 0b1111, toggles)).toEqual([
      { press: "start-all", effect: "start", late: false },
    ]);
  });

  it("gives no press to a track that holds nothing, or that changes nothing", () => {
    expect(afterPress(0, 0b011, { press: "track", track: 2 })).toBeNull();
    expect(afterPress(0b011, 0b011, { press: "start-all" })).toBeNull();
    expect(afterPress(0, 0b011, { press: "stop-all" })).toBeNull();
  });
});
