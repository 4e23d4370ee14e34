import { describe, expect, it } from "vitest";
import { tonePresses } from "@/core/sounds";
import { planOfSample, sampleTones, tonesOfSample } from "../../../testing/sounds/sample-sounds";
import { dueTones } from "./sound-dues";

const THREE = { 0: { sound: "A" }, 1: { sound: "B" }, 2: { sound: "C" } };
const SOUNDS = { A: {}, B: { drive: 1 }, C: { delay: "1/4", drive: 1 } };

describe("presses of a box of sounds", () => {
  it("are waited for: a bank any time in its window, the change as long as the gap still fits the rest", () => {
    const song = tonesOfSample(
      sampleTones({ ...THREE, 1: { sound: "B", bars: [[0, 3]] } }, SOUNDS, { slots: 2, gapMs: 500 }),
    );
    const due = dueTones(song, tonePresses(song, planOfSample(song)));
    // Bar 8 is silent, from second 28 to 32; the first section of b begins at second 16.
    expect(due[1]).toMatchObject({ act: "arm-1", earliest: 16 });
    expect(due[2]).toMatchObject({ act: "go", earliest: 28, seconds: 31.5 });
  });
});
