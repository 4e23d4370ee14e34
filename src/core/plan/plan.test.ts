import { describe, expect, it } from "vitest";
import { ENGINES, runEngine } from ".";

type Json = Record<string, unknown>;
const result = (name: string, input: unknown) => {
  const outcome = runEngine(name, input);
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.error));
  return outcome.result as never;
};
const error = (name: string, input: unknown) => {
  const outcome = runEngine(name, input);
  if (outcome.ok) throw new Error("Expected an error.");
  expect(outcome.error.message).not.toMatch(/\n/);
  return outcome.error.path;
};
const G = [{ symbol: "G", beats: 4 }];
const common = { meter: { beats: 4, unit: 4 } };

describe("engines", () => {
  it("are listed once each, with a summary", () => {
    expect(ENGINES.map((engine) => engine.name)).toEqual(["beats", "capo", "fingerings"]);
    for (const { summary } of ENGINES) expect(summary).toMatch(/\.$/);
  });

  it("name the field that is wrong", () => {
    expect(error("loops", {})).toBe("engine");
    expect(error("capo", null)).toBe("input");
    expect(error("capo", { chords: G })).toBe("key");
    expect(error("capo", { key: "H", chords: G })).toBe("key");
    expect(error("capo", { key: "G", chords: [{ symbol: "Go", beats: 4 }] })).toBe("chords.0.symbol");
    expect(error("capo", { key: "G", chords: [{ symbol: "G", beats: 0 }] })).toBe("chords.0.beats");
    expect(error("capo", { key: "G", chords: G, maxCapo: 40 })).toBe("maxCapo");
    expect(error("capo", { key: "G", chords: G, tuning: ["E2", "A2"] })).toBe("tuning");
    expect(error("fingerings", { symbol: "G", tuning: ["E2", "A2", "Z3"] })).toBe("tuning.2");
    expect(error("fingerings", { symbol: "G", style: "triad" })).toBe("style");
    expect(error("fingerings", { symbol: "G", style: "loud" })).toBe("style");
    expect(error("fingerings", { symbol: "G", capo: 13 })).toBe("capo");
    expect(error("fingerings", { symbol: "G", maxFret: 99 })).toBe("maxFret");
    expect(error("fingerings", { symbol: "G", strings: [0, 6] })).toBe("strings.1");
    expect(error("beats", { meter: { beats: 5, unit: 0 }, sections: [] })).toBe("meter.unit");
    expect(error("beats", { meter: { beats: 0, unit: 4 }, sections: [] })).toBe("meter.beats");
    expect(error("beats", { ...common, beatUnit: "1/5", sections: [] })).toBe("beatUnit");
    expect(
      error("beats", {
        ...common,
        beatUnit: "1/16",
        sections: [{ id: "a", lines: [[{ symbol: "G", beats: 0.302 }]] }],
      }),
    ).toBe("sections.0.lines.0.0.beats");
    expect(
      error("beats", {
        ...common,
        sections: [
          { id: "a", lines: [] },
          { id: "a", lines: [] },
        ],
      }),
    ).toBe("sections.1.id");
    expect(error("beats", { ...common, sections: [{ id: "a", pickup: 4, lines: [G] }] })).toBe(
      "sections.0.pickup",
    );
    expect(
      error("beats", { ...common, sections: [{ id: "a", pickup: 2, lines: [[{ symbol: "G", beats: 1 }]] }] }),
    ).toBe("sections.0.pickup");
  });
});

describe("capo", () => {
  it("answers for every capo, least effort first", () => {
    const { options } = result("capo", {
      key: "D",
      chords: [...G, { symbol: "A/C#", beats: 2 }],
      maxCapo: 4,
    }) as { options: Json[] };
    expect(options.map((one) => one.capo).sort()).toEqual([0, 1, 2, 3, 4]);
    expect(options.find((one) => one.capo === 2)).toMatchObject({
      shapeKey: "C",
      chords: [
        { symbol: "G", shape: "F" },
        { symbol: "A/C#", shape: "G/B" },
      ],
    });
  });
});

describe("fingerings", () => {
  it("answers with the easiest first and the total", () => {
    const { fingerings, total } = result("fingerings", { symbol: "Em", limit: 2 }) as {
      fingerings: Json[];
      total: number;
    };
    expect(fingerings).toHaveLength(2);
    expect(fingerings[0]).toMatchObject({ frets: [0, 2, 2, 0, 0, 0], is: "Em" });
    expect(total).toBeGreaterThan(100);
  });
});

describe("beats", () => {
  it("feels 6/8 in dotted quarters and closes", () => {
    const input = {
      meter: { beats: 6, unit: 8 },
      sections: [{ id: "v", lines: [[{ symbol: "G", beats: 1 }], [{ symbol: "C", beats: 3 }]] }],
    };
    expect(result("beats", input)).toEqual({
      sections: [
        {
          id: "v",
          bars: [
            [
              { symbol: "G", beats: 1 },
              { symbol: "C", beats: 1 },
            ],
            [{ symbol: "C", beats: 2 }],
          ],
          lines: [
            { beats: 1, carryIn: 0, carryOut: 1 },
            { beats: 3, carryIn: 1, carryOut: 0 },
          ],
        },
      ],
      problems: [],
    });
  });

  it("offers what would close a section", () => {
    const { problems } = result("beats", {
      ...common,
      sections: [
        {
          id: "v",
          lines: [
            [
              { symbol: "Bm", beats: 6 },
              { symbol: "A", beats: 1 },
            ],
          ],
        },
      ],
    }) as { problems: Json[] };
    expect(problems).toEqual([
      {
        section: "v",
        line: 0,
        at: 1,
        message: "The section ends 3 beats into a bar of 4: 1 beat is missing, or 3 too many.",
        suggestions: [{ message: "Line 1: Bm 6, A 2: 8 beats", line: 0, at: 1, beats: 2 }],
      },
    ]);
  });
});
