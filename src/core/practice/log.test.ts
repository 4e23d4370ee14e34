import { describe, expect, it } from "vitest";
import type { Practice } from "../song/schema";
import { changeDays, LOG_COLUMNS, lastRehearsed, logRow, practiceDays } from "./log";

const entry = (fields: Partial<Practice>): Practice => ({
  id: "p",
  order: "V",
  day: "2026-12-01",
  kind: "part",
  versionId: null,
  player: "Ann",
  what: "Verse 1",
  minutes: 5,
  percent: 80,
  rounds: 4,
  clean: 0,
  note: "",
  ...fields,
});

describe("a log of practising", () => {
  it("knows the last day, by itself or as somebody said", () => {
    expect(lastRehearsed(null, [])).toBeNull();
    expect(lastRehearsed("2026-11-20", [])).toBe("2026-11-20");
    expect(lastRehearsed("2026-11-20", [entry({}), entry({ day: "2026-11-02" })])).toBe("2026-12-01");
    expect(lastRehearsed("2026-12-24", [entry({})])).toBe("2026-12-24");
  });

  it("adds a day up, and takes the tempo of what was clean before what was only faster", () => {
    const log = [
      entry({ percent: 100, clean: 0 }),
      entry({ percent: 70, clean: 3, minutes: 2.5 }),
      entry({ day: "2026-11-30", percent: null, clean: null }),
    ];
    expect(practiceDays(log)).toEqual([
      { day: "2026-11-30", minutes: 5, percent: null, clean: 0 },
      { day: "2026-12-01", minutes: 7.5, percent: 70, clean: 3 },
    ]);
    expect(practiceDays([entry({ percent: 90, clean: null })])[0]!.percent).toBe(90);
  });

  it("keeps the best minute of a change a day", () => {
    const change = (day: string, clean: number, what = "G – C") =>
      entry({ kind: "changes", day, clean, what });
    const days = changeDays([
      change("2026-12-02", 21),
      change("2026-12-01", 14),
      change("2026-12-02", 18),
      entry({}),
    ]);
    expect([...days]).toEqual([
      [
        "G – C",
        [
          { day: "2026-12-01", clean: 14 },
          { day: "2026-12-02", clean: 21 },
        ],
      ],
    ]);
  });

  it("writes a row as wide as its head", () => expect(logRow(entry({}))).toHaveLength(LOG_COLUMNS.length));
});
