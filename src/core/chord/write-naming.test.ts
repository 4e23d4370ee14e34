import { describe, expect, it } from "vitest";
import { unwrap } from "../../base";
import { formatNoteName, parseKey } from "../pitch";
import { parseChord } from "./chord";
import { NAMINGS, toLetters } from "./naming";
import { QUALITIES } from "./qualities";
import { writeChord } from "./write-naming";

const key = unwrap(parseKey("G"));

describe("writeChord (common practice, no source)", () => {
  it.each([
    ["F#m7/C#", "syllables", "Fa♯m7/Do♯"],
    ["Bb", "syllables", "Si♭"],
    ["Eb7", "german", "Eb7"],
    ["B", "german", "H"],
    ["Bb/D", "german", "B/D"],
    ["Bm7", "german", "Hm7"],
    ["D/F#", "degrees", "5/7"],
    ["F", "degrees", "♭7"],
    ["C#m", "degrees", "♯4m"],
    ["D7sus4", "degrees", "5·7sus4"],
    ["Cmaj7", "degrees", "4maj7"],
    ["Am", "letters", "Am"],
    ["N.C.", "degrees", "N.C."],
    ["Xyz", "german", "Xyz"],
  ] as const)("%s as %s is %s", (symbol, naming, written) => {
    expect(writeChord(symbol, naming, key)).toBe(written);
  });

  it("is read back as the same chord", () => {
    const different: string[] = [];
    for (const naming of NAMINGS) {
      for (let name = -6; name <= 10; name++) {
        for (const { text } of QUALITIES) {
          const symbol = formatNoteName(name) + text;
          const written = writeChord(symbol, naming, key);
          const back = toLetters(written, naming, key);
          const [a, b] = [parseChord(symbol), parseChord(back ?? "")];
          const same =
            a.ok &&
            b.ok &&
            a.value.kind === "chord" &&
            b.value.kind === "chord" &&
            a.value.root === b.value.root &&
            JSON.stringify(a.value.tones) === JSON.stringify(b.value.tones);
          if (!same) different.push(`${naming} ${symbol} ${written} ${back}`);
        }
      }
    }
    expect(different).toEqual([]);
  });
});
