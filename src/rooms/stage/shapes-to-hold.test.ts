import { describe, expect, it } from "vitest";
import type { StageShape } from "@/core/stage";
import { shapesToHold } from "./shapes-to-hold";

const shape = (name: string, frets: (number | null)[], where: string | null = null): StageShape => ({
  name,
  really: null,
  where,
  frets,
  fingers: frets.map(() => null),
});
const open = [null, 0, 2, 2, 2, 0];
const small = [null, null, null, 2, 2, 5];

describe("shapes at the head of a printed sheet", () => {
  it("stand once, and say nothing where a chord has one shape", () => {
    const told = shapesToHold([
      { label: "Verse", shapes: [shape("A", open)] },
      { label: "Chorus", shapes: [shape("A", open)] },
    ]);
    expect(told).toEqual([shape("A", open)]);
  });

  it("keep both of a chord held otherwise elsewhere, with where each is held", () => {
    const told = shapesToHold([
      { label: "Verse", shapes: [shape("A", small), shape("D", small)] },
      { label: "Chorus", shapes: [shape("A", small, "from bar 1"), shape("A", open, "from bar 5")] },
      { label: "End", shapes: [shape("A", open)] },
    ]);
    expect(told.map(({ name, where }) => [name, where])).toEqual([
      ["A", "Verse, Chorus from bar 1"],
      ["D", null],
      ["A", "Chorus from bar 5, End"],
    ]);
  });
});
