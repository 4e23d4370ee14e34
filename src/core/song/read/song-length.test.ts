import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anyCommand } from "../../../../testing/song/any-command";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { applyEdit } from "../../../document";
import { DOCUMENTS, type VersionBody } from "../schema/documents";
import { playedSymbols, songLength } from "./song-length";
import { timelineOf } from "./timeline";

const start = sampleVersion(
  {
    verse: { lines: ["Light/G:4 on the/C:4 water", "/D:7"] },
    chorus: { lines: ["Go/Em:4 on/C:4"], pickup: 1 },
  },
  ["verse", "chorusx2", "verse"],
  [{}],
);

const slowly = (body: VersionBody) => {
  const { bars, seconds, passages } = timelineOf(body);
  const symbols = passages.flatMap(({ lines, shift }) =>
    lines.flatMap(({ outline }) => outline.chords.map(({ chord }) => `${shift} ${chord.symbol}`)),
  );
  return { length: { bars, seconds }, symbols: [...new Set(symbols)].sort() };
};
const quickly = (body: VersionBody) => ({
  length: songLength(body),
  symbols: playedSymbols(body)
    .map(({ symbol, shift }) => `${shift} ${symbol}`)
    .sort(),
});

describe("the length of a song and its chords", () => {
  it("are what the timeline says (law)", () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(1000), fc.nat(50)), { maxLength: 10 }), (steps) => {
        let body = start;
        for (const [choice, pick] of steps) {
          const command = anyCommand(body, choice, pick);
          const applied = command && applyEdit(DOCUMENTS.version, body, command);
          if (applied?.ok) body = applied.value.body;
          expect(quickly(body)).toEqual(slowly(body));
        }
      }),
    );
  });

  it("of two sections with a pickup between: 8 + 7 + 8 + 8 + 8 + 7 beats of a second, in bars of four", () => {
    expect(songLength(start).seconds).toBe(46);
    expect(quickly(start).symbols).toEqual(["0 C", "0 D", "0 Em", "0 G"]);
  });
});
