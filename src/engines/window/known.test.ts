import { describe, expect, it } from "vitest";
import { type Asked, type Known, takeIn } from "./known";

const asked = (id: string, key: string | null, answer?: number, beside = "song"): Asked<number, string> => ({
  id,
  key,
  beside,
  answer,
});
const nothing: ReadonlyMap<string, Known<number, string>> = new Map();
const shown = (known: ReadonlyMap<string, Known<number, string>>) =>
  [...known].map(([id, { answer, beside }]) => `${id} ${answer} ${beside}`);

describe("what a screen knows", () => {
  it("keeps the last good answer, with its song, while another is worked out", () => {
    const first = takeIn(nothing, [asked("ann", "1", 7)]);
    const waits = takeIn(first, [asked("ann", "2", undefined, "new song")]);
    expect(waits).toBe(first);
    expect(shown(takeIn(waits, [asked("ann", "2", 8, "new song")]))).toEqual(["ann 8 new song"]);
  });

  it("is the same map as long as nothing is new", () => {
    const first = takeIn(nothing, [asked("ann", "1", 7), asked("ben", "2", 9)]);
    expect(takeIn(first, [asked("ann", "1", 7), asked("ben", "2", 9)])).toBe(first);
    expect(takeIn(first, [asked("ann", "1", 7), asked("ben", "2", 9, "other song")])).not.toBe(first);
  });

  it("forgets what is no longer asked, and whoever asks nothing", () => {
    const first = takeIn(nothing, [asked("ann", "1", 7), asked("ben", "2", 9)]);
    expect(shown(takeIn(first, [asked("ben", "2", 9)]))).toEqual(["ben 9 song"]);
    expect(shown(takeIn(first, [asked("ann", null), asked("ben", "2", 9)]))).toEqual(["ben 9 song"]);
  });

  it("takes one out and another in at once", () => {
    const first = takeIn(nothing, [asked("ann", "1", 7)]);
    expect(shown(takeIn(first, [asked("ben", "2", 9)]))).toEqual(["ben 9 song"]);
    expect(shown(takeIn(first, [asked("ben", "2")]))).toEqual([]);
  });
});
