import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { byOrder, orderBetween, ordersFor } from "./order";

describe("fractional order", () => {
  it("always finds room between two places (law)", () => {
    fc.assert(
      fc.property(fc.array(fc.nat(1000), { maxLength: 120 }), (picks) => {
        const list: string[] = [];
        for (const pick of picks) {
          const at = pick % (list.length + 1);
          const key = orderBetween(list[at - 1] ?? null, list[at] ?? null);
          if (at > 0) expect(key > list[at - 1]!).toBe(true);
          if (at < list.length) expect(key < list[at]!).toBe(true);
          expect(key).toMatch(/^[0-9A-Za-z]+$/);
          expect(key.endsWith("0")).toBe(false);
          list.splice(at, 0, key);
        }
        expect([...list].sort()).toEqual(list);
      }),
    );
  });

  it("spreads a fresh list evenly, in order, with room at both ends (law)", () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 4000 }), (count) => {
        const keys = ordersFor(count);
        expect(new Set(keys).size).toBe(count);
        expect([...keys].sort()).toEqual(keys);
        if (count > 0) {
          orderBetween(null, keys[0]!);
          orderBetween(keys.at(-1)!, null);
        }
      }),
      { numRuns: 40 },
    );
  });

  it("refuses two places the wrong way round", () =>
    expect(() => orderBetween("b", "a")).toThrow("Expected"));

  it("tells equal places apart by id", () => {
    const rows = [
      { id: "b", order: "V" },
      { id: "a", order: "V" },
    ];
    expect(rows.sort(byOrder).map((row) => row.id)).toEqual(["a", "b"]);
  });
});
