import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  type Asked,
  brokenLaws,
  type Catalogue,
  type Cell,
  holds,
  type Limit,
} from "../../testing/parts/arrangement-laws";
import { runEngine } from ".";

const FOUR = { beats: 4, unit: 4 };
type Answer = {
  readonly proposals: readonly {
    readonly school: string;
    readonly words: string;
    readonly cells: readonly (Cell & {
      readonly why: string;
      readonly pattern: object | null;
      readonly colour: string | null;
    })[];
    readonly terms: readonly { readonly value: number; readonly weight: number }[];
    readonly score: number;
    readonly bound: number;
    readonly exact: boolean;
    readonly violations: readonly {
      readonly law: number;
      readonly use: string | null;
      readonly words: string;
    }[];
  }[];
  readonly catalogue: Catalogue;
};
type Question = Omit<Partial<Asked>, "uses" | "players"> &
  Pick<Asked, "uses" | "players"> &
  Record<string, unknown>;

const ask = (question: Question): Answer => {
  const outcome = runEngine("arrange", { tempo: 96, meter: FOUR, key: "G", ...question });
  if (!outcome.ok) throw new Error(`Expected a result, got ${JSON.stringify(outcome.error)}.`);
  return outcome.result as Answer;
};
const refused = (question: object) => {
  const outcome = runEngine("arrange", {
    tempo: 96,
    meter: FOUR,
    key: "G",
    uses: FORM,
    players: BAND,
    ...question,
  });
  return outcome.ok ? null : outcome.error;
};

type Player = Asked["players"][number];
const RANGES: Readonly<Record<string, readonly [string, string]>> = {
  guitar: ["E2", "G5"],
  bass: ["E1", "Bb3"],
  keys: ["C2", "C6"],
  drums: ["C2", "C6"],
  voice: ["A3", "E5"],
};
const player = (id: string, instrument: string, more: Partial<Player> = {}): Player => ({
  id,
  instrument,
  level: "steady",
  range: RANGES[instrument]!,
  sings: false,
  ...more,
});
const use = (id: string, section: string, kind: string, more: Partial<Asked["uses"][number]> = {}) => ({
  id,
  section,
  kind,
  bars: 8,
  chords: ["G", "D", "Em", "C"],
  voice: { low: "B3", high: "B4" },
  energy: 2,
  bass: "needed" as const,
  ...more,
});
const FORM = [
  use("i", "intro", "intro", { bars: 4, energy: 1, voice: null }),
  use("v1", "verse", "verse"),
  use("c1", "chorus", "chorus", { energy: 3 }),
  use("v2", "verse", "verse"),
  use("c2", "chorus", "chorus", { energy: 3 }),
  use("b", "bridge", "bridge", { bass: "free" }),
  use("c3", "chorus", "chorus", { energy: 3 }),
  use("o", "outro", "outro", { bars: 4, energy: 1, voice: null }),
];
const BAND = [
  player("g1", "guitar", { sings: true }),
  player("g2", "guitar", { level: "fluent" }),
  player("b", "bass"),
  player("d", "drums"),
];

/** What the program tells, by number and use; and what the slow laws find, each of which it has to tell. */
function expectTold(question: Question, answer: Answer): void {
  for (const { cells, violations } of answer.proposals)
    for (const one of brokenLaws(question, cells, answer.catalogue)) {
      const [law, where] = one.split(" ");
      const told = violations.some(
        (other) => String(other.law) === law && (other.use === where || law === "5" || law === "7"),
      );
      expect(told, `${one} is broken and not told`).toBe(true);
    }
}

const level = fc.constantFrom("beginner", "steady", "fluent");
const fluency = fc.constantFrom("steady", "fluent");
const usualBand = fc
  .record({
    guitars: fc.array(fc.record({ level: fluency, sings: fc.boolean(), capo: fc.nat(4) }), {
      minLength: 2,
      maxLength: 3,
    }),
    bass: fc.boolean(),
    keys: fc.boolean(),
    drums: fc.boolean(),
    singer: fc.boolean(),
  })
  .map(({ guitars, bass, keys, drums, singer }) => [
    ...guitars.map((more, at) => player(`g${at}`, "guitar", more)),
    ...(bass ? [player("b", "bass")] : []),
    ...(keys ? [player("k", "keys")] : []),
    ...(drums ? [player("d", "drums")] : []),
    ...(singer ? [player("v", "voice")] : []),
  ]);
const oddBand = fc
  .array(
    fc.record({
      instrument: fc.constantFrom("guitar", "guitar", "bass", "keys", "drums", "voice"),
      level,
      sings: fc.boolean(),
      loops: fc.boolean(),
      away: fc.boolean(),
      capo: fc.nat(5),
    }),
    { minLength: 1, maxLength: 6 },
  )
  .map((all) => all.map(({ instrument, ...more }, at) => player(`p${at}`, instrument, more)));
