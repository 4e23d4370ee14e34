import { describe, expect, it } from "vitest";
import { SAMPLE_ITEMS } from "../../../testing/stage/sample-live";
import { ahead } from "./ahead";
import { EMPTY_TRANSPORT, placeAt } from "./place";

const SONG = SAMPLE_ITEMS[0]!.passages;
const placeAfter = (seconds: number, more = {}) =>
  placeAt(SONG, { ...EMPTY_TRANSPORT, mode: "running", passage: "verse 0", ...more }, seconds * 1000)!;

describe("ahead", () => {
  const cues = [
    { passage: "verse 0", tick: 960, text: "look up" },
    { passage: "chorus 0", tick: 0, text: "bright" },
    { passage: "chorus 0", tick: 3840, text: "stop" },
    { passage: "verse 1", tick: 0, text: "out" },
  ];
  const texts = (seconds: number, more = {}) =>
    ahead(cues, SONG, placeAfter(seconds, more)).map(({ one, bars }) => `${one.text} ${bars}`);

  it("raises what is at most two bars away, and lets it go half a beat late", () => {
    expect(texts(0)).toEqual(["look up 0", "bright 2"]);
    expect(texts(1.4)).toEqual(["look up 0", "bright 2"]);
    expect(texts(1.6)).toEqual(["bright 2"]);
    expect(texts(4)).toEqual(["bright 1", "stop 2"]);
    expect(texts(12)).toEqual(["stop 0", "out 1"]);
  });

  it("looks where the leader goes, not where the song is written to go", () => {
    expect(texts(4, { after: "verse 1" })).toEqual(["out 1"]);
    expect(texts(4, { after: "" })).toEqual([]);
    expect(texts(4, { after: "verse 0" })).toEqual(["look up 1"]);
  });

  it("tells how long it is until then", () => {
    expect(ahead(cues, SONG, placeAfter(5)).map(({ ms }) => Math.round(ms))).toEqual([3000, 7000]);
  });
});
