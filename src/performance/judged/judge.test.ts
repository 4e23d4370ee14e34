import { describe, expect, it } from "vitest";
import { type DuePress, describeRun, judgePresses } from "./judge";

const due = (seconds: number, act: string, more: Partial<DuePress> = {}): DuePress => ({
  seconds,
  act,
  place: "first",
  sung: false,
  ...more,
});

describe("judging a run", () => {
  it("tells right, early, late, the wrong pedal, and what was missed", () => {
    const judged = judgePresses(
      [due(10, "track-0"), due(20, "track-1"), due(30, "stop-all"), due(40, "track-0"), due(50, "track-1")],
      [
        { seconds: 10.05, act: "track-0" },
        { seconds: 19.7, act: "track-1" },
        { seconds: 30.4, act: "stop-all" },
        { seconds: 40.02, act: "track-1" },
      ],
    );
    expect(judged.map((one) => [one.judged, one.ms])).toEqual([
      ["right", 50],
      ["early", -300],
      ["late", 400],
      ["wrong", 20],
      ["missed", null],
    ]);
    expect(describeRun(judged)).toBe(
      "1 of 5 right, on the whole 50 ms late; 1 missed, 1 on the wrong pedal.",
    );
  });

  it("gives each press to one due only, the nearest first, and counts what nobody asked for", () => {
    const judged = judgePresses(
      [due(10, "track-0"), due(10.5, "track-0", { place: "late-stop" })],
      [
        { seconds: 10.02, act: "track-0" },
        { seconds: 10.51, act: "track-0" },
        { seconds: 60, act: "undo" },
      ],
    );
    expect(judged.map((one) => [one.judged, one.due])).toEqual([
      ["right", 0],
      ["right", 1],
      ["wrong", null],
    ]);
    expect(describeRun(judged)).toBe("2 of 2 right, on the whole 15 ms late; 1 not asked for.");
    expect(judgePresses([], [])).toEqual([]);
  });
});
