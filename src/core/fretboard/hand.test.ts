import { describe, expect, it } from "vitest";
import { eachHand, type Frets, type Hand, Reach, toHand } from "./hand";
import { HAND_LIMITS, LEVELS, type Level } from "./level";
import { mutesOf } from "./mutes";
import { BASS_SCALE_MM, betweenFretsMm, fretMm, GUITAR_SCALE_MM } from "./neck";
import { sixFrets } from "./orderings";

const reachOf = (level: Level = "fluent", capo = 0, scaleMm = GUITAR_SCALE_MM) =>
  new Reach(HAND_LIMITS[level], capo, scaleMm, 15);

const handsOf = (text: string, reach = reachOf(), thumb = false): Hand[] => {
  const hands: Hand[] = [];
  eachHand(sixFrets(text), reach, thumb, (grips, fingers, thumbFret) =>
    hands.push(toHand(grips, fingers, thumbFret)),
  );
  return hands;
};
const write = (hands: readonly Hand[]) =>
  hands.map((hand) =>
    hand
      .map((hold) => `${hold.finger}@${hold.fret}:${hold.from}${hold.to > hold.from ? `-${hold.to}` : ""}`)
      .join(" "),
  );

describe("the neck", () => {
  // Fret n lies at L·(1 − 2^(−n/12)): half the string at the twelfth, a quarter of it at about the fifth.
  it("has its frets by equal temperament", () => {
    expect(fretMm(0, 648)).toBe(0);
    expect(fretMm(12, 648)).toBeCloseTo(324, 9);
    expect(fretMm(24, 648)).toBeCloseTo(486, 9);
    expect(betweenFretsMm(2, 4, 0, 648)).toBeCloseTo(62.98, 2);
    expect(betweenFretsMm(1, 3, 1, 648)).toBeCloseTo(betweenFretsMm(2, 4, 0, 648), 9);
    expect(betweenFretsMm(4, 1, 0, 648)).toBe(betweenFretsMm(1, 4, 0, 648));
  });

  it("is wider on a bass", () =>
    expect(betweenFretsMm(1, 3, 0, BASS_SCALE_MM)).toBeGreaterThan(betweenFretsMm(1, 3, 0, GUITAR_SCALE_MM)));
});

describe("reach", () => {
  it("needs a greater difference of finger number for more millimetres", () => {
    const reach = reachOf();
    // From fret 1: 34 mm to the second, 67 to the third, 97 to the fourth, 126 to the fifth.
    expect([1, 2, 3, 4, 5].map((fret) => reach.between(1, fret))).toEqual([1, 1, 1, 2, 4]);
    expect(reach.spans(1, 4)).toBe(true);
    expect(reach.spans(1, 5)).toBe(false);
    expect(reach.between(4, 1)).toBe(reach.between(1, 4));
  });

  it("grows up the neck and behind a capo, and with the level", () => {
    expect(reachOf().spans(8, 13)).toBe(false);
    expect(reachOf().spans(11, 15)).toBe(true);
    expect(reachOf("fluent", 5).spans(1, 5)).toBe(true);
    for (const [less, more] of [
      [LEVELS[0], LEVELS[1]],
      [LEVELS[1], LEVELS[2]],
    ] as const) {
      for (let high = 1; high <= 6; high++)
        expect(reachOf(more).between(1, high)).toBeLessThanOrEqual(reachOf(less).between(1, high));
    }
  });
});

describe("hands", () => {
  it("are all ways to give two strings fingers", () => {
    const all = ["1@2:1 2@2:2", "1@2:1 3@2:2", "2@2:1 3@2:2", "1@2:1 4@2:2", "2@2:1 4@2:2", "3@2:1 4@2:2"];
    const barres = ["1@2:1-2", "2@2:1-2", "3@2:1-2", "4@2:1-2"];
    expect(write(handsOf("022000")).sort()).toEqual([...all, ...barres].sort());
  });

  it("hold nothing open or lower under a barre", () => {
    expect(write(handsOf("x2x0x2")).some((hand) => hand.includes("-"))).toBe(false);
    expect(write(handsOf("x24432"))).toContain("1@2:1-5 2@3:4 3@4:2 4@4:3");
    expect(write(handsOf("x24432"))).toContain("1@2:1 2@2:5 3@3:4 4@4:2-3");
    expect(write(handsOf("xx232x")).some((hand) => hand.includes("@2:2-4"))).toBe(true);
    expect(write(handsOf("xx323x")).some((hand) => hand.includes("@3:2-4"))).toBe(false);
  });

  it("have four fingers, and none for a beginner's barre", () => {
    expect(handsOf("123456")).toEqual([]);
    expect(handsOf("133211", reachOf("beginner"))).toEqual([]);
    expect(write(handsOf("xxxxx0"))).toEqual([""]);
  });

  it("may use the thumb on the first string only", () => {
    const thumbs = write(handsOf("2x0232", reachOf(), true)).filter((hand) => hand.startsWith("T"));
    expect(thumbs.length).toBeGreaterThan(0);
    expect(thumbs.every((hand) => hand.startsWith("T@2:0 "))).toBe(true);
    expect(write(handsOf("x20232", reachOf(), true)).some((hand) => hand.includes("T"))).toBe(false);
  });
});

describe("mutes", () => {
  const mutes = (text: string, pick = 0) => {
    const frets: Frets = sixFrets(text);
    const hand = handsOf(text)[pick]!;
    const fingers = frets.map(
      (_, string) =>
        hand.find((hold) => hold.from <= string && string <= hold.to && frets[string] === hold.fret)
          ?.finger ?? null,
    );
    return mutesOf(frets, fingers, hand).map((mute) => `${mute.string} ${mute.by}`);
  };

  it("come from the finger beside, the thumb, or from not striking", () => {
    expect(mutes("3x0003")).toEqual(["1 1"]);
    expect(mutes("x32010")).toEqual(["0 3"]);
    expect(mutes("xx0232")).toEqual(["0 thumb", "1 not struck"]);
    expect(mutes("02210x")).toEqual(["5 not struck"]);
  });
});
