import { describe, expect, it } from "vitest";
import { unwrap } from "../../base";
import { describeFretsProblem, readFrets } from "./read-frets";

describe("readFrets", () => {
  it.each([
    ["x02200", [null, 0, 2, 2, 0, 0]],
    ["X O 2 2 3 0", [null, 0, 2, 2, 3, 0]],
    ["x-0-2-2-0-0", [null, 0, 2, 2, 0, 0]],
    ["5 x 5 5 x x", [5, null, 5, 5, null, null]],
    ["x x 0 11 10 10", [null, null, 0, 11, 10, 10]],
    ["10.12.12.11.10.10", [10, 12, 12, 11, 10, 10]],
    ["×32010", [null, 3, 2, 0, 1, 0]],
  ])("reads %s", (text, frets) => expect(unwrap(readFrets(text, 6))).toEqual(frets));

  it.each([
    ["", "empty"],
    ["x0220", "wrong-count"],
    ["x022000", "wrong-count"],
    ["x02h00", "not-a-fret"],
    ["x x 0 99 10 10", "too-high"],
    ["xxxxxx", "all-damped"],
    ["1 2 three 4 5 6", "not-a-fret"],
    ["x 0 2.5 2 0 0", "wrong-count"],
  ])("refuses %j: %s", (text, code) => {
    const read = readFrets(text, 6);
    expect(read).toMatchObject({ ok: false, problem: { code } });
    if (!read.ok) expect(describeFretsProblem(read.problem, "low E")).toMatch(/^[^{}]+\.$/u);
  });

  it("reads as many strings as there are", () => {
    expect(unwrap(readFrets("2010", 4))).toEqual([2, 0, 1, 0]);
    expect(unwrap(readFrets("x 0 2 2 2 0 x", 7))).toHaveLength(7);
  });
});