const KINDS = ["intro", "verse", "pre-chorus", "chorus", "bridge", "outro"];
const oddForm = fc
  .array(
    fc.record({
      section: fc.nat(5),
      energy: fc.nat(4),
      bars: fc.integer({ min: 1, max: 9 }),
      sung: fc.boolean(),
      free: fc.boolean(),
    }),
    {
      minLength: 1,
      maxLength: 9,
    },
  )
  .map((all) =>
    all.map(({ section, energy, bars, sung, free }, at) =>
      use(`u${at}`, `s${section}`, KINDS[section]!, {
        energy,
        bars,
        voice: sung ? { low: "B3", high: "B4" } : null,
        bass: free ? "free" : "needed",
      }),
    ),
  );
/** Forms as songs have them: a letter a use. */
const usualForm = fc
  .constantFrom("ivcvcbco", "ivpcvpcbco", "vcvc", "vvvv", "ivvcvcbct", "vcvcbcc", "v", "xcycbc")
  .map((form) =>
    [...form].map((letter, at) => {
      const kind = {
        i: "intro",
        v: "verse",
        x: "verse",
        y: "verse",
        p: "pre-chorus",
        c: "chorus",
        b: "bridge",
        t: "tag",
        o: "outro",
      }[letter]!;
      const quiet = letter === "i" || letter === "o";
      return use(`u${at}`, letter, kind, {
        bars: quiet ? 4 : 8,
        energy: quiet ? 1 : letter === "c" ? 3 : 2,
        voice: quiet ? null : { low: "B3", high: "B4" },
      });
    }),
  );
const usualMeter = fc.constantFrom(FOUR, { beats: 3, unit: 4 }, { beats: 6, unit: 8 });
const RUNS = { numRuns: 40 };

