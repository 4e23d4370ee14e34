import { describe, expect, it } from "vitest";
import type { BackStep, Press } from "@/core/loops";
import { BOX_PROFILES } from "@/core/loops";
import { tellWayBack } from "./tell-way-back";
import type { ShownPlan } from "./use-loops";

const SHOWN = {
  song: {
    box: BOX_PROFILES[2],
    pieces: [
      { bar: 1, span: { label: "Verse 1" } },
      { bar: 5, span: { label: "Verse 1" } },
      { bar: 1, span: { label: "Chorus" } },
    ],
  },
} as unknown as ShownPlan;
const track = (one: number, effect: Press["effect"]): Press => ({
  press: "track",
  track: one,
  effect,
  late: false,
});
const step = (press: Press, section: number, bar: number | null): BackStep => ({ press, section, bar });

describe("the way back in words", () => {
  it("says when, on which pedal, and what it does", () => {
    const all: Press = { press: "start-all", effect: "start", late: false };
    expect(
      tellWayBack(SHOWN, 1, [
        step(track(1, "stop"), 1, null),
        step(track(1, "start"), 1, 2),
        step(all, 2, 0),
      ]),
    ).toEqual([
      "Now press “Track 2”: track 2 out.",
      "Then, at bar 7 of Verse 1, press “Track 2”: track 2 in.",
      "Then, where Chorus begins, press “All, twice”: all in.",
    ]);
    expect(tellWayBack(SHOWN, 0, [step(all, 0, 2)])).toEqual([
      "Leave it; at bar 3 of Verse 1 press “All, twice”: all in.",
    ]);
  });

  it("says that it comes right by itself, and at the end", () => {
    expect(tellWayBack(SHOWN, 1, [])).toEqual(["Leave it: it comes right by itself where Chorus begins."]);
    expect(tellWayBack(SHOWN, 2, [])).toEqual(["Leave it: it comes right by itself at the end."]);
    expect(tellWayBack(SHOWN, 2, [step(track(0, "stop"), 3, 0)])).toEqual([
      "Leave it; at the end press “Track 1”: track 1 out.",
    ]);
  });

  it("names both pedals of two neighbours", () => {
    const pair: Press = {
      press: "pair",
      tracks: [0, 1],
      effect: "start",
      effects: ["stop", "start"],
      late: false,
    };
    expect(tellWayBack(SHOWN, 0, [step(pair, 0, null)])).toEqual([
      "Now press “Track 1” and “Track 2” at once: track 1 out and track 2 in, one press.",
    ]);
  });
});
