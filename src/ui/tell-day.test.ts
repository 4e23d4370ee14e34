import { expect, it } from "vitest";
import { tellDay } from "./tell-day";

it("days are told in words", () => {
  expect(tellDay("2026-12-24")).toBe("Thursday, 24 December 2026");
  expect(tellDay("2028-02-29")).toBe("Tuesday, 29 February 2028");
  expect(tellDay(null)).toBe("");
});
