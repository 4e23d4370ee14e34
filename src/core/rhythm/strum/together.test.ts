import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { unwrap } from "../../../base";
import {
  comparePatterns,
  describeGateProblem,
  describeMeeting,
  describeSpokenProblem,
  fitPattern,
  formatStrokes,
  gateSpans,
  onsetsOf,
  paceOf,
  paceOfPattern,
  patternFromTaps,
  readCounts,
  readGate,
  readPattern,
  readSpoken,
  type Stroke,
} from ".";

const FOUR = { beats: 4, unit: 4 };
const SIX = { beats: 6, unit: 8 };
const read = (text: string, subdivision = 2, meter = FOUR) =>
  unwrap(readPattern({ meter, subdivision, text }));
const down: Stroke = { kind: "down", weight: 2 };

describe("two patterns", () => {
  it("meet where both strike, counted by hand", () => {
    const met = unwrap(comparePatterns(read("D . D . D . D ."), read("D . . U . U D .")));
    expect(met).toMatchObject({ shared: 2, united: 6, onlyA: [960, 1920], onlyB: [1440, 2400] });
    expect(met.overlap).toBeCloseTo(1 / 3, 12);
  });

  it("repeats half a bar under a whole one", () => {
    const met = unwrap(comparePatterns(read("D . D ."), read("D . . . D . . .")));
    expect(met).toMatchObject({ ticks: 3840, shared: 2, united: 4, onlyA: [960, 2880], onlyB: [] });
  });

  it("meets patterns of two and three beats after six", () => {
    const met = unwrap(comparePatterns(read("D . D ."), read("D . . . . .")));
    expect(met.ticks).toBe(6 * 960);
    expect(met.shared).toBe(2);
  });

  it("refuses bars of different length", () => {
    expect(comparePatterns(read("D ."), read("D U D", 3, SIX))).toMatchObject({ ok: false });
  });

  it("is the same seen from the other side, and whole with itself", () => {
    const some = fc.array(fc.constantFrom("D", "U", "x", ".", "-"), { minLength: 1, maxLength: 8 });
    fc.assert(
      fc.property(some, some, (a, b) => {
        const [one, other] = [read([...a, ...a].join(" ")), read([...b, ...b].join(" "))];
        const [met, back] = [unwrap(comparePatterns(one, other)), unwrap(comparePatterns(other, one))];
        expect(back).toMatchObject({ shared: met.shared, united: met.united, onlyA: met.onlyB });
        const own = unwrap(comparePatterns(one, one));
        expect(own.overlap).toBe(onsetsOf(one).length === 0 ? 0 : 1);
        expect(met.shared + met.onlyA.length + met.onlyB.length).toBe(met.united);
      }),
    );
  });

  it("is judged in words", () => {
    const say = (a: string, b: string) => describeMeeting(unwrap(comparePatterns(read(a), read(b))));
    expect(say("D .", "D .")).toContain("same rhythm twice");
    expect(say("D .", "- U")).toContain("never meet");
    expect(say("D U D U D U D U", "D . . . D . . .")).toContain("interlock");
    expect(say("D . D . D . D .", "D . D . D . . .")).toContain("nearly one guitar twice");
    expect(say("D U D U", "D U . .")).toContain("left out");
    expect(say(". .", "- -")).toBe("Neither plays.");
  });
});

describe("fitting a pattern to chords", () => {
  const bar = read("D . D U . U D U");
  const ticksOf = (fitted: readonly { tick: number }[]) => fitted.map(({ tick }) => tick);

  it("begins again with each chord and is cut where it ends", () => {
    const fitted = fitPattern(
      bar,
      [
        { tick: 0, ticks: 1920 },
        { tick: 1920, ticks: 4800 },
      ],
      "chord",
    );
    expect(ticksOf(fitted)).toEqual([0, 960, 1440, 1920, 2880, 3360, 4320, 4800, 5280, 5760]);
    expect(fitted.find(({ tick }) => tick === 1440)!.until).toBe(1920);
  });

  it("runs on through the section while the chords change over it", () => {
    const fitted = fitPattern(
      bar,
      [
        { tick: 0, ticks: 1920 },
        { tick: 1920, ticks: 1920 },
      ],
      "section",
    );
    expect(ticksOf(fitted)).toEqual([0, 960, 1440, 2400, 2880, 3360]);
  });

  it("tells a rest from letting ring", () => {
    const [ringing] = fitPattern(read("D . . ."), [{ tick: 0, ticks: 1920 }], "chord");
    const [choked] = fitPattern(read("D - . ."), [{ tick: 0, ticks: 1920 }], "chord");
    expect([ringing!.until, choked!.until]).toEqual([1920, 480]);
  });

  it("strikes a chord that comes early where it comes", () => {
    const fitted = fitPattern(
      read("D . D ."),
      [
        { tick: 0, ticks: 3360 },
        { tick: 3360, ticks: 2400 },
      ],
      "chord",
    );
    expect(ticksOf(fitted)).toEqual([0, 960, 1920, 2880, 3360, 4800]);
  });

  it("of one bar under chords of whole bars is the pattern each bar", () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 3 }), { minLength: 1, maxLength: 5 }), (bars) => {
        let tick = 0;
        const chords = bars.map((count) => {
          const chord = { tick, ticks: count * 3840 };
          tick += chord.ticks;
          return chord;
        });
        const wanted = Array.from({ length: tick / 3840 }, (_, at) =>
          onsetsOf(bar).map((onset) => onset + at * 3840),
        ).flat();
        expect(ticksOf(fitPattern(bar, chords, "chord"))).toEqual(wanted);
        expect(ticksOf(fitPattern(bar, chords, "section"))).toEqual(wanted);
      }),
    );
  });
});

