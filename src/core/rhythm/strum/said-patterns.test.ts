import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { sayStrum } from "../../../../testing/rhythm/say-strum";
import { unwrap } from "../../../base";
import type { Meter } from "../meter";
import type { Pattern } from "./pattern";
import { readAloud } from "./read-aloud";
import { readSaidPatterns, type StrumFeel } from "./said-patterns";
import { STROKE_WORDS, STRUM_LANGUAGES } from "./stroke-words";
import { formatStrokes, readPattern } from "./written";

const FOUR: Meter = { beats: 4, unit: 4 };
const SIX: Meter = { beats: 6, unit: 8 };
const said = (words: string, meter: Meter = FOUR, feel: StrumFeel = "straight") =>
  unwrap(readSaidPatterns(words, meter, feel)).map(
    ({ pattern, bars }) => `${formatStrokes(pattern.strokes)} /${pattern.subdivision} ${bars}`,
  );
const problem = (words: string) => {
  const read = readSaidPatterns(words, FOUR);
  return read.ok ? null : read.problem;
};

describe("a strum as it is said", () => {
  it("is early, or ends with the bar, in eighths and sixteenths: worked by hand", () => {
    expect(said("down down up up down up")).toEqual(["D . D U . U D U /2 1", "D . D U . U D U /4 0.5"]);
    expect(said("down down up down up")).toEqual([
      "D . D U D U . . /2 1",
      "D . . . D U D U /2 1",
      "D . D U D U . . /4 0.5",
      "D . . . D U D U /4 0.5",
    ]);
    // An up first stands between the beats.
    expect(said("up down up")[0]).toBe(". U D U . . . . /2 1");
  });

  it("skips places for rests, and has dead strokes either way", () => {
    expect(said("down rest down miss up")[0]).toBe("D . D . . U . . /2 1");
    expect(said("down x down")[0]).toBe("D x D . . . . . /2 1");
    expect(said("d u chunk d")[0]).toBe("D U x . D . . . /2 1");
    expect(said("down down rest rest rest rest rest rest")[0]).toBe("D . D . . . . . . . . . . . . . /2 2");
  });

  it.each([
    ["ddududu"],
    ["D D U D U D U"],
    ["d, d, u, d, u, d, u"],
    ["↓ ↓↑↓↑↓↑"],
    ["down-down-up-down-up-down-up"],
    ["Bas bas haut bas haut bas haut"],
    ["abajo, abajo, arriba, abajo, arriba, abajo y arriba"],
    ["para baixo, baixo, para cima, baixo, cima, baixo e cima"],
    ["ab ab auf ab auf ab und auf"],
    ["giù giù su giù su giù su"],
    ["GIU\u0300 giu su giu su giu su"],
  ])("is one strum in every way it is written: %s", (text) => {
    expect(said(text)[0]).toBe("D . D U D U D U /2 1");
  });

  it("is counted too, in figures and in words", () => {
    expect(said("1 2 & & 4 &")).toEqual(["D . D U . U D U /2 1"]);
    expect(said("one two and")).toEqual(["D . D U . . . . /2 1"]);
    expect(said("1, 2and 3 and4&")).toEqual(["D . D U D U D U /2 1"]);
    expect(said("1 e & a 2")).toEqual(["D U D U D . . . . . . . . . . . /4 1"]);
    expect(said("1 e 2 e")).toEqual(["D U D U . . . . /2 1"]);
    expect(said("eins zwei und vier")).toEqual(["D . D U . . D . /2 1"]);
    expect(said("4 1")).toEqual([". . . . . . D . D . . . . . . . /2 2"]);
    expect(said("1 2 & 3", FOUR, "shuffle")).toEqual(["D . . D . U D . . . . . /3 1"]);
    expect(said("1 3 4 6", SIX)).toEqual(["D . D U . U /3 1", "D . U D . U /3 1"]);
  });

  it("with three to a beat goes by turns and down-down-up", () => {
    expect(said("down up down up", SIX)[0]).toBe("D U D U . . /3 1");
    expect(said("down down up down down up", SIX)).toContain("D D U D D U /3 1");
    expect(said("down up down up", FOUR, "shuffle")).toContain("D . U D . U . . . . . . /3 1");
  });

  it("refuses what is neither, at its word, and says nothing of what is silent", () => {
    expect(problem("down sideways up")).toEqual({ code: "word", at: 1, text: "sideways" });
    expect(problem("1 2 down")).toEqual({ code: "word", at: 2, text: "down" });
    expect(problem("down 2")).toEqual({ code: "word", at: 1, text: "2" });
    expect(problem("1 7")).toEqual({ code: "count", number: 7, most: 4 });
    expect(problem("  , ")).toEqual({ code: "empty" });
    expect(problem("rest rest")).toEqual({ code: "empty" });
    expect(problem("and")).toEqual({ code: "word", at: 0, text: "and" });
    expect(problem("down ".repeat(9000))).toEqual({ code: "too-long" });
  });

  it("equals a plain search over all placements: the earliest and the latest of them", () => {
    const strokes = fc.array(fc.constantFrom("down", "up", "x", "rest"), { minLength: 1, maxLength: 5 });
    fc.assert(
      fc.property(
        strokes,
        fc.constantFrom<Meter>({ beats: 2, unit: 4 }, { beats: 3, unit: 4 }),
        (list, meter) => {
          const read = readSaidPatterns(list.join(" "), meter);
          if (!read.ok) return;
          for (const subdivision of [2, 4] as const) {
            const inBar = meter.beats * subdivision;
            const halves = subdivision === 4 && meter.beats % 2 === 0 ? [inBar / 2] : [];
            const lengths = [...halves, inBar, 2 * inBar, 3 * inBar, 4 * inBar];
            const every = lengths
              .map((length) => placements(list, length))
              .find((found) => found.length > 0)!;
            const first = Math.min(...every.map(([one]) => one!));
            const own = every.filter(([one]) => one === first);
            const text = (places: readonly number[], length: number) => {
              const signs = list
                .filter((one) => one !== "rest")
                .map((one) => (one === "x" ? "x" : one === "up" ? "U" : "D"));
              return Array.from({ length }, (_, at) => signs[places.indexOf(at)] ?? ".").join(" ");
            };
            const length = lengths.find((one) => placements(list, one).length > 0)!;
            const early = own.reduce((a, b) => (compare(b, a) < 0 ? b : a));
            const late = own.reduce((a, b) => (compare(b.toReversed(), a.toReversed()) > 0 ? b : a));
            const given = read.value
              .filter(({ pattern }) => pattern.subdivision === subdivision)
              .map(({ pattern }) => formatStrokes(pattern.strokes));
            expect(given).toEqual([...new Set([text(early, length), text(late, length)])]);
          }
        },
      ),
      { numRuns: 80 },
    );
  });

  it("never fights the hand: downs on even places, ups on odd ones", () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom("down", "up", "rest", "x"), { minLength: 1, maxLength: 20 }),
        (list) => {
          const read = readSaidPatterns(list.join(" "), FOUR);
          if (!read.ok) return;
          for (const { pattern } of read.value)
            for (const [at, { kind }] of pattern.strokes.entries()) {
              if (kind === "down") expect(at % 2).toBe(0);
              if (kind === "up") expect(at % 2).toBe(1);
            }
        },
      ),
    );
  });

  it("is read back from what is said of it, in each language: law", () => {
    const place = (at: number) => fc.constantFrom(".", "x", at % 2 === 0 ? "D" : "U");
    fc.assert(
      fc.property(
        fc.tuple(...Array.from({ length: 8 }, (_, at) => place(at))),
        fc.constantFrom(...STRUM_LANGUAGES),
        (signs, language) => {
          if (signs.every((sign) => sign === ".")) return;
          const pattern = unwrap(readPattern({ meter: FOUR, subdivision: 2, text: signs.join(" ") }));
          const words = sayStrum(pattern, language);
          expect(said(words)).toContain(`${signs.join(" ")} /2 1`);
        },
      ),
    );
    for (const language of STRUM_LANGUAGES)
      for (const words of Object.values(STROKE_WORDS[language])) expect(words.length).toBeGreaterThan(0);
  });

  it("is read aloud with its accents", () => {
    const aloud = (text: string, kind: "strum" | "fingers" | "zones" = "strum") =>
      readAloud(unwrap(readPattern({ meter: FOUR, subdivision: 2, text, kind })) as Pattern);
    expect(aloud("D3 . . U1 - x D U")).toBe("accented down, rest, light up, choke, dead, down, up");
    expect(aloud("p i ma i", "fingers")).toBe("thumb, index, middle and ring, index");
    expect(aloud("L H", "zones")).toBe("low, high");
  });
});

/** Every way to put strokes on places of a bar, downs on even ones and ups on odd ones. */
function placements(list: readonly string[], length: number): number[][] {
  const found: number[][] = [];
  const walk = (at: number, free: number, places: readonly number[]): void => {
    if (at === list.length) {
      if (free <= length) found.push([...places]);
      return;
    }
    const stroke = list[at]!;
    if (stroke === "rest") {
      walk(at + 1, free + 1, places);
      return;
    }
    for (let place = free; place < length; place++) {
      if (stroke === "down" && place % 2 !== 0) continue;
      if (stroke === "up" && place % 2 === 0) continue;
      walk(at + 1, place + 1, [...places, place]);
    }
  };
  walk(0, 0, []);
  return found;
}

const compare = (a: readonly number[], b: readonly number[]): number => {
  const at = a.findIndex((one, index) => one !== b[index]);
  return at < 0 ? 0 : a[at]! - b[at]!;
};
