import { describe, expect, it } from "vitest";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { unwrap } from "../../../base";
import { parseKey, parsePitch } from "../../pitch";
import type { VersionBody } from "../schema/documents";
import { outlineOf } from "./outline";
import {
  describeKeyFit,
  keyFits,
  melodyShift,
  type PitchRange,
  reachOf,
  sungPlaces,
  writtenRange,
} from "./vocal-range";

const key = (text: string) => unwrap(parseKey(text));
const pitches = (low: string, high: string): PitchRange => [
  unwrap(parsePitch(low)),
  unwrap(parsePitch(high)),
];

/** A song in G: the verse from G3 to D4, the chorus from B3 to G4; the last chorus raised. */
function song(raised = 0): VersionBody {
  const body = sampleVersion({ verse: { lines: ["a/G:4"] }, chorus: { lines: ["b/C:4"] } }, [
    "verse",
    "chorus",
  ]);
  const sections = {
    verse: { ...body.sections.verse!, melodyRange: [...pitches("G3", "D4")] as [number, number] },
    chorus: { ...body.sections.chorus!, melodyRange: [...pitches("B3", "G4")] as [number, number] },
  };
  return { ...body, sections, uses: { ...body.uses, u1: { ...body.uses.u1!, shift: raised } } };
}
const fits = (singer: PitchRange, raised = 0) =>
  keyFits(sungPlaces(outlineOf(song(raised))), singer, key("G"));

describe("keyFits", () => {
  it("has the twelve keys once, named from the written one", () => {
    const all = fits(pitches("G3", "G4"));
    expect(new Set(all.map((one) => one.key)).size).toBe(12);
    expect(all.filter((one) => one.isWritten).map((one) => one.key)).toEqual(["G"]);
  });

  it("puts first the key with most room", () => {
    // The song spans G3 to G4. In C it spans C4 to C5: with a voice from A3 to E5 there are 3 and 4 semitones free.
    const [best] = fits(pitches("A3", "E5"));
    expect(best).toMatchObject({ key: "C", semitones: 5, verdict: "fits", margin: 3 });
    expect(describeKeyFit(best!)).toBe("sung from C4 to C5: 3 semitones to spare");
  });

  it("sings a place an octave lower where only that reaches it", () => {
    // From G2 to D4: in G the chorus (B3 to G4) is out of reach, an octave lower (B2 to G3) it is not.
    const inG = fits(pitches("G2", "D4")).find((one) => one.key === "G")!;
    expect(inG).toMatchObject({ verdict: "octave", lower: ["chorus"] });
    expect(describeKeyFit(inG)).toContain("chorus an octave lower");
  });

  it("says how far out of reach a key is", () => {
    const inG = fits(pitches("G3", "E4")).find((one) => one.key === "G")!;
    expect(inG).toMatchObject({ verdict: "out", above: 3, below: 0 });
    expect(describeKeyFit(inG)).toBe("sung from G3 to G4: 3 semitones above the voice");
  });

  it("counts a raised use where it sounds", () => {
    expect(fits(pitches("G3", "G4"), 2).find((one) => one.key === "G")!.above).toBe(2);
  });

  it("gives nothing without a melody", () => expect(keyFits([], [50, 60], key("G"))).toEqual([]));
});

describe("melodies in another key", () => {
  it("move by the shorter way", () => {
    expect(melodyShift(key("G"), key("C"))).toBe(5);
    expect(melodyShift(key("G"), key("D"))).toBe(-5);
    expect(melodyShift(key("G"), key("Db"))).toBe(6);
  });

  it("are typed where they sound and kept where they are written", () => {
    const body = song();
    const moved = { ...body, version: { v: { ...body.version.v!, key: "A" } } };
    const [verse] = sungPlaces(outlineOf(moved));
    const { range, above } = reachOf(moved, verse!, pitches("A3", "D4"));
    expect(range).toEqual(pitches("A3", "E4"));
    expect(above).toBe(2);
    expect(writtenRange(moved, range)).toEqual(pitches("G3", "D4"));
  });
});
