import { describe, expect, it } from "vitest";
import { sampleVersion } from "../../../testing/song/sample-version";
import { unwrap } from "../../base";
import { applyEdit } from "../../document";
import { add } from "../song/edit";
import { DOCUMENTS, type LoopRun } from "../song/schema";
import { footRunRow, footRuns } from "./foot-runs";
import { LOG_COLUMNS } from "./log";

const press = (judged: LoopRun["presses"][number]["judged"], ms: number | null) =>
  ({ judged, ms, place: "first", sung: false }) as const;
const plain = sampleVersion(
  { verse: { lines: ["On/G:4"] } },
  ["verse"],
  [{ name: "Ann" }, { name: "Bo", loops: true }],
);
const body = [
  add("loopRuns", {
    id: "l",
    order: "V",
    day: "2026-12-02",
    presses: [press("right", 10), press("late", 300), press("missed", null), press("wrong", null)],
  }),
  add("soundRuns", {
    id: "s",
    order: "V",
    day: "2026-12-01",
    playerId: "p0",
    presses: [press("missed", null)],
  }),
].reduce((now, command) => unwrap(applyEdit(DOCUMENTS.version, now, command)).body, plain);

describe("runs of feet in the log", () => {
  it("tells whose feet, how many were right of those due, and how far off they were, by hand", () => {
    expect(footRuns(body)).toEqual([
      {
        table: "soundRuns",
        id: "s",
        day: "2026-12-01",
        player: "Ann",
        on: "box of sounds",
        due: 1,
        right: 0,
        unasked: 0,
        meanMs: null,
      },
      {
        table: "loopRuns",
        id: "l",
        day: "2026-12-02",
        player: "Bo",
        on: "looper",
        due: 3,
        right: 1,
        unasked: 1,
        meanMs: 155,
      },
    ]);
    expect(footRuns(plain)).toEqual([]);
  });

  it("has a value for each column of the log", () => {
    const [, looper] = footRuns(body);
    expect(footRunRow(looper!)).toHaveLength(LOG_COLUMNS.length);
    expect(footRunRow(looper!).at(-1)).toBe("155 ms off, 1 not asked for");
  });
});
