import { describe, expect, it } from "vitest";
import { unwrap } from "../../base";
import { describeTuning } from "./describe-tuning";
import { parseTuning } from "./tuning";

describe("describeTuning (common practice, no source)", () => {
  it.each([
    ["E2 A2 D3 G3 B3 E4", null],
    ["Eb2 Ab2 Db3 Gb3 Bb3 Eb4", "a semitone down"],
    ["D2 G2 C3 F3 A3 D4", "a whole tone down"],
    ["C#2 F#2 B2 E3 G#3 C#4", "3 semitones down"],
    ["F1 Bb1 Eb2 Ab2", "a semitone up"],
    ["D2 A2 D3 G3 B3 E4", "Drop D"],
    ["Db2 Ab2 Db3 Gb3 Bb3 Eb4", "Drop D, a semitone down"],
    ["C2 G2 C3 F3 A3 D4", "Drop D, a whole tone down"],
    ["D2 A2 D3 G3 A3 D4", "D A D G A D"],
    ["D2 A2 D3 F3 Bb3 D4", "D A D F B♭ D"],
    ["B0 E1 A1 D2 G2", null],
  ])("%s is %s", (strings, told) =>
    expect(describeTuning(unwrap(parseTuning(strings.split(" "))))).toBe(told),
  );

  it("says nothing of no strings", () => expect(describeTuning([])).toBeNull());
});
