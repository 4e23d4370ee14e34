import { describe, expect, it } from "vitest";
import { OWN_NAMES } from "@/core/song/names";
import { queryOf, readChoice } from "./query";

const readBack = (query: string) => readChoice(Object.fromEntries(new URLSearchParams(query)));

describe("names in an address", () => {
  it("say nothing where each has their own", () => expect(queryOf(OWN_NAMES)).toBe(""));

  it.each([
    OWN_NAMES,
    { ...OWN_NAMES, shows: "degrees" as const },
    {
      shows: "shapes" as const,
      of: "p 1&2",
      writing: "german" as const,
      accidentals: "flats" as const,
      lines: "both" as const,
    },
  ])("are read back: %j", (choice) => expect(readBack(queryOf(choice))).toEqual(choice));

  it("are each their own where the address is wrong", () =>
    expect(readChoice({ shows: "loud", writing: ["a", "b"], of: "x".repeat(100) })).toEqual(OWN_NAMES));
});
