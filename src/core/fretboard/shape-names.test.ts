import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { modulo, unwrap } from "../../base";
import { moveChord, parseChord, pitchClassesOf, QUALITIES, type SoundingChord } from "../chord";
import { formatNoteName, type Key, parseTuning, plainKey, tuningShift } from "../pitch";
import { shapeKeyAt } from "./capo-table";
import { fingerings } from "./fingerings";

const classes = (symbol: string) =>
  pitchClassesOf(unwrap(parseChord(symbol)) as SoundingChord).sort((a, b) => a - b);
const tunings = [
  "E2 A2 D3 G3 B3 E4",
  "Eb2 Ab2 Db3 Gb3 Bb3 Eb4",
  "D2 G2 C3 F3 A3 D4",
  "D2 A2 D3 G3 A3 D4",
  "E1 A1 D2 G2",
  "B1 E2 A2 D3 G3 B3 E4",
].map((text) => unwrap(parseTuning(text.split(" "))));

const keys = fc.record<Key>({
  tonic: fc.integer({ min: -5, max: 6 }),
  mode: fc.constantFrom("major", "minor"),
});
const symbols = fc
  .tuple(fc.integer({ min: -5, max: 8 }), fc.constantFrom(...QUALITIES.map((one) => one.text)), fc.boolean())
  .map(
    ([root, quality, slash]) =>
      formatNoteName(root) + quality + (slash ? `/${formatNoteName(root + 4)}` : ""),
  );

describe("names of shapes: laws", () => {
  it("capo plus shape plus the tuning's shift is what sounds, for every chord and tuning", () => {
    fc.assert(
      fc.property(
        keys,
        symbols,
        fc.integer({ min: 0, max: 12 }),
        fc.constantFrom(...tunings),
        (tonality, symbol, capo, tuning) => {
          const sounding = plainKey(tonality);
          const shape = moveChord(unwrap(parseChord(symbol)), sounding, shapeKeyAt(sounding, capo, tuning));
          const up = capo + tuningShift(tuning);
          expect(
            classes(shape)
              .map((one) => modulo(one + up, 12))
              .sort((a, b) => a - b),
          ).toEqual(classes(symbol));
        },
      ),
    );
  });

  it("moved to another key and back, a chord sounds the same", () => {
    fc.assert(
      fc.property(keys, keys, symbols, (a, b, symbol) => {
        const [from, to] = [plainKey(a), plainKey({ ...b, mode: a.mode })];
        const there = moveChord(unwrap(parseChord(symbol)), from, to);
        const back = moveChord(unwrap(parseChord(there)), to, from);
        expect(classes(back)).toEqual(classes(symbol));
      }),
    );
  });

  it("the same frets behind a capo sound the shape's chord so much higher", () => {
    const [guitar] = tunings;
    for (const [shape, capo, sounding] of [
      ["C", 3, "Eb"],
      ["G/B", 5, "C/E"],
      ["Em7", 2, "F#m7"],
    ] as const) {
      const plain = fingerings(unwrap(parseChord(shape)), { tuning: guitar!, limit: 1 }).fingerings[0]!;
      const behind = fingerings(unwrap(parseChord(sounding)), { tuning: guitar!, capo }).fingerings;
      expect(behind.map((one) => one.frets.join())).toContain(plain.frets.join());
    }
  });
});
