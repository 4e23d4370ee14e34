import { describe, expect, it } from "vitest";
import { unwrap } from "../../base";
import { parseChord } from "../chord";
import { GUITAR_TUNING, parseTuning } from "../pitch";
import { describeFingering } from "./describe-fingering";
import { describeFingers, ordinal } from "./finger-words";
import { fingerings } from "./fingerings";
import { sixFrets } from "./orderings";

const tuning = unwrap(parseTuning(GUITAR_TUNING));
const said = (symbol: string, frets: string, options = {}) => {
  const found = fingerings(unwrap(parseChord(symbol)), { tuning, ...options }).fingerings;
  return describeFingering(found.find((one) => one.frets.join() === sixFrets(frets).join())!, tuning);
};

describe("a fingering as an instruction", () => {
  it("says each finger's string and fret, and what it damps", () => {
    expect(said("C", "x32010")).toEqual([
      "Index finger: B string, 1st fret.",
      "Middle finger: D string, 2nd fret.",
      "Ring finger: A string, 3rd fret; the same finger damps low E.",
      "Open: G and high E.",
    ]);
  });

  it("tells a barre by its ends", () =>
    expect(said("F", "133211")[0]).toBe("Index finger: across from low E to high E, 1st fret."));

  it("tells the thumb's two tasks apart", () => {
    const withThumb = {
      frets: sixFrets("2x0232"),
      fingers: ["T", null, null, 1, 3, 2] as const,
      mutes: [{ string: 1, by: "T" as const }],
    };
    expect(describeFingering(withThumb, tuning)[0]).toBe(
      "Thumb: low E string, 2nd fret; the same finger damps A.",
    );
    expect(said("D", "xx0232").join(" ")).toContain("The thumb’s side damps low E.");
  });

  it("counts and lists as people do", () => {
    expect([1, 2, 3, 4, 11, 12, 13, 21, 22].map(ordinal).join(" ")).toBe(
      "1st 2nd 3rd 4th 11th 12th 13th 21st 22nd",
    );
    expect([describeFingers([3]), describeFingers([3, 4]), describeFingers([1, 2, 3])]).toEqual([
      "ring finger",
      "ring and little finger",
      "index, middle and ring finger",
    ]);
  });
});
