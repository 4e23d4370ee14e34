import { describe, expect, it } from "vitest";
import { inOrder } from "./evening-order";

describe("evenings on the shelf", () => {
  it("put what comes next first, then what has no day, then what is over, the newest first", () => {
    const evenings = ["2026-11-01", null, "2026-12-24", "2026-12-01", "2025-12-24"].map((day) => ({ day }));
    expect(inOrder(evenings, "2026-12-01").map(({ day }) => day)).toEqual([
      "2026-12-01",
      "2026-12-24",
      null,
      "2026-11-01",
      "2025-12-24",
    ]);
  });
});
