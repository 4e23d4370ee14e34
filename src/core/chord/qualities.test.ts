import { describe, expect, it } from "vitest";
import { QUALITIES, QUALITY_OF_SOUND } from "./qualities";
import { formatTone } from "./tone";

describe("the table of qualities", () => {
  it("has no two that sound alike", () => expect(QUALITY_OF_SOUND.size).toBe(QUALITIES.length));

  it("has the tones people expect (common practice, no source)", () => {
    const tonesOf = (text: string) =>
      QUALITIES.find((one) => one.text === text)!
        .tones.map(formatTone)
        .join(" ");
    expect(tonesOf("")).toBe("1 3 5");
    expect(tonesOf("m7b5")).toBe("1 b3 b5 b7");
    expect(tonesOf("7(#9)")).toBe("1 3 5 b7 #9");
    expect(tonesOf("add#11")).toBe("1 3 5 #11");
    expect(tonesOf("m11")).toBe("1 b3 5 b7 9 11");
  });
});
