import { describe, expect, it } from "vitest";
import { sampleHand } from "../../../testing/parts/sample-hand";
import { unwrap } from "../../base";
import { readFrets } from "../fretboard";
import { parseKey } from "../pitch";
import { judgeOwnShape, toneWords } from "./own-shape";
import { planShapes } from "./shape-plan";
import type { ShapeRequest } from "./shapes";

const hand = (more: Partial<ShapeRequest> = {}): ShapeRequest => ({
  ...sampleHand({ level: "fluent" }),
  symbol: "A",
  ...more,
});
const judge = (text: string, more: Partial<ShapeRequest> = {}, key = "A") =>
  judgeOwnShape(unwrap(readFrets(text, 6)), hand(more), unwrap(parseKey(key)))!;

describe("a shape of one's own", () => {
  it("is named, whatever it is meant for", () => {
    const names = judge("x02230").names.map(({ symbol }) => symbol);
    expect(names.slice(0, 2)).toEqual(["Asus4", "Dsus2/A"]);
  });

  it("is held against the chart: what it leaves out, and what is not in it", () => {
    const sus = judge("x02230");
    expect(sus.leavesOut.map(toneWords)).toEqual(["third"]);
    expect(sus.strangers).toEqual([2]); // D is not in A
    expect(judge("x02220")).toMatchObject({ leavesOut: [], strangers: [], hasBass: true, needs: "fluent" });
    expect(judge("x02200", { symbol: "A2" })).toMatchObject({ leavesOut: [], strangers: [] });
    expect(judge("002220").hasBass).toBe(false);
    expect(judge("5x55xx", { symbol: "Am7" }).leavesOut.map(toneWords)).toEqual(["fifth"]);
  });

  it("counts from the capo", () => {
    expect(judge("x32010", { symbol: "D", capo: 2 }, "D")).toMatchObject({ leavesOut: [], strangers: [] });
    expect(judge("x32010", { symbol: "D", capo: 2 }, "D").names[0]!.symbol).toBe("D");
  });

  it("says which hand it needs, or that none is known to hold it", () => {
    const barre = judge("577655", { level: "beginner" });
    expect([barre.needs, barre.fingering!.barres.length]).toEqual(["steady", 1]);
    expect(judge("1x3x5x", { symbol: "F" })).toMatchObject({ fingering: null, needs: null });
  });

  it("may lie past where shapes are looked for", () => {
    expect(judge("x x x 14 14 17").fingering).not.toBeNull();
    expect(judge("x x x 18 17 17", { symbol: "C#" }).fingering).not.toBeNull();
  });

  it("is planned around although no hand holds it, and sounds as it is written", () => {
    const event = (symbol: string, lock: (number | null)[] | null) => ({
      symbol,
      beats: 4,
      lock,
      fingers: null,
      book: [],
      useId: "u",
      sectionId: "s",
      chordId: symbol,
      section: "Verse",
      label: "Verse 1",
      bar: 1,
    });
    const wild = [1, null, 3, null, 5, null];
    const plan = planShapes({
      runs: [{ hand: hand(), events: [event("C", null), event("F", wild), event("G", [3, 2, 0, 0, 3, 3])] }],
      beatMs: 500,
      vary: false,
    });
    expect(plan.runs[0]!.path.map(({ frets }) => frets)).toEqual([
      [null, 3, 2, 0, 1, 0],
      wild,
      [3, 2, 0, 0, 3, 3],
    ]);
    expect(plan.runs[0]!.path[1]!.fingers.every((finger) => finger === null)).toBe(true);
    expect(plan.runs[0]!.path[1]!.pitches).toEqual(["F2", "F3", "E4"]);
  });

  it("at fret 17 keeps other choices of the run standing", () => {
    const plan = planShapes({
      runs: [
        {
          hand: hand(),
          events: [
            {
              symbol: "A",
              beats: 4,
              lock: [null, null, null, 14, 14, 17],
              fingers: null,
              book: [],
              useId: "",
              sectionId: "",
              chordId: "",
              section: "",
              label: "",
              bar: 1,
            },
            {
              symbol: "G",
              beats: 4,
              lock: [3, 2, 0, 0, 3, 3],
              fingers: null,
              book: [],
              useId: "",
              sectionId: "",
              chordId: "",
              section: "",
              label: "",
              bar: 1,
            },
          ],
        },
      ],
      beatMs: 500,
      vary: false,
    });
    expect(plan.runs[0]!.path.map(({ frets }) => frets[5])).toEqual([17, 3]);
  });
});
