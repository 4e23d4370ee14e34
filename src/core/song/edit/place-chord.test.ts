import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { unwrap } from "../../../base";
import { applyEdit } from "../../../document";
import { outlineOf } from "../read/outline";
import { DOCUMENTS } from "../schema";
import type { VersionBody } from "../schema/documents";
import type { VersionCommand } from "./edits";
import { lengthenChord, liftChord, moveChordStart, moveChordWord, placeChord, spotAt } from "./place-chord";

const Q = 960;
let count = 0;
const makeId = () => `p${count++}`;
const body = () => sampleVersion({ v: { lines: ["Light/G:4 on the water/C:2 now/D:2"] } }, ["v"]);
const line = (from: VersionBody) => outlineOf(from).sections[0]!.lines[0]!;
const act = (from: VersionBody, command: VersionCommand | null): VersionBody =>
  command ? unwrap(applyEdit(DOCUMENTS.version, from, command)).body : from;
const shown = (from: VersionBody) =>
  line(from)
    .chords.map(({ chord, at }) => `${chord.symbol} ${chord.ticks / Q} @${at}`)
    .join(", ");

describe("chords on the beat grid, worked by hand", () => {
  it("knows what sounds where", () => {
    expect(spotAt(line(body()), 4 * Q)).toEqual({ index: 1, into: 0 });
    expect(spotAt(line(body()), 5 * Q)).toEqual({ index: 1, into: Q });
    expect(spotAt(line(body()), 8 * Q)).toBeNull();
  });
  it("renames, splits, adds", () => {
    const place = (tick: number) => act(body(), placeChord(line(body()), tick * Q, "Em", 4 * Q, makeId));
    expect(shown(place(4))).toBe("G 4 @0, Em 2 @13, D 2 @19");
    expect(shown(place(2))).toBe("G 2 @0, Em 2 @6, C 2 @13, D 2 @19");
    expect(shown(place(3))).toBe("G 3 @0, Em 1 @9, C 2 @13, D 2 @19");
    expect(shown(place(8))).toBe("G 4 @0, C 2 @13, D 2 @19, Em 4 @22");
  });
  it("takes away: the chord before goes on", () => {
    const lift = (index: number) => act(body(), liftChord(body(), line(body()), index));
    expect(shown(lift(1))).toBe("G 6 @0, D 2 @19");
    expect(shown(lift(0))).toBe("C 6 @13, D 2 @19");
  });
  it("stretches and moves, within what is left", () => {
    expect(shown(act(body(), lengthenChord(line(body()), 1, Q, Q)))).toBe("G 4 @0, C 3 @13, D 2 @19");
    expect(lengthenChord(line(body()), 1, -2 * Q, Q)).toBeNull();
    expect(shown(act(body(), moveChordStart(line(body()), 1, -Q, Q)))).toBe("G 3 @0, C 3 @13, D 2 @19");
    expect(moveChordStart(line(body()), 0, Q, Q)).toBeNull();
    expect(shown(act(body(), moveChordWord(line(body()), 1, -1)))).toBe("G 4 @0, C 2 @9, D 2 @19");
    expect(moveChordWord(line(body()), 1, 1)).toBeNull();
  });
  it("placing and taking away inside a line never changes its length (law)", () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.boolean(), fc.nat(7)), { maxLength: 12 }), (steps) => {
        let from = body();
        for (const [puts, at] of steps) {
          const chords = line(from).chords.length;
          if (puts) from = act(from, placeChord(line(from), at * Q, "Em", 4 * Q, makeId));
          else if (chords > 1) from = act(from, liftChord(from, line(from), at % chords));
          expect(line(from).ticks).toBe(8 * Q);
          expect(line(from).chords.every(({ chord }) => chord.ticks > 0)).toBe(true);
        }
      }),
    );
  });
});
