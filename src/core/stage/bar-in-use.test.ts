import { describe, expect, it } from "vitest";
import { samplePassage } from "../../../testing/stage/sample-live";
import { barInUse } from "./bar-in-use";

describe("barInUse", () => {
  const passages = [
    samplePassage("v 0", 2),
    samplePassage("v 1", 2),
    samplePassage("c 0", 3, { bars: [960, 4800] }),
  ];
  it("counts from the start of the use, all its rounds together", () => {
    expect(barInUse(passages, { index: 0, tick: 5000 })).toEqual({ useId: "v", tick: 3840 });
    expect(barInUse(passages, { index: 1, tick: 3839 })).toEqual({ useId: "v", tick: 7680 });
    expect(barInUse(passages, { index: 1, tick: 7680 })).toEqual({ useId: "v", tick: 11_520 });
    expect(barInUse(passages, { index: 2, tick: 0 })).toEqual({ useId: "c", tick: 0 });
    expect(barInUse(passages, { index: 2, tick: 4800 })).toEqual({ useId: "c", tick: 4800 });
  });
});
