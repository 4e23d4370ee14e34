import { describe, expect, it } from "vitest";
import { edited } from "../../../../testing/song/heard";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { addException } from "../edit/add-exception";
import { outlineOf } from "../read/outline";
import { timelineOf } from "../read/timeline";
import type { VersionBody } from "../schema/documents";
import { differsIn, tellDiffers } from "./differs";

let count = 0;
const makeId = () => `d${count++}`;

const told = (body: VersionBody): string[] =>
  [...differsIn(timelineOf(body), outlineOf(body), "1/4")].map(
    ([{ label }, differs]) => `${label}: ${tellDiffers(differs)}`,
  );

const song = () =>
  sampleVersion(
    {
      one: { lines: ["a/G:4 b/C:4", "c/D:4 d/G:4"] },
      two: { lines: ["e/G:4 f/Am7:4", "g/D:4 h/G:4"] },
      odd: { lines: ["x/Em:8"] },
    },
    ["one", "two", "odd", "one"],
  );

describe("other chords than the first time", () => {
  it("are told of a section that goes like an earlier one, and of nothing else", () => {
    expect(told(song())).toEqual(["two: other chords than one 1: Am7 in bar 2"]);
  });

  it("are told of a use that says something else, also a longer one", () => {
    const outline = outlineOf(song());
    const home = { useId: outline.form[3]!.id };
    let body = edited(
      song(),
      addException(outline, home, "chord", { chordId: "one-l0-c0", symbol: "Em" }, makeId),
    );
    expect(told(body)).toContain("one 2: other chords than one 1: Em in bar 1");
    body = edited(body, addException(outlineOf(body), home, "extra", {}, makeId));
    expect(told(body)).toContain("one 2: other chords than one 1: Em in bar 1, and 2 bars more");
  });

  it("are not a push, a hold or another key", () => {
    const outline = outlineOf(song());
    const home = { useId: outline.form[3]!.id };
    let body = edited(
      song(),
      addException(outline, home, "push", { chordId: "one-l0-c1", ticks: 480 }, makeId),
    );
    body = edited(body, addException(outlineOf(body), home, "hold", { ticks: 1920 }, makeId));
    expect(told(body)).toEqual(["two: other chords than one 1: Am7 in bar 2"]);
  });

  it("are told by their bars alone where there are many", () => {
    const bars = [0, 1, 2, 4].map((bar) => ({ bar, symbols: ["G"] }));
    expect(tellDiffers({ than: "Verse 1", bars, more: -1 })).toBe(
      "other chords than Verse 1 in bars 1–3, 5, and 1 bar fewer",
    );
    expect(tellDiffers({ than: "Verse 1", bars: [], more: 2 })).toBe("2 bars more than Verse 1");
    expect(tellDiffers({ than: "Verse 1", bars: [{ bar: 0, symbols: [] }], more: 0 })).toBe(
      "other chords than Verse 1: fewer in bar 1",
    );
  });
});
