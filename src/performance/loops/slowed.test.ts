import { describe, expect, it } from "vitest";
import { nextPace, SLOWEST_PACE, slowed } from "./slowed";

describe("a circled place", () => {
  it("is gone through quicker after a clean round, slower after two that were not, within its bounds", () => {
    expect([nextPace(0.7, 0), nextPace(0.7, 1), nextPace(0.7, 2), nextPace(0.7, 3)]).toEqual([
      0.75, 0.7, 0.65, 0.65,
    ]);
    expect([nextPace(1, 0), nextPace(SLOWEST_PACE, 4)]).toEqual([1, SLOWEST_PACE]);
  });

  it("is the plan as it is, in another tempo", () => {
    const planned = { song: { asked: { tempo: 92 } }, plan: {} } as unknown as Parameters<typeof slowed>[0];
    expect(slowed(planned, 1)).toBe(planned);
    expect(slowed(planned, 0.5).song.asked!.tempo).toBe(46);
  });
});