describe("the hand's pace", () => {
  const tempo = { bpm: 120, beatUnit: "1/4" };

  it("counts a stroke all down as a whole movement, by turns as half of one", () => {
    expect(paceOf([0, 240, 480], "down", tempo, "fluent")).toMatchObject({
      swingsASecond: 8,
      tooFast: true,
      alternateHelps: true,
      bpmUpTo: 90,
    });
    expect(paceOf([0, 240, 480], "alternate", tempo, "steady")).toMatchObject({
      swingsASecond: 4,
      tooFast: false,
    });
  });

  it("sees the gap over the bar line, and knows nothing of a single stroke", () => {
    expect(paceOfPattern(read("D . . U"), tempo, "beginner")!.swingsASecond).toBe(2);
    expect(paceOf([0], "down", tempo, "fluent")).toBeNull();
    expect(paceOfPattern(read(". -"), tempo, "fluent")).toBeNull();
  });
});

describe("other ways to write a pattern", () => {
  it("reads spoken syllables", () => {
    expect(formatStrokes(unwrap(readSpoken("DUM~ dum ta~ ta dum ta")))).toBe("D3 . D U . U D U");
    expect(formatStrokes(unwrap(readSpoken("dum-ta chk (ta) . -")))).toBe("D U x U1 . -");
  });

  it("says which syllable is none", () => {
    const found = readSpoken("dum la");
    expect(found).toMatchObject({ problem: { code: "syllable", at: 1, text: "la" } });
    if (!found.ok) expect(describeSpokenProblem(found.problem)).toContain("Syllable 2");
    expect(readSpoken("  ").ok).toBe(false);
  });

  it("reads counts, with the bar filled and the next begun where they start again", () => {
    expect(formatStrokes(unwrap(readCounts("1, 2, 2&, 3&, 4, 4&", FOUR, 2)))).toBe("D . D U . U D U");
    expect(formatStrokes(unwrap(readCounts("1! 3 1", FOUR, 2)))).toBe("D3 . . . D . . . D . . . . . . .");
    expect(formatStrokes(unwrap(readCounts("1 2a", FOUR, 4)))).toBe("D . . . . . . U . . . . . . . .");
    expect(formatStrokes(unwrap(readCounts("1 3 4 6", SIX, 3)))).toBe("D . D D . D");
    expect(readCounts("1 5", FOUR, 2)).toMatchObject({ problem: { code: "count", at: 1 } });
  });

  it("lays taps on the nearest place and tells how far off they were", () => {
    const tapped = patternFromTaps(
      [
        { ms: -20, stroke: down },
        { ms: 960, stroke: { kind: "up", weight: 2 } },
        { ms: 1010, stroke: { kind: "dead" } },
      ],
      { meter: FOUR, subdivision: 2, tempo: { bpm: 60, beatUnit: "1/4" }, bars: 1 },
    );
    expect(tapped).toMatchObject({ value: { doubled: 1 } });
    const even = unwrap(
      patternFromTaps(
        [
          { ms: 0, stroke: down },
          { ms: 1530, stroke: { kind: "up", weight: 2 } },
        ],
        {
          meter: FOUR,
          subdivision: 2,
          tempo: { bpm: 60, beatUnit: "1/4" },
          bars: 1,
        },
      ),
    );
    expect(formatStrokes(even.pattern.strokes)).toBe("D . . U . . . .");
    expect(even.farthestMs).toBeCloseTo(30, 9);
  });

  it("refuses no taps and taps long before the bar", () => {
    const input = { meter: FOUR, subdivision: 2 as const, tempo: { bpm: 60, beatUnit: "1/4" }, bars: 1 };
    expect(patternFromTaps([], input).ok).toBe(false);
    expect(patternFromTaps([{ ms: -900, stroke: down }], input).ok).toBe(false);
  });
});

describe("the on–off row", () => {
  const pattern = read("D . . . D . . .");

  it("repeats a shorter row and joins what is on", () => {
    const gate = unwrap(readGate("1 1 0 1", pattern));
    expect(readGate("1101", pattern)).toEqual(readGate("1 1 0 1", pattern));
    expect(readGate("11 01", pattern)).toEqual(readGate("1 1 0 1", pattern));
    expect(gateSpans(gate, pattern)).toEqual([
      { from: 0, to: 960 },
      { from: 1440, to: 2880 },
      { from: 3360, to: 3840 },
    ]);
  });

  it("says what is wrong with a row", () => {
    for (const text of ["1 2", "1 0 1", ""]) {
      const found = readGate(text, pattern);
      expect(found.ok).toBe(false);
      if (!found.ok) expect(describeGateProblem(found.problem)).toContain("on–off row");
    }
  });
});
