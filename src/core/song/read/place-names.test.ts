import { describe, expect, it } from "vitest";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { outlineOf } from "./outline";
import { placeNames } from "./place-names";

const names = (form: string[], labels: Record<number, string> = {}): string[] => {
  const sections = { Chorus: { lines: ["a/G:4"] }, "Verse 1": { lines: ["b/C:4"] } };
  const body = sampleVersion(sections, form);
  const uses = Object.fromEntries(
    Object.values(body.uses).map((use, at) => [use.id, { ...use, label: labels[at] ?? null }]),
  );
  return [...placeNames(outlineOf({ ...body, uses })).values()];
};

describe("names of places", () => {
  it("are the section's, numbered where it comes more than once", () => {
    expect(names(["Verse 1", "Chorus", "Chorus"])).toEqual(["Verse 1", "Chorus 1", "Chorus 2"]);
    expect(names(["Verse 1", "Chorus", "Verse 1"])).toEqual(["Verse 1", "Chorus", "Verse 1 (2)"]);
  });

  it("are their own where they have one, which counts for no number and is nobody else's", () => {
    expect(names(["Verse 1", "Verse 1"], { 1: "Verse 2" })).toEqual(["Verse 1", "Verse 2"]);
    expect(names(["Chorus", "Chorus", "Chorus"], { 2: "Chorus 2" })).toEqual([
      "Chorus 1",
      "Chorus (2)",
      "Chorus 2",
    ]);
  });
});
