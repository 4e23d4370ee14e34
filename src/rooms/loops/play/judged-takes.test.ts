import { describe, expect, it } from "vitest";
import type { Take } from "@/core/loops";
import type { ShownPlan } from "../use-loops";
import { judgedTakes } from "./judged-takes";

/** Two passes of four and two bars at 120, four beats a bar: 8 s and 4 s; the clap is wanted in four bars. */
const SHOWN = {
  song: {
    box: { sharedLength: false },
    asked: {
      tempo: 120,
      beatsPerBar: 4,
      sections: [
        { bars: 8, want: { pulse: "on" } },
        { bars: 4, want: { pulse: "on", clap: "on" } },
      ],
    },
    layers: [
      { id: "pulse", name: "Pulse" },
      { id: "clap", name: "Clap" },
    ],
  },
  plan: {
    build: {
      passes: [
        { layers: ["pulse"], track: 0, fromBar: 1, bars: 4, presses: [] },
        { layers: ["clap"], track: 1, fromBar: 5, bars: 2, presses: [] },
      ],
    },
  },
  presses: [],
} as unknown as ShownPlan;

const take = (layer: string, since: number, until: number): Take => ({
  layers: [layer],
  track: 0,
  since,
  until,
  over: false,
});

describe("the takes of a build", () => {
  it("are judged at their close, the first by the click and the others by the first", () => {
    const told = judgedTakes(SHOWN, [take("pulse", 0, 7.6), take("clap", 7.6, 11.4)], []);
    expect(told.map(({ layers, words, again }) => [layers, words, again])).toEqual([
      [
        "Pulse",
        "closed 0.40 s early: the seam stumbles each time round, and against a click at 120 it is a beat ahead after 1 pass",
        "Take it back and again: 10 s.",
      ],
      ["Clap", "begun and closed on the beat", ""],
    ]);
  });

  it("say when a layer is better left out, and how the tempo was held inside", () => {
    const late = judgedTakes(
      SHOWN,
      [take("pulse", 0, 8), take("clap", 40, 44.5)],
      Array.from({ length: 9 }, (_, beat) => 40 + beat * 0.49),
    );
    expect(late[1]!.again).toBe(
      "Again costs 12 s, and the room waits long: leave Clap out rather, it is wanted in 4 bars.",
    );
    expect(late[1]!.drift).toBe("inside it you run ahead, by 0.08 s to its end, beats 0 ms from even");
  });

  it("leave out what the build does not know", () =>
    expect(judgedTakes(SHOWN, [take("gone", 0, 8)], [])).toEqual([]));
});
