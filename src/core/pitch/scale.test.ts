import { describe, expect, it } from "vitest";
import { formatNoteName } from "./note-name";
import { moveByDegrees, SCALE_NAMES, scaleClasses, scaleNotes } from "./scale";

const written = (tonic: number, scale: (typeof SCALE_NAMES)[number]) =>
  scaleNotes(tonic, scale)
    .map(({ name }) => formatNoteName(name))
    .join(" ");

describe("scales (common practice, no source)", () => {
  it("are spelled from their tonic", () => {
    expect(written(3, "major")).toBe("A B C# D E F# G#");
    expect(written(3, "minor pentatonic")).toBe("A C D E G");
    expect(written(0, "major pentatonic")).toBe("C D E G A");
    expect(written(4, "blues")).toBe("E G A Bb B D");
    expect(written(-2, "mixolydian")).toBe("Bb C D Eb F G Ab");
    expect(written(-1, "lydian")).toBe("F G A B C D E");
    expect(written(3, "harmonic minor")).toBe("A B C D E F G#");
  });

  it("rise in pitch, each note once", () => {
    for (const scale of SCALE_NAMES) {
      const above = scaleClasses(0, scale);
      expect(above, scale).toEqual([...new Set(above)].sort((a, b) => a - b));
    }
  });

  it("calls the modes of C by what they start on", () => {
    const white = new Set(scaleClasses(0, "major"));
    for (const [tonic, scale] of [
      [2, "dorian"],
      [4, "phrygian"],
      [-1, "lydian"],
      [1, "mixolydian"],
      [3, "minor"],
      [5, "locrian"],
    ] as const)
      expect(new Set(scaleClasses(tonic, scale)), scale).toEqual(white);
  });
});

describe("moveByDegrees", () => {
  const C = scaleClasses(0, "major");
  // Facts of the trade, common practice, no source: a third under D is B, a third over F is A.
  it("moves in thirds and sixths of the key", () => {
    expect(moveByDegrees(62, -2, C)).toBe(59);
    expect(moveByDegrees(65, 2, C)).toBe(69);
    expect(moveByDegrees(64, 5, C)).toBe(72);
    expect(moveByDegrees(60, 7, C)).toBe(72);
  });

  it("comes back", () => {
    for (let midi = 40; midi < 80; midi++)
      if (C.includes(midi % 12))
        for (const by of [1, 2, 5, 9]) expect(moveByDegrees(moveByDegrees(midi, by, C), -by, C)).toBe(midi);
  });

  it("carries a note between two degrees along", () => expect(moveByDegrees(61, 2, C)).toBe(65));
});
