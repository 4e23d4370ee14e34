import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { daysBetween, nextMinutes, type PracticePlace } from "./next-minutes";

const change = (what: string, hard: number): PracticePlace => ({ kind: "changes", what, hard, spots: 0 });
const section = (what: string, hard: number, spots = 0): PracticePlace => ({
  kind: "section",
  what,
  hard,
  spots,
});
const PLACES = [
  change("G – D", 6),
  change("D – Em", 3),
  section("Verse 1", 6),
  section("Chorus", 9),
  section("Outro", 0),
];
const counted = (what: string, clean: number, day = "2026-12-02") =>
  ({ day, kind: "changes", what, percent: null, clean }) as const;
const gone = (what: string, percent: number, clean: number | null, day = "2026-12-02") =>
  ({ day, kind: "part", what, percent, clean }) as const;
const time = (more: object = {}) => ({ today: "2026-12-02", evening: null, minutes: 10, ...more });
const told = (log: Parameters<typeof nextMinutes>[1], more: object = {}) =>
  nextMinutes(PLACES, log, time(more)).map(
    ({ place, minutes, percent }) =>
      `${place?.what ?? "all"} ${minutes}${percent === null ? "" : ` at ${percent}`}`,
  );

const chorusIn = (steps: readonly string[]) => steps.find((one) => one.startsWith("Chorus"));

describe("the next ten minutes", () => {
  it("begin with the hardest changes, then the hardest sections, slowly", () =>
    expect(told([])).toEqual(["G – D 1", "D – Em 1", "Chorus 3 at 60", "Verse 1 5 at 60"]));

  it("leave what is sure, and go on a step faster where it was clean", () => {
    const log = [counted("G – D", 34), gone("Chorus", 100, 4), gone("Verse 1", 70, 3)];
    expect(told(log)).toEqual(["D – Em 1", "Verse 1 3 at 80", "Outro 3 at 60", "all 3 at 100"]);
  });

  it("trust by half what nobody counted, and less what was long ago", () => {
    expect(chorusIn(told([gone("Chorus", 100, null)]))).toMatch(/at 100$/u);
    expect(told([counted("G – D", 34, "2026-11-20"), counted("D – Em", 34)])[0]).toBe("G – D 1");
    const [first] = nextMinutes(PLACES, [counted("G – D", 12, "2026-11-23")], time());
    expect(first!.why).toEqual(["it costs the hand 6.0 points", "12 clean a minute at best", "9 days ago"]);
  });

  it("take the last step of a ladder for what it is", () => {
    const step = {
      day: "2026-12-02",
      kind: "ladder",
      what: "Chorus: all",
      percent: 80,
      clean: null,
    } as const;
    expect(chorusIn(told([step]))).toMatch(/at 90$/u);
    expect(chorusIn(told([{ ...step, what: "Chorus: pattern" }]))).toMatch(/at 60$/u);
  });

  it("go through whole sections at full tempo where the evening is near", () => {
    expect(told([], { evening: "2026-12-03" })).toEqual([
      "G – D 1",
      "Chorus 3 at 100",
      "Verse 1 3 at 100",
      "Outro 3 at 100",
    ]);
    expect(told([], { evening: "2026-12-20" })).toEqual(told([]));
    expect(told([], { evening: "2026-11-20" })).toEqual(told([]));
    const all = [
      gone("Chorus", 100, 4),
      gone("Verse 1", 100, 4),
      gone("Outro", 100, 2),
      counted("G – D", 40),
      counted("D – Em", 40),
    ];
    expect(nextMinutes(PLACES, all, time({ evening: "2026-12-02" }))).toEqual([
      { place: null, minutes: 10, percent: 100, why: ["everything else is sure", "the evening is today"] },
    ]);
  });

  it("counts days as the platform's own calendar does, over months, years and leap days", () => {
    expect(daysBetween("2026-11-30", "2026-12-02")).toBe(2);
    expect(daysBetween("2028-02-28", "2028-03-01")).toBe(2);
    const days = fc.date({ min: new Date("1900-01-01"), max: new Date("2400-12-31"), noInvalidDate: true });
    const text = (date: Date) => date.toISOString().slice(0, 10);
    fc.assert(
      fc.property(days, days, (a, b) => {
        const apart = (Date.parse(text(b)) - Date.parse(text(a))) / 86_400_000;
        expect(daysBetween(text(a), text(b))).toBe(apart);
      }),
    );
  });

  it("come back to where something was marked, sure or not", () => {
    const places = [section("Verse 1", 6), section("Outro", 0, 2)];
    const sure = [gone("Verse 1", 100, 4), gone("Outro", 100, 4)];
    const [first] = nextMinutes(places, sure, time());
    expect(first).toMatchObject({ place: { what: "Outro" }, percent: 100 });
    expect(first!.why).toEqual(["2 bars of it were marked", "100 % of its tempo so far"]);
  });

  it("always fill the time exactly, name each place once, and never what is sure", () => {
    const places = fc.uniqueArray(
      fc.record({
        kind: fc.constantFrom("changes" as const, "section" as const),
        what: fc.constantFrom(..."abcdefgh"),
        hard: fc.double({ min: 0, max: 12, noNaN: true }),
        spots: fc.constant(0),
      }),
      { selector: ({ kind, what }) => `${kind} ${what}` },
    );
    fc.assert(
      fc.property(places, fc.integer({ min: 1, max: 30 }), fc.boolean(), (all, minutes, isSoon) => {
        const steps = nextMinutes(all, [gone("a", 100, 1), counted("b", 30)], {
          today: "2026-12-02",
          evening: isSoon ? "2026-12-03" : null,
          minutes,
        });
        expect(steps.reduce((sum, one) => sum + one.minutes, 0)).toBe(minutes);
        const names = steps.map(({ place }) => (place ? `${place.kind} ${place.what}` : "all"));
        expect(new Set(names).size).toBe(names.length);
        expect(names).not.toContain("section a");
        expect(names).not.toContain("changes b");
      }),
    );
  });
});