describe("arrange", () => {
  it("gives a usual band and form at least three proposals that keep every law", () => {
    fc.assert(
      fc.property(usualBand, usualForm, usualMeter, (players, uses, meter) => {
        const question = { uses, players, meter };
        const answer = ask(question);
        expectTold(question, answer);
        expect(
          answer.proposals.filter(({ violations }) => violations.length === 0).length,
        ).toBeGreaterThanOrEqual(3);
      }),
      { numRuns: 25 },
    );
  });

  it("tells every law that any band and form breaks; one cell each, three proposals, score and bound", () => {
    fc.assert(
      fc.property(oddBand, oddForm, fc.constantFrom("rising", "steady", "falling"), (players, uses, arc) => {
        const question = { uses, players, arc } as const;
        const answer = ask(question);
        expect(answer.proposals.length).toBeGreaterThanOrEqual(3);
        expectTold(question, answer);
        for (const { cells, terms, score, bound } of answer.proposals) {
          expect(cells.map((cell) => `${cell.use} ${cell.player}`)).toEqual(
            uses.flatMap(({ id }) => players.map((one) => `${id} ${one.id}`)),
          );
          const sum = terms.reduce((total, { value, weight }) => total + value * weight, 0);
          expect(score).toBeCloseTo(sum, 9);
          expect(bound).toBeLessThanOrEqual(score + 1e-9);
          for (const cell of cells) {
            expect(cell.why).not.toBe("");
            expect(cell.pattern === null).toBe(cell.idea === "out");
          }
        }
      }),
      RUNS,
    );
  });

  it("holds limits, or tells which it can’t", () => {
    const one: fc.Arbitrary<Limit> = fc
      .record(
        {
          player: fc.constantFrom("g1", "g2", "b", "d"),
          use: fc.constantFrom("v1", "verse", "chorus", "b", "o"),
          rule: fc.constantFrom("not before", "not in", "only in", "always", "carries", "at most", "lock"),
        },
        { requiredKeys: ["player", "rule", "use"] },
      )
      .map((limit) => ({
        ...limit,
        ...(limit.rule === "at most" ? { value: 2 } : {}),
        ...(limit.rule === "lock"
          ? { value: { g1: "open strum", g2: "octaves", b: "roots on one", d: "groove" }[limit.player]! }
          : {}),
      }));
    fc.assert(
      fc.property(fc.array(one, { maxLength: 4 }), (limits) => {
        const question = { uses: FORM, players: BAND, limits };
        const answer = ask(question);
        expectTold(question, answer);
        const sameOnly = (limit: Limit) =>
          limits.some(
            (other) => other !== limit && other.rule === "only in" && other.player === limit.player,
          );
        for (const { cells, violations } of answer.proposals)
          for (const limit of limits) {
            if (holds(limit, question, cells) || (limit.rule === "only in" && sameOnly(limit))) continue;
            expect(
              violations.some(({ law }) => law === 2),
              JSON.stringify(limit),
            ).toBe(true);
          }
        // One limit alone can always be held, but that a bass or drums carry.
        const [only] = limits;
        if (limits.length === 1 && only && !(only.rule === "carries" && ["b", "d"].includes(only.player!)))
          for (const { cells } of answer.proposals)
            expect(holds(only, question, cells), JSON.stringify(only)).toBe(true);
      }),
      RUNS,
    );
  });

  it("keeps who is away out, and those there to the ideas that are named", () => {
    const away = ask({ uses: FORM, players: BAND.map((one) => ({ ...one, away: one.id === "g2" })) });
    for (const { cells } of away.proposals)
      expect(cells.filter((cell) => cell.player === "g2" && cell.idea !== "out")).toEqual([]);
    const named = ask({
      uses: FORM,
      players: BAND,
      ideas: ["open strum", "finger roll", "ringing chords", "roots on one"],
    });
    const had = new Set(named.proposals.flatMap(({ cells }) => cells.map(({ idea }) => idea)));
    for (const idea of had)
      expect(["out", "open strum", "finger roll", "ringing chords", "roots on one"]).toContain(idea);
    expect(named.catalogue.length).toBeGreaterThanOrEqual(40);
  });

  it("a wanted school that is named alone gives three that differ", () => {
    const { proposals } = ask({ uses: FORM, players: BAND, schools: ["sparse"] });
    expect(proposals.map(({ school }) => school)).toEqual(["sparse", "sparse", "sparse"]);
    const faces = proposals.map(({ cells }) => cells.map(({ idea }) => idea).join());
    expect(new Set(faces).size).toBe(3);
  });

  it("takes what a player has as it is told, and counts colours beyond their sounds", () => {
    const with1 = ask({
      uses: FORM,
      players: BAND.map((one) => ({ ...one, gear: { sounds: 1, pedals: ["drive"] } })),
    });
    for (const { terms } of with1.proposals)
      expect(terms.some(({ value }) => Number.isNaN(value))).toBe(false);
    const colours = (answer: Answer) =>
      answer.proposals.map(
        ({ cells }) =>
          new Set(cells.flatMap((cell) => (cell.player === "g2" ? (cell.colour ?? []) : []))).size,
      );
    const sum = (all: number[]) => all.reduce((total, one) => total + one, 0);
    expect(sum(colours(with1))).toBeLessThan(sum(colours(ask({ uses: FORM, players: BAND }))));
    expect(() =>
      ask({ uses: FORM, players: BAND.map((one) => ({ ...one, gear: ["a box"] })) }),
    ).not.toThrow();
  });

  it("two held to one idea are a double on purpose", () => {
    const limits = ["g1", "g2"].map((one) => ({
      player: one,
      rule: "lock",
      use: "chorus",
      value: "open strum",
    }));
    const { proposals } = ask({ uses: FORM, players: BAND, limits });
    for (const { cells, violations } of proposals) {
      expect(violations.filter(({ law }) => law === 3 || law === 1)).toEqual([]);
      expect(cells.find((cell) => cell.use === "c1" && cell.player === "g2")!.double).toBe("g1");
    }
  });

  it("comes out the same each time", () => {
    expect(ask({ uses: FORM, players: BAND })).toEqual(ask({ uses: FORM, players: BAND }));
  });

  it("refuses what it can’t read, by the field", () => {
    const cases: [object, string, string][] = [
      [{ uses: [] }, "uses", "should have at least one use"],
      [{ uses: [FORM[0], FORM[0]] }, "uses.1.id", "should be unique"],
      [{ uses: [{ ...FORM[0], kind: "coda" }] }, "uses.0.kind", "should be one of"],
      [{ key: "H" }, "key", "should be a major or minor key"],
      [{ schools: ["loud"] }, "schools.0", "should be one of"],
      [{ schools: [] }, "schools", "should name at least one school"],
      [{ ideas: ["yodel"] }, "ideas.0", "should be an idea of the catalogue"],
      [{ weights: { beauty: 1 } }, "weights.beauty", "is not a field"],
      [{ limits: [{ rule: "never" }] }, "limits.0.rule", "should be one of"],
      [{ limits: [{ rule: "always", player: "x" }] }, "limits.0.player", "should be a player"],
      [{ limits: [{ rule: "always", use: "coda" }] }, "limits.0.use", "should be a use"],
      [{ limits: [{ rule: "lock", player: "g1" }] }, "limits.0.value", "should be the idea to hold"],
      [{ limits: [{ rule: "lock", player: "g1", value: "yodel" }] }, "limits.0.value", "should be an idea"],
      [{ limits: [{ rule: "at most", use: "verse" }] }, "limits.0.value", "should be a light"],
      [{ limits: [{ rule: "not before", use: "verse", value: 0 }] }, "limits.0.value", "should be a bar"],
      [{ arc: "up" }, "arc", "should be one of"],
    ];
    for (const [question, path, message] of cases) {
      const error = refused(question);
      expect(error?.path, JSON.stringify(question)).toBe(path);
      expect(error?.message).toContain(message);
    }
  });
});
