import { describe, expect, it } from "vitest";
import { lineSyllables, syllableStarts } from "./syllables";

/** How these are sung: common practice, no source. */
const CUT: readonly string[] = [
  "har|bour",
  "home",
  "ta|ble",
  "lan|tern",
  "some|bo|dy",
  "give",
  "count",
  "way",
  "once",
  "you",
  "quay",
  "o|ver",
  "wa|ter",
  "names",
  "called",
  "wai|ted",
  "kis|ses",
  "hush",
  "wind",
  "mor|ning",
  "e|ve|ning",
  "o|tra",
  "co|ra|zón",
  "chan|son",
  "Strö|me",
  "sin|gen",
  "pa|la|bra",
  "the",
  "be",
  "a",
  "sky",
  "gen|tle",
  "mu|sic",
  "eve|ry",
];
const written = (cut: string) => cut.replaceAll("|", "");
/** Where the cuts are. */
const cutAt = (cut: string) => [0, ...[...cut.matchAll(/\|/gu)].map(({ index }, before) => index - before)];

describe("syllables", () => {
  it.each(CUT)("%s", (cut) => {
    expect(syllableStarts(written(cut))).toEqual(cutAt(cut));
  });

  it("of a line, past signs and dashes", () => {
    expect(lineSyllables("Light on water")).toEqual([0, 6, 9, 11]);
    expect(lineSyllables("“Oh, ho-me!” – 12")).toEqual([1, 5, 8]);
    expect(lineSyllables("")).toEqual([]);
  });
});
