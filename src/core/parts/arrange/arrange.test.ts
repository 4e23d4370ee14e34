import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { guitar } from "../../../../testing/parts/arrange-player";
import { slowArrange } from "../../../../testing/parts/slow-arrange";
import { arrange, arrangeBy, schoolsFor, WHOLE_SEARCH } from "./arrange";
import { boardOf, planOf } from "./board";
import {
  ARRANGE_SCHOOLS,
  ARRANGE_WEIGHTS,
  type ArrangeCase,
  type ArrangePlayer,
  type ArrangeUse,
  plays,
} from "./case";
import { leastCost, walk } from "./walk";

const FOUR = { beats: 4, unit: 4 };
const bass = (id: string) => guitar(id, { instrument: "bass", tuning: [28, 33, 38, 43], range: [28, 58] });
const drums = (id: string) => guitar(id, { instrument: "drums", tuning: [] });
const use = (section: string, at: number, more: Partial<ArrangeUse> = {}): ArrangeUse => ({
  id: `${section}${at}`,
  section,
  kind: "verse",
  bars: 4,
  chordBars: [0, 1, 2, 3],
  voice: null,
  energy: 2,
  bass: "free",
  ...more,
});
const song = (
  players: readonly ArrangePlayer[],
  uses: readonly ArrangeUse[],
  more: Partial<ArrangeCase> = {},
): ArrangeCase => ({
  meter: FOUR,
  players,
  uses,
  arc: "rising",
  weights: ARRANGE_WEIGHTS,
  limits: [],
  tastes: [],
  ideas: null,
  ...more,
});

describe("the search", () => {
  const someIdeas = fc.uniqueArray(
    fc.constantFrom("open strum", "ringing chords", "octaves", "finger roll", "roots on one", "pulse"),
    { minLength: 2, maxLength: 3 },
  );
  const someUse = fc.record({
    section: fc.constantFrom("a", "b"),
    energy: fc.nat(4),
    bars: fc.integer({ min: 1, max: 4 }),
    bass: fc.constantFrom("free" as const, "needed" as const),
  });
  const someUses = (most: number) =>
    fc
      .array(someUse, { minLength: 1, maxLength: most })
      .map((all) => all.map(({ section, ...more }, at) => use(section, at, { ...more, chordBars: [0] })));

  it("left whole costs the same as trying everything, two players through three uses", () => {
    fc.assert(
      fc.property(
        someIdeas,
        someUses(3),
        fc.constantFrom(...ARRANGE_SCHOOLS),
        fc.boolean(),
        fc.constantFrom(null, 1, 2),
        (ideas, uses, school, hasBass, sounds) => {
          const asked = song(
            [guitar("a", { sounds }), hasBass ? bass("b") : guitar("b", { capo: 5 })],
            uses,
            {
              ideas,
            },
          );
          const slow = slowArrange(asked, school);
          const board = boardOf(asked);
          const found = walk(board, planOf(board, school), WHOLE_SEARCH);
          if (slow !== null) expect(found.cost).toBeCloseTo(slow, 6);
          else expect(found.cost).toBeGreaterThan(1e4);
        },
      ),
      { numRuns: 60 },
    );
  });

  it("left whole costs the same as trying everything, three players through two uses", () => {
    fc.assert(
      fc.property(someUses(2), fc.constantFrom(...ARRANGE_SCHOOLS), (uses, school) => {
        const ideas = ["open strum", "octaves", "roots on one", "pulse", "groove"];
        const asked = song([guitar("a"), bass("b"), drums("d")], uses, { ideas });
        const slow = slowArrange(asked, school);
        const board = boardOf(asked);
        const found = walk(board, planOf(board, school), WHOLE_SEARCH);
        if (slow !== null) expect(found.cost).toBeCloseTo(slow, 6);
        else expect(found.cost).toBeGreaterThan(1e4);
      }),
      { numRuns: 25 },
    );
  });

  it("is never below its bound, and never better with narrower widths", () => {
    const asked = song(
      [guitar("a"), guitar("b", { capo: 3 }), bass("c")],
      [use("v", 0), use("c", 1), use("v", 2)],
      {
        ideas: ["open strum", "octaves", "high held chords", "roots on one", "walking bass"],
      },
    );
    const board = boardOf(asked);
    for (const school of ARRANGE_SCHOOLS) {
      const plan = planOf(board, school);
      const whole = walk(board, plan, { ...WHOLE_SEARCH, ways: 2_000, sets: 60 });
      const narrow = walk(board, plan, { ways: 2, sets: 2, options: 6, nodes: 200 });
      expect(leastCost(board, plan)).toBeLessThanOrEqual(whole.cost + 1e-9);
      expect(whole.cost).toBeLessThanOrEqual(narrow.cost + 1e-9);
      expect(narrow.whole).toBe(false);
    }
  });
});

