import { describe, expect, it } from "vitest";
import { budgetAt, CONTRACTS, ENGINES, runEngine } from ".";

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
    expect(CONTRACTS.map((engine) => engine.name)).toEqual([
      "beats",
      "capo",
      "fingerings",
      "identify",
      "voice-path",
      "planted",
      "stand-ins",
      "degree-line",
      "harmoniser",
      "follow-line",
      "strum",
      "play",
      "split",
      "arrange",
      "loops",
      "recover",
      "tones",
      "tones-live",
      "pedals",
      "delay",
      "read",
    ]);
    for (const { summary } of CONTRACTS) expect(summary).toMatch(/\.$/);
  });

  it("name the field that is wrong", () => {
    expect(error("weather", {})).toBe("engine");
    expect(error("capo", null)).toBe("input");
    expect(error("capo", { chords: G })).toBe("key");
    expect(error("capo", { key: "H", chords: G })).toBe("key");
    expect(error("capo", { key: "G", chords: [{ symbol: "Go", beats: 4 }] })).toBe("chords.0.symbol");
    expect(error("capo", { key: "G", chords: [{ symbol: "G", beats: 0 }] })).toBe("chords.0.beats");
    expect(error("capo", { key: "G", chords: G, maxCapo: 40 })).toBe("maxCapo");
    expect(error("capo", { key: "G", chords: G, tuning: ["E2", "A2"] })).toBe("tuning");
    expect(error("fingerings", { symbol: "G", tuning: ["E2", "A2", "Z3"] })).toBe("tuning.2");
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
        suggestions: [{ message: "Line 1: Bm 6, A 2: 8 beats, 2 bars", line: 0, at: 1, beats: 2 }],
      },
    ]);
  });
});

describe("read", () => {
  const out = (text: string, options: Json = {}) =>
    result("read", { text, ...options }) as Json & {
      sections: { label: string; kind: string; bars: number; lines: { words: string; chords: Json[] }[] }[];
    };

  it("gives the key that sounds, the symbols that are written, and whether they are shapes", () => {
    const said = (head: string) => {
      const { key, keySure, capo, shapes, sections, problems } = out(
        `${head}\n\n[Verse]\nG C D G\nla la la la`,
      );
      const symbols = sections[0]!.lines[0]!.chords.map(({ symbol }) => symbol).join(" ");
      return [key, keySure, capo, shapes, symbols, (problems as Json[]).length];
    };
    expect(said("Key: B♭\nCapo: 3")).toEqual(["Bb", true, 3, true, "G C D G", 0]);
    expect(said("Key: G\nCapo: 3")).toEqual(["G", true, 3, false, "G C D G", 0]);
    expect(said("Capo 3")).toEqual(["Bb", false, 3, true, "G C D G", 0]);
    expect(said("Capo 4 (play in G, sounds in B)")).toEqual(["B", true, 4, true, "G C D G", 0]);
    expect(said("Key: G")).toEqual(["G", true, 0, false, "G C D G", 0]);
  });

  it("gives key, form, chords with beats and places", () => {
    const song = out(
      "Harbour\nKey: G\nTempo: 80\n\n[Verse]\nG   / / D\nLight on\n[Chorus]\nC\n[Verse]\n[Chorus] x2\n",
    );
    expect(song).toMatchObject({
      title: "Harbour",
      key: "G",
      keySure: true,
      tempo: 80,
      meter: { beats: 4, unit: 4 },
      capo: 0,
      naming: "letters",
      form: [0, 1, 0, 1, 1],
      problems: [],
      losses: [],
    });
    expect(song.sections[0]).toEqual({
      label: "Verse",
      kind: "verse",
      bars: 1,
      pickup: 0,
      lines: [
        {
          words: "Light on",
          chords: [
            { symbol: "G", beats: 3, at: 0, guessed: false, sure: true },
            { symbol: "D", beats: 1, at: 8, guessed: false, sure: true },
          ],
        },
      ],
    });
  });

  it("takes what the caller knows over what the text says", () => {
    expect(out("1 5/7 6m 4", { key: "A" }).sections[0]!.lines[0]!.chords.map((one) => one.symbol)).toEqual([
      "A",
      "E/G#",
      "F#m",
      "D",
    ]);
    const waltz = out("G C D", { meter: { beats: 3, unit: 4 }, beatsPerChord: 3 });
    expect(waltz.sections[0]).toMatchObject({
      bars: 3,
      lines: [{ chords: [{ beats: 3 }, { beats: 3 }, { beats: 3 }] }],
    });
  });

  it("plays a transposed section as one of its own", () => {
    const song = out("{key: G}\n{soc}\n[G]a [D/F#]b\n{eoc}\n{transpose: 2}\n{chorus}");
    expect(song).toMatchObject({ form: [0, 1] });
    expect(song.sections[1]!.lines[0]!.chords.map((one) => one.symbol)).toEqual(["A", "E/G#"]);
  });

  it("drops nothing silently", () => {
    const song = out("{title: A}\n{soc}\n{image: x.png}\n[G]a [*soft]b\n{eoc}\n{sot}\ne|--0--\n{eot}");
    expect(JSON.stringify(song.losses)).toContain("image");
    expect(JSON.stringify(song.losses)).toContain("soft");
    expect(JSON.stringify(song.losses)).toContain("e|--0--");
  });

  it("names the field that is wrong", () => {
    expect(error("read", {})).toBe("text");
    expect(error("read", { text: "G", format: "pdf" })).toBe("format");
    expect(error("read", { text: "G", key: "H" })).toBe("key");
    expect(error("read", { text: "G", meter: { beats: 0, unit: 4 } })).toBe("meter");
    expect(error("read", { text: "G", beatsPerChord: 0 })).toBe("beatsPerChord");
    expect(error("read", { text: "G".repeat(200_001) })).toBe("text");
  });
});

