import { describe, expect, it } from "vitest";
import { planPedals } from ".";

describe("single pedals", () => {
  it("counts a press for each pedal that changes, all off before the song", () => {
    const plan = planPedals(
      ["drive", "delay", "octave"],
      [
        { id: "v", on: ["delay"] },
        { id: "c", on: ["octave", "drive"] },
        { id: "v2", on: ["octave", "drive"] },
        { id: "end", on: [] },
      ],
    );
    expect(plan).toEqual({
      boundaries: [
        { before: "v", press: ["delay"] },
        { before: "c", press: ["drive", "delay", "octave"] },
        { before: "v2", press: [] },
        { before: "end", press: ["drive", "octave"] },
      ],
      presses: 6,
      crowded: ["c"],
    });
  });
});
