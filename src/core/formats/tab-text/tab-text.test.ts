import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { sampleNote as note } from "../../../../testing/fretboard/sample-note";
import { unwrap } from "../../../base";
import { inOrder, NOTE_ARTS, NOTE_TIMES, type TabNote } from "../../fretboard";
import { describeTabLoss, describeTabProblem, readTab, type TabLine, writeTab } from ".";

const STANDARD = [40, 45, 50, 55, 59, 64];
const line = (notes: TabNote[], more: Partial<TabLine> = {}): TabLine => ({
  tuning: STANDARD,
  capo: 0,
  ticks: 3840,
  bar: 3840,
  notes,
  ...more,
});

describe("text tab", () => {
  it("is written with the floor's string on top, by hand", () => {
    const { text, losses } = writeTab(
      line([
        note(0, 0, 3, { ticks: 960 }),
        note(1920, 5, 12, { art: "slide", bend: 1 }),
        note(2400, 5, 10, { optional: true }),
      ]),
    );
    expect(losses).toEqual([]);
    const rows = text.split("\n").filter((row) => /^[A-G] *\|/u.test(row));
    const empty = ["B", "G", "D", "A"].map((name) => `${name}|${"-".repeat(48)}|`);
    expect(rows).toEqual([
      `E|${"-".repeat(24)}/12^1-(10)--${"-".repeat(12)}|`,
      ...empty,
      `E|3-----=-----${"-".repeat(36)}|`,
    ]);
  });

  it("says what it can't hold", () => {
    const { losses } = writeTab(
      line([note(7, 0, 3), note(480, 1, 2, { ticks: 481 }), note(960, 2, 5, { art: "dead" })]),
    );
    expect(losses.map(({ code }) => code).sort()).toEqual(["dead-fret", "length", "off-grid"]);
    for (const loss of losses) expect(describeTabLoss(loss)).toMatch(/^Note \d/u);
  });

  it("keeps two endings in one column", () => {
    const given = line([note(0, 3, 2, { round: 1 }), note(0, 3, 4, { round: 2 })]);
    expect(unwrap(readTab(writeTab(given).text, { bar: 3840 })).notes).toEqual(given.notes);
    const long = line([note(0, 3, 2, { round: 1, ticks: 960 }), note(0, 3, 4, { round: 2, ticks: 960 })]);
    expect(unwrap(readTab(writeTab(long).text, { bar: 3840 })).notes).toEqual(long.notes);
    const uneven = line([note(0, 3, 2, { round: 1, ticks: 960 }), note(0, 3, 4, { round: 2 })]);
    expect(writeTab(uneven).losses).toEqual([{ code: "length", note: 1 }]);
  });

  it("says in its head how it is played, and is read as without", () => {
    const given = line([note(0, 1, 2)], {
      tuning: STANDARD.map((midi) => midi - 1),
    });
    const { text } = writeTab(given, "a semitone down: play E shapes");
    expect(text.split("\n").slice(0, 2)).toEqual([
      "Played: a semitone down: play E shapes",
      "Tuning: Eb2 Ab2 Db3 Gb3 Bb3 Eb4",
    ]);
    expect(unwrap(readTab(text, { bar: 3840 }))).toEqual(
      unwrap(readTab(writeTab(given).text, { bar: 3840 })),
    );
  });
  it("comes back exactly: law", () => {
    const any = fc.record({
      at: fc.integer({ min: 0, max: 15 }),
      long: fc.integer({ min: 1, max: 3 }),
      string: fc.integer({ min: 0, max: 5 }),
      fret: fc.integer({ min: 0, max: 24 }),
      art: fc.constantFrom(...NOTE_ARTS),
      bend: fc.integer({ min: 0, max: 8 }),
      ring: fc.boolean(),
      short: fc.boolean(),
      optional: fc.boolean(),
      round: fc.option(fc.integer({ min: 1, max: 12 })),
      times: fc.constantFrom(...NOTE_TIMES),
      weight: fc.constantFrom(1 as const, 2 as const, 3 as const),
      finger: fc.option(fc.constantFrom(1 as const, 2 as const, 3 as const, 4 as const)),
      stroke: fc.option(fc.constantFrom("down" as const, "up" as const)),
    });
    fc.assert(
      fc.property(
        fc.uniqueArray(any, { maxLength: 12, selector: ({ at, string }) => `${at} ${string}` }),
        fc.integer({ min: 0, max: 7 }),
        fc.constantFrom(240, 320, 480),
        (items, capo, step) => {
          const bar = step * 8;
          // Notes on one string one after the other.
          const free = items.filter(
            (one) =>
              !items.some(
                (other) =>
                  other !== one &&
                  other.string === one.string &&
                  other.at > one.at &&
                  other.at < one.at + one.long,
              ),
          );
          const notes = inOrder(
            free.map(({ at, long, ...rest }) => ({
              ...rest,
              fret: rest.art === "dead" ? 0 : rest.fret,
              // Which time is meant only where one is said; the last has no number.
              times: rest.times === "last" || rest.round !== null ? rest.times : ("only" as const),
              round: rest.times === "last" ? 1 : rest.round,
              tick: at * step,
              ticks: long * step,
            })),
          ).filter((one) => one.tick + one.ticks <= bar * 2);
          const given = line(notes, { capo, bar, ticks: bar * 2 });
          const { text, losses } = writeTab(given);
          expect(losses).toEqual([]);
          const back = unwrap(readTab(text, { bar: 1 }));
          expect(back).toEqual({ ...given, guessed: false });
        },
      ),
    );
  });

  it("is read from elsewhere with times guessed", () => {
    const text = [
      "e|-----------------|",
      "B|-----------------|",
      "G|-----0h2---------|",
      "D|-2b--------------|",
      "A|-----------------|",
      "E|-----------------|",
    ].join("\n");
    const read = unwrap(readTab(text, { bar: 3840 }));
    expect(read.guessed).toBe(true);
    expect(read.notes.map(({ string, fret, art, bend }) => [string, fret, art, bend])).toEqual([
      [2, 2, "plain", 2],
      [3, 0, "plain", 0],
      [3, 2, "hammer", 0],
    ]);
  });

  const rows = (g: string, more: Readonly<Record<string, string>> = {}) =>
    ["e", "B", "G", "D", "A", "E"]
      .map(
        (name) =>
          `${name}|${more[name] ?? (name === "G" ? g : g.replace(/\| .*$/u, "|").replaceAll(/[^|\s]/gu, "-"))}`,
      )
      .join("\n");
  const heard = (text: string) =>
    unwrap(readTab(text, { bar: 3840 })).notes.map(
      ({ tick, string, fret, art, bend }) =>
        `${tick / 480} ${string}:${fret}${art === "plain" ? "" : ` ${art}`}${bend > 0 ? ` b${bend}` : ""}`,
    );

  it("of slides, hammers and pulls in one word are notes one after the other", () => {
    // Two quarters' time between 2 and 7: the slide arrives half-way.
    expect(heard(rows("-2/4-----7-------|"))).toEqual(["0 3:2", "2 3:4 slide", "4 3:7"]);
    expect(heard(rows("-7h9p7---5-------|"))).toEqual([
      "0 3:7",
      "1.375 3:9 hammer",
      "2.625 3:7 pull",
      "4 3:5",
    ]);
    expect(heard(rows("2---/4--|"))).toEqual(["0 3:2", "4 3:4 slide"]);
  });

  it("of bends is one note: by a semitone, to a fret, let back", () => {
    expect(heard(rows("7b--9b11--------|"))).toEqual(["0 3:7 b2", "2 3:9 b4"]);
    expect(heard(rows("7b9r7---5-------|"))).toEqual(["0 3:7 b4", "2 3:7 pull", "4 3:5"]);
  });

  it("of harmonics and damped notes, which stay where they are", () => {
    const read = unwrap(readTab(rows("<12>-x---x---5---|"), { bar: 3840 }));
    expect(read.notes.map(({ fret, art, ring }) => [fret, art, ring])).toEqual([
      [12, "plain", true],
      [0, "dead", false],
      [0, "dead", false],
      [5, "plain", false],
    ]);
  });

  it("of frets of two figures, in quarters with a dash before", () => {
    expect(heard(rows("-10-12-10-12-|"))).toEqual(["0 3:10", "2 3:12", "4 3:10", "6 3:12"]);
  });

  it("follows its finest note: sixteenths, triplets, eighths", () => {
    expect(heard(rows("2-4-5-7-9-7-5-4-2-4-5-7-9-7-5-4-|")).map((one) => Number(one.split(" ")[0]))).toEqual(
      Array.from({ length: 16 }, (_, at) => at / 2),
    );
    expect(
      heard(rows("2-4-5-7-9-7-5-4-2-4-5-7-|"))
        .slice(0, 4)
        .map((one) => one.split(" ")[1]),
    ).toEqual(["3:2", "3:4", "3:5", "3:7"]);
    expect(unwrap(readTab(rows("2-4-5-7-9-7-5-4-2-4-5-7-|"), { bar: 3840 })).notes[1]!.tick).toBe(320);
    expect(heard(rows("-2-4-5-7-9-7-5-4-|")).map((one) => Number(one.split(" ")[0]))).toEqual([
      0, 1, 2, 3, 4, 5, 6, 7,
    ]);
  });

  it("is played again where it says so, with chord names above and words below", () => {
    const text = `   G           D\n${rows("0---2---|4---2---| x2")}\n   light on the water\n\n   Em\n${rows("5-------|")}`;
    const read = unwrap(readTab(text, { bar: 3840 }));
    expect(read.ticks).toBe(5 * 3840);
    expect(read.notes.map(({ tick, fret }) => [tick / 1920, fret])).toEqual([
      [0, 0],
      [1, 2],
      [2, 4],
      [3, 2],
      [4, 0],
      [5, 2],
      [6, 4],
      [7, 2],
      [8, 5],
    ]);
  });

  it("of a bass has four strings by their names", () => {
    const text = ["G|----|", "D|----|", "A|-3--|", "E|----|"].join("\n");
    expect(unwrap(readTab(text, { bar: 3840 })).tuning).toEqual([28, 33, 38, 43]);
  });

  it.each([
    ["no rows at all", "hello", "no-tab"],
    ["two rows alone", "A|--|\nE|--|", "strings"],
    ["a row too few", "e|--|\nB|--|\nG|--|\nD|--|\nA|--|\nE|--|\n\ne|--|\nB|--|", "strings"],
    ["a bar too few", "e|--|--|\nB|--|\nG|--|\nD|--|\nA|--|\nE|--|", "bars"],
    ["a fret off the neck", "e|-99-|\nB|--|\nG|--|\nD|--|\nA|--|\nE|--|", "fret"],
    ["an unknown tuning", "Tuning: H9 Q\ne|--|", "tuning"],
    ["a lost sign", "e|-h-|\nB|--|\nG|--|\nD|--|\nA|--|\nE|--|", "sign"],
  ])("is refused for %s", (_, text, code) => {
    const read = readTab(text, { bar: 3840 });
    expect(read.ok ? null : read.problem.code).toBe(code);
    if (!read.ok) expect(describeTabProblem(read.problem)).toMatch(/[.]$/u);
  });
});
