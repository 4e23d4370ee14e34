import { describe, expect, it } from "vitest";
import { unwrap } from "../../../base";
import { parseChord } from "../../chord";
import { GUITAR_TUNING, parseTuning } from "../../pitch";
import { fingerings } from "../fingerings";
import { sixFrets } from "../orderings";
import { changesOn, orderShapes } from "./change-between";
import { voicePath } from "./voice-path";

const tuning = unwrap(parseTuning(GUITAR_TUNING));
const list = (symbol: string) => fingerings(unwrap(parseChord(symbol)), { tuning }).fingerings;
const shape = (symbol: string, frets: string) =>
  list(symbol).find((one) => one.frets.join() === sixFrets(frets).join())!;

describe("changes between two shapes", () => {
  it("are those a way of shapes counts", () => {
    const events = (["C", "Am", "G", "D/F#", "Bm"] as const).map((symbol) => ({
      kind: "chord" as const,
      chord: unwrap(parseChord(symbol)),
      beats: 4,
    }));
    const { path, moves } = unwrap(voicePath(events, { tuning, beatMs: 500, limit: 20 }));
    const change = changesOn({ strings: 6 });
    for (const [index, move] of moves.entries())
      expect(change(path[index]!, path[index + 1]!)).toBeCloseTo(move.cost, 5);
  });

  it("C to Am: the ring finger goes from A to G (hand-computed)", () => {
    // 1.5 + 0.02 × (32.4 mm from fret 3 to 2 + 2 strings × 8 mm).
    expect(changesOn({ strings: 6 })(shape("C", "x32010"), shape("Am", "x02210"))).toBeCloseTo(2.468, 2);
  });

  it("order a list by how the hand comes there, or goes on", () => {
    const none = { before: null, after: null };
    expect(orderShapes(list("C"), "easiest from the shape before", none, { strings: 6 })).toEqual(list("C"));
    const barre = shape("Bb", "x13331");
    const usual = orderShapes(list("C"), "usual first", { before: barre, after: null }, { strings: 6 });
    const near = orderShapes(
      list("C"),
      "easiest from the shape before",
      { before: barre, after: null },
      { strings: 6 },
    );
    const into = orderShapes(
      list("C"),
      "easiest into the next",
      { before: null, after: barre },
      { strings: 6 },
    );
    const change = changesOn({ strings: 6 });
    expect(usual).toEqual(list("C"));
    for (const one of list("C")) {
      expect(near[0]!.price + change(barre, near[0]!)).toBeLessThanOrEqual(one.price + change(barre, one));
      expect(into[0]!.price + change(into[0]!, barre)).toBeLessThanOrEqual(one.price + change(one, barre));
    }
    expect(near).toHaveLength(usual.length);
  });
});
