import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { driftInside, judgeTake, priceOfAgain, type Take, tellDrift, tellTake } from "./build-takes";

const take = (since: number, until: number, more: Partial<Take> = {}): Take => ({
  layers: ["a"],
  track: 0,
  since,
  until,
  over: false,
  ...more,
});
/** Four beats a bar at 92: a beat is 0.652 s, four bars 10.435 s. */
const BAR = (4 * 60) / 92;
const asked = (bars: number, more = {}) => ({
  bars,
  barSeconds: BAR,
  beatsPerBar: 4,
  origin: 0,
  sharedLength: false,
  ...more,
});

describe("a take judged at its close", () => {
  it("closed 0.12 s early at 92 is a beat ahead after 5 passes, by hand: 0.652 / 0.12", () => {
    const verdict = judgeTake(take(0, 4 * BAR - 0.12), asked(4), null);
    expect(verdict).toMatchObject({ isSeam: true, beatOffAfter: 5, isClean: false });
    expect(verdict.closed).toBeCloseTo(-0.12, 9);
    expect(tellTake(verdict, 92)).toBe(
      "closed 0.12 s early: the seam stumbles each time round, and against a click at 92 it is a beat ahead after 5 passes",
    );
  });

  it("is clean where begin and close are near enough, and tells a begin beside the beat apart", () => {
    expect(tellTake(judgeTake(take(0.01, 4 * BAR), asked(4), null), 92)).toBe("begun and closed on the beat");
    const beside = judgeTake(take(BAR + 0.2, 5 * BAR + 0.2), asked(4), null);
    expect(beside.closed).toBeCloseTo(0, 9);
    expect(tellTake(beside, 92)).toBe("begun 0.20 s late, closed after whole bars: it lies beside the beat");
  });

  it("goes by the first take, not by the click: who plays along with a short loop closes in time with it", () => {
    const first = { take: take(0, 9.6), bars: 4 };
    const along = judgeTake(take(9.6, 9.6 + 4.8, { track: 1 }), asked(2), first);
    expect(along).toMatchObject({ isClean: true, beatOffAfter: null });
    const byClick = judgeTake(take(9.6, 9.6 + 2 * BAR, { track: 1 }), asked(2), first);
    expect(byClick.closed).toBeCloseTo(2 * BAR - 4.8, 9);
  });

  it("has no seam on top of a track, nor where the box gives the length", () => {
    const first = { take: take(0, 4 * BAR), bars: 4 };
    const over = judgeTake(take(4 * BAR, 8 * BAR + 0.3, { over: true }), asked(4), first);
    expect(over).toMatchObject({ isSeam: false, beatOffAfter: null });
    expect(tellTake(over, 92)).toBe(
      "closed 0.30 s late: what you play after the bar lies over its beginning",
    );
    const shared = judgeTake(take(4 * BAR, 8 * BAR - 0.3), asked(4, { sharedLength: true }), first);
    expect(tellTake(shared, 92)).toBe("closed 0.30 s early: its last beats are missing");
    // The first one gives the length on such a box too.
    expect(judgeTake(take(0, 9), asked(4, { sharedLength: true }), null).isSeam).toBe(true);
  });

  it("law: after the passes it names, the loop is off by about a beat, never by less than half of one", () => {
    fc.assert(
      fc.property(fc.double({ min: 0.041, max: 1.5, noNaN: true }), fc.boolean(), (off, early) => {
        const verdict = judgeTake(take(0, 4 * BAR + (early ? -off : off)), asked(4), null);
        const beats = (verdict.beatOffAfter! * off) / (BAR / 4);
        if (off < BAR / 4) expect(Math.abs(beats - 1)).toBeLessThanOrEqual(0.5 + 1e-9);
        else expect(verdict.beatOffAfter).toBe(1);
      }),
    );
  });
});

describe("drift inside a take", () => {
  it("is told apart from where it was opened: a line through how far taps lie from their beats", () => {
    // Every beat 10 ms earlier than the one before, all of it begun 30 ms late.
    const taps = Array.from({ length: 9 }, (_, beat) => 0.03 + beat * 0.5 - beat * 0.01);
    const drift = driftInside(take(0, 4), taps, 0.5)!;
    expect([drift.over, drift.spread, drift.taps]).toEqual([
      expect.closeTo(-0.08, 9),
      expect.closeTo(0, 9),
      9,
    ]);
    expect(tellDrift(drift)).toBe("inside it you run ahead, by 0.08 s to its end, beats 0 ms from even");
  });

  it("says nothing of few taps, nor of taps outside", () => {
    expect(driftInside(take(0, 4), [0, 0.5, 1], 0.5)).toBeNull();
    expect(driftInside(take(10, 14), [0, 0.5, 1, 1.5, 2], 0.5)).toBeNull();
  });

  it("tells unevenness where the tempo holds", () => {
    const taps = [0.02, 0.48, 1.02, 1.48, 2.02, 2.48, 3.02, 3.48];
    expect(tellDrift(driftInside(take(0, 4), taps, 0.5)!)).toMatch(
      /^inside it you hold the tempo, beats (19|20) ms/u,
    );
  });
});

describe("another try", () => {
  it("costs a count-in and the pass at first, later the round that comes by and the pass", () => {
    expect(priceOfAgain({ bars: 4, barSeconds: 2 }, null, 10, 20)).toEqual({ seconds: 10, isTooLong: false });
    const first = { take: take(0, 8), bars: 4 };
    expect(priceOfAgain({ bars: 2, barSeconds: 2 }, first, 16, 8)).toEqual({ seconds: 12, isTooLong: false });
    expect(priceOfAgain({ bars: 2, barSeconds: 2 }, first, 28, 8).isTooLong).toBe(true);
  });
});
