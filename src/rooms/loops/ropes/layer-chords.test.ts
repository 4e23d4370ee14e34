import { describe, expect, it } from "vitest";
import { Namer } from "@/core/song/names";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { formatChords, readChords } from "./layer-chords";

const BAR = 3840;
const namer = new Namer(sampleVersion({}, []));

describe("chords of a layer as they are typed", () => {
  it("take a bar where no beats are said", () => {
    const chords = [
      { symbol: "Dm", ticks: BAR },
      { symbol: "Bb", ticks: 1920 },
      { symbol: "C/E", ticks: 1440 },
    ];
    expect(formatChords(chords, "1/4", BAR, namer)).toBe("Dm B♭:2 C/E:1.5");
    expect(readChords("Dm Bb:2 C/E:1.5", "1/4", BAR, namer)).toEqual(chords);
    expect(readChords("Dm | Bb:2, C/E:1,5", "1/4", BAR, namer)).not.toBeInstanceOf(Array);
    expect(readChords("", "1/4", BAR, namer)).toEqual([]);
  });

  it("count beats of the song: a dotted quarter in 6/8", () => {
    expect(readChords("F:1", "1/4.", 2880, namer)).toEqual([{ symbol: "F", ticks: 1440 }]);
  });

  it("say what can't be read", () => {
    expect(readChords("Dm Hx", "1/4", BAR, namer)).toContain("“Hx” is not a chord");
    expect(readChords("Dm:0", "1/4", BAR, namer)).toContain("beats above 0");
    expect(readChords("Dm:x", "1/4", BAR, namer)).toContain("beats above 0");
  });
});