describe("budgets", () => {
  it("are those asked for, within what the door allows", () => {
    const steps = { http: 100, window: { most: 50 } };
    expect([budgetAt("http", steps), budgetAt("http", steps, 20), budgetAt("http", steps, 1000)]).toEqual([
      100, 20, 100,
    ]);
    expect([budgetAt("window", steps), budgetAt("window", steps, 20), budgetAt("window", steps, 90)]).toEqual(
      [undefined, 20, 50],
    );
    expect([budgetAt("command line", steps), budgetAt("command line", steps, 1e9)]).toEqual([undefined, 1e9]);
  });

  it("are checked at their field, where an engine has one", () => {
    const shape = { symbol: "G" };
    expect(error("fingerings", { ...shape, budget: "much" })).toBe("budget");
    expect(error("fingerings", { ...shape, budget: -1 })).toBe("budget");
    expect(result("fingerings", { ...shape, budget: 10 })).toMatchObject({ exact: false });
  });

  it("bound a search at a door that the command line may let go on", () => {
    const input = { symbol: "G13", budget: 1e12, tuning: ["E2", "A2", "D3", "G3", "B3", "E4"] };
    expect(runEngine("fingerings", { ...input, budget: 50 }, "http")).toMatchObject({
      result: { exact: false },
    });
    expect(runEngine("fingerings", input)).toMatchObject({ result: { exact: true } });
  });

  it("have a bound at every door where somebody waits, in every engine that counts steps", () => {
    const counting = ENGINES.flatMap(({ name, steps }) => (steps ? [name] : []));
    expect(counting).toEqual(
      ["voice-path", "fingerings", "planted", "loops", "tones", "evening-banks"].toSorted(
        (a, b) => order(a) - order(b),
      ),
    );
    for (const { steps } of ENGINES)
      for (const bound of steps ? [steps.http, steps.window] : []) {
        const most = typeof bound === "number" ? bound : bound.most;
        expect(Number.isFinite(most) && most > 0).toBe(true);
      }
  });
});

const order = (name: string) => ENGINES.findIndex((engine) => engine.name === name);
