import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { bestOrder, keepsPins, MOST_EXACT, type OrderCase, secondsOf } from "./best-order";

const FREE = { opens: null, last: null, before: [] };

/** Every order of so many songs. */
function orders(count: number): number[][] {
  const grow = (left: number[], order: number[]): number[][] =>
    left.length === 0 ? [order] : left.flatMap((song, at) => grow(left.toSpliced(at, 1), [...order, song]));
  return grow(
    Array.from({ length: count }, (_, song) => song),
    [],
  );
}

/** Made-up seconds between songs, and pins that may exclude each other. */
const cases = fc.integer({ min: 1, max: 6 }).chain((count) => {
  const song = fc.integer({ min: 0, max: count - 1 });
  return fc.record<OrderCase>({
    seconds: fc.array(fc.array(fc.integer({ min: 0, max: 30 }), { minLength: count, maxLength: count }), {
      minLength: count,
      maxLength: count,
    }),
    covered: fc.array(fc.integer({ min: 0, max: 20 }), { maxLength: count }),
    pins: fc.record({
      opens: fc.option(song),
      last: fc.option(song),
      before: fc.array(fc.tuple(song, song), { maxLength: 2 }),
    }),
  });
});

describe("the best running order", () => {
  it("is the one with least change-over of all that keep the pins", () => {
    fc.assert(
      fc.property(cases, (asked) => {
        const kept = orders(asked.seconds.length).filter((order) => keepsPins(asked, order));
        const found = bestOrder(asked);
        if (kept.length === 0) {
          expect(found).toBeNull();
          return;
        }
        const least = Math.min(...kept.map((order) => secondsOf(asked, order)));
        expect(found!.seconds).toBe(least);
        expect(keepsPins(asked, found!.order)).toBe(true);
        // Of equal ones the nearest to the present order, song by song: orders are listed so.
        expect(found!.order).toEqual(kept.find((order) => secondsOf(asked, order) === least));
      }),
      { numRuns: 300 },
    );
  });

  it("lets a talk cover a change-over", () => {
    const seconds = [
      [0, 40],
      [10, 0],
    ];
    expect(bestOrder({ seconds, covered: [], pins: FREE })).toEqual({
      order: [1, 0],
      seconds: 10,
      exact: true,
    });
    expect(bestOrder({ seconds, covered: [60], pins: FREE })!.order).toEqual([0, 1]);
  });

  it("goes on beyond twelve songs with the best found, never worse than the present order", () => {
    const count = MOST_EXACT + 3;
    const seconds = Array.from({ length: count }, (_, from) =>
      Array.from({ length: count }, (__, to) => ((from * 7 + to * 11) % 13) * 3),
    );
    const asked = { seconds, covered: [], pins: { ...FREE, opens: 4, last: 2, before: [[9, 1]] as const } };
    const found = bestOrder(asked)!;
    expect(found.exact).toBe(false);
    expect(keepsPins(asked, found.order)).toBe(true);
    expect(found.seconds).toBeLessThanOrEqual(
      secondsOf(
        asked,
        Array.from({ length: count }, (_, song) => song),
      ),
    );
    expect(
      bestOrder({
        ...asked,
        pins: {
          ...FREE,
          before: [
            [0, 1],
            [1, 0],
          ],
        },
      }),
    ).toBeNull();
  });

  it("needs no songs", () => {
    expect(bestOrder({ seconds: [], covered: [], pins: FREE })).toEqual({
      order: [],
      seconds: 0,
      exact: true,
    });
  });
});