describe("schools", () => {
  it("are offered where the band fits them", () => {
    expect(schoolsFor(song([guitar("a")], [use("v", 0)]), null)).toEqual([
      "layered build",
      "carry and colour",
      "sparse",
    ]);
    expect(schoolsFor(song([guitar("a", { loops: true })], [use("v", 0)]), null)).toContain(
      "one guitar and loops",
    );
    expect(schoolsFor(song([guitar("a"), guitar("b")], [use("v", 0)]), null)).toContain(
      "two guitars in contrast",
    );
    const keys = guitar("k", { instrument: "keys", tuning: [] });
    expect(schoolsFor(song([guitar("a"), keys], [use("v", 0)]), null)).toContain("voice and keys first");
    expect(schoolsFor(song([guitar("a"), { ...keys, away: true }], [use("v", 0)]), null)).not.toContain(
      "voice and keys first",
    );
  });

  it("one that the band does not fit is taken where it is all that is asked for", () => {
    expect(schoolsFor(song([guitar("a")], [use("v", 0)]), ["two guitars in contrast"])).toEqual([
      "two guitars in contrast",
    ]);
  });
});

describe("an arrangement", () => {
  const form = [
    use("i", 0, { kind: "intro", energy: 1 }),
    use("v", 1),
    use("c", 2, { kind: "chorus", energy: 3 }),
    use("v", 3),
    use("c", 4, { kind: "chorus", energy: 3 }),
    use("b", 5, { kind: "bridge" }),
    use("c", 6, { kind: "chorus", energy: 3 }),
  ];
  const players = [guitar("a"), guitar("b"), bass("c"), drums("d")];
  const count = (row: readonly { readonly role: "out" | string }[]) =>
    row.filter(({ role }) => role !== "out").length;

  it("rises: as many or more play in the last verse as in the first, the last chorus is the fullest", () => {
    for (const { cells } of arrange(song(players, form))) {
      expect(count(cells[3]!)).toBeGreaterThanOrEqual(count(cells[1]!));
      expect(count(cells[6]!)).toBe(Math.max(...[2, 4, 6].map((at) => count(cells[at]!))));
    }
  });

  it("falls to a quiet end where that is asked for", () => {
    for (const { cells } of arrange(song(players, form, { arc: "falling" })))
      expect(count(cells[6]!)).toBeLessThanOrEqual(count(cells[2]!));
  });

  it("gives everybody who is there something to do", () => {
    for (const { cells } of arrange(song(players, [use("v", 0), use("v", 1), use("v", 2)])))
      for (const who of players.keys()) expect(cells.some((row) => plays(row[who]!))).toBe(true);
  });

  it("is told early: the first one before the others", () => {
    const heard: string[] = [];
    const found = arrange(song(players, form), null, {
      hear: ({ school }, of) => heard.push(`${school} ${of}`),
    });
    expect(heard).toHaveLength(found.length);
    expect(heard[0]).toBe(`layered build ${found.length}`);
  });

  it("with a looper, what is played first goes round the next times, and another idea is played over it", () => {
    const voice = guitar("v", { instrument: "voice", tuning: [], range: [55, 74] });
    const sung = form.map((one) => ({ ...one, voice: { low: 57, high: 69 } }));
    const asked = song([guitar("a", { loops: true }), voice], sung);
    const [found] = arrange(asked, ["one guitar and loops"]);
    const { cells, violations } = found!;
    expect(violations).toEqual([]);
    const over = cells.flatMap((row, at) => (row[0]!.over ? [at] : []));
    expect(over.length).toBeGreaterThan(0);
    for (const at of over) {
      const first = sung.findIndex(({ section }) => section === sung[at]!.section);
      expect(at).toBeGreaterThan(first);
      expect(cells[at]![0]!.idea).toBe(cells[first]![0]!.idea);
      expect(cells[at]![0]!.over!.idea).not.toBe(cells[first]![0]!.idea);
    }
    // Nobody without one, and no other school, leaves anything to a loop.
    const others = arrange(song([guitar("a"), guitar("b")], form));
    for (const one of others)
      for (const row of one.cells) for (const cell of row) expect(cell.over).toBeUndefined();
  });

  it("a school asked again does otherwise", () => {
    const board = boardOf(song(players, form));
    const first = arrangeBy(board, "sparse");
    const second = arrangeBy(board, "sparse", undefined, [first]);
    const unlike = first.cells.flatMap((row, at) =>
      row.filter(({ idea }, who) => idea !== second.cells[at]![who]!.idea),
    );
    expect(unlike.length).toBeGreaterThan(form.length / 2);
  });
});
