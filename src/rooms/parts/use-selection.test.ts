import { describe, expect, it } from "vitest";
import { blockOf } from "./use-selection";

describe("a block of the sheet", () => {
  it("is the same from whichever corner it was begun", () => {
    const block = { row: 1, column: 2, rows: 3, columns: 2 };
    expect(blockOf({ anchor: { row: 1, column: 2 }, focus: { row: 3, column: 3 } })).toEqual(block);
    expect(blockOf({ anchor: { row: 3, column: 3 }, focus: { row: 1, column: 2 } })).toEqual(block);
    expect(blockOf({ anchor: { row: 3, column: 2 }, focus: { row: 1, column: 3 } })).toEqual(block);
  });

  it("of one place is one by one", () => {
    const place = { row: 4, column: 0 };
    expect(blockOf({ anchor: place, focus: place })).toEqual({ row: 4, column: 0, rows: 1, columns: 1 });
  });
});
