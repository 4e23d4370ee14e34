import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { cheapestWay } from "./cheapest-way";

describe("the cheapest way through layers", () => {
  const own = (one: number) => one % 3;
  const step = (from: number, to: number) => Math.abs(to - from);

  it("costs what the cheapest of all ways costs, and is as dear as it says", () => {
    fc.assert(
      fc.property(
        fc.array(fc.array(fc.nat(20), { minLength: 1, maxLength: 4 }), { minLength: 1, maxLength: 5 }),
        (layers) => {
          const costOf = (way: readonly number[]) =>
            way.reduce((sum, one, at) => sum + own(one) + (at > 0 ? step(way[at - 1]!, one) : 0), 0);
          const every = layers.reduce<number[][]>(
            (ways, layer) => ways.flatMap((way) => layer.map((one) => [...way, one])),
            [[]],
          );
          const { way, cost } = cheapestWay(layers, own, step);
          expect(cost).toBe(Math.min(...every.map(costOf)));
          expect(costOf(way)).toBe(cost);
        },
      ),
    );
  });

  it("takes the first of equal ones, and is nothing through nothing", () => {
    expect(
      cheapestWay(
        [
          ["a", "b"],
          ["c", "d"],
        ],
        () => 1,
        () => 0,
      ),
    ).toEqual({ way: ["a", "c"], cost: 2 });
    expect(
      cheapestWay(
        [],
        () => 1,
        () => 0,
      ),
    ).toEqual({ way: [], cost: 0 });
  });
});
