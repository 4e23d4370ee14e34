import { describe, expect, it } from "vitest";
import { slowShapes } from "../../../testing/fretboard/slow-search";
import { unwrap } from "../../base";
import { parseChord, type SoundingChord } from "../chord";
import { BASS_TUNING, GUITAR_TUNING, parseTuning } from "../pitch";
import { type Fingering, type FingeringOptions, fingerings } from "./fingerings";
import { LEVELS } from "./level";
import { describeOrdering, FITTED, FRESH, HELD_OUT, ORDERINGS, type Ordering, sixFrets } from "./orderings";
import { fullnessWeight } from "./price";
import { TERMS } from "./terms";
import { WEIGHTS } from "./weights";

const guitar = unwrap(parseTuning(GUITAR_TUNING));
const bass = unwrap(parseTuning(BASS_TUNING));
const chord = (symbol: string) => unwrap(parseChord(symbol)) as SoundingChord;
const find = (symbol: string, options: Partial<FingeringOptions> = {}) =>
  fingerings(chord(symbol), { tuning: guitar, ...options });
const ids = (list: readonly Fingering[]) => list.map((one) => one.frets.join()).sort();
const shape = (symbol: string, frets: string, options: Partial<FingeringOptions> = {}) => {
  const found = find(symbol, options).fingerings.find((one) => one.frets.join() === sixFrets(frets).join());
  if (!found) throw new Error(`Expected ${symbol} to have ${frets}.`);
  return found;
};

describe("fingerings: complete", () => {
  // The slow plain search on a neck of few frets, over chords, hands, capos and tunings; every-shape.test.ts has
  // 240 chords on seven frets.
  it.each([
    ["C", "fluent", 0, 5, {}],
    ["F#m7", "fluent", 0, 5, {}],
    ["D/F#", "steady", 0, 5, {}],
    ["C/Bb", "fluent", 0, 5, { inversions: true }],
    ["G13", "fluent", 0, 4, {}],
    ["Am", "beginner", 3, 5, { inversions: true }],
    ["B", "fluent", 5, 5, { thumb: true }],
  ] as const)("%s, %s hand, capo %i, %i frets", (symbol, level, capo, maxFret, more) => {
    const options = { tuning: guitar, capo, maxFret, level, ...more };
    expect(ids(fingerings(chord(symbol), options).fingerings)).toEqual(slowShapes(chord(symbol), options));
  });

  it("handles three strings, eight, and a re-entrant tuning", () => {
    for (const [text, symbol, maxFret] of [
      ["G4 C4 E4 A4", "C", 7],
      ["D3 A3 D4", "D5", 9],
      ["D3 G3 B3 D4", "G/B", 7],
    ] as const) {
      const options = {
        tuning: unwrap(parseTuning(text.split(" "))),
        capo: 0,
        maxFret,
        level: "fluent" as const,
      };
      expect(ids(fingerings(chord(symbol), options).fingerings)).toEqual(slowShapes(chord(symbol), options));
    }
    const eight = unwrap(parseTuning("F#1 B1 E2 A2 D3 G3 B3 E4".split(" ")));
    expect(fingerings(chord("E"), { tuning: eight, maxFret: 5 }).total).toBeGreaterThan(0);
  });

  it("gives every hand of a shape on request, each within the rules", () => {
    const hands = find("E", { hands: true, maxFret: 3 }).fingerings.filter(
      (one) => one.frets.join() === "0,2,2,1,0,0",
    );
    expect(hands.length).toBeGreaterThan(1);
    expect(new Set(hands.map((one) => JSON.stringify(one.fingers))).size).toBe(hands.length);
    for (const one of hands) expect(one.price).toBeGreaterThanOrEqual(hands[0]!.price);
  });

  it("grows with the level of the hand", () => {
    const [beginner, steady, fluent] = LEVELS.map((level) => new Set(ids(find("G7", { level }).fingerings)));
    for (const one of beginner!) expect(steady!.has(one)).toBe(true);
    for (const one of steady!) expect(fluent!.has(one)).toBe(true);
  });

  it("keeps to the strings it is given", () => {
    for (const { frets } of find("C", { strings: [2, 3, 4] }).fingerings) {
      expect(frets.flatMap((fret, string) => (fret === null ? [] : [string]))).toEqual([2, 3, 4]);
    }
  });

  it("counts before the limit", () => {
    const all = find("Dm");
    const some = find("Dm", { limit: 3 });
    expect(some.total).toBe(all.total);
    expect(some.fingerings).toEqual(all.fingerings.slice(0, 3));
    expect(find("C", { limit: 0 }).fingerings).toEqual([]);
  });

  it("gives none for no chord", () => {
    expect(fingerings(unwrap(parseChord("N.C.")), { tuning: guitar })).toEqual({
      fingerings: [],
      total: 0,
      exact: true,
    });
  });

  it("stops at its budget and says so", () => {
    const short = find("C", { budget: 200 });
    expect(short.exact).toBe(false);
    expect(short.total).toBeLessThan(find("C").total);
    expect(find("C").exact).toBe(true);
  });
});

describe("fingerings: styles", () => {
  it.each([
    ["C", "power", {}],
    ["Bdim", "power", { inversions: true }],
    ["G", "octave", {}],
    ["D/F#", "triad", {}],
    ["Am7", "triad", {}],
    ["F#m7", "two-string", {}],
    ["Bb", "two-string", {}],
    ["A7", "shell", {}],
    ["C6/E", "shell", {}],
    ["Dm7/C", "shell", {}],
    ["D7/E", "shell", {}],
    ["E/G#", "bass", {}],
    ["F#m7", "single", {}],
    ["Dsus4", "single", {}],
    ["Csus4", "triad", { capo: 3, level: "steady" }],
    ["Em", "two-string", { level: "beginner" }],
    ["C5", "triad", {}],
    ["C", "shell", {}],
  ] as const)("%s as %s equals the slow plain search", (symbol, style, more) => {
    const options = { tuning: guitar, capo: 0, maxFret: 5, level: "fluent" as const, ...more, style };
    expect(ids(fingerings(chord(symbol), options).fingerings)).toEqual(slowShapes(chord(symbol), options));
  });

  it("handles odd tunings too", () => {
    for (const text of ["G4 C4 E4 A4", "D2 G2 D3 G3 B3 D4", "B1 E2 A2 D3"]) {
      const tuning = unwrap(parseTuning(text.split(" ")));
      for (const style of ["power", "octave", "triad", "two-string", "shell"] as const) {
        const options = { tuning, capo: 0, maxFret: 5, level: "fluent" as const, style };
        expect(ids(fingerings(chord("G7"), options).fingerings), `${text} ${style}`).toEqual(
          slowShapes(chord("G7"), options),
        );
      }
    }
  });

  /** Small shapes of common practice, no source. */
  it.each([
    ["C", "triad", "xxx988"],
    ["G", "triad", "xxx433"],
    ["F", "triad", "xxx211"],
    ["A", "two-string", "xx76xx"],
    ["Bb", "two-string", "xx87xx"],
    ["Em", "two-string", "xx20xx"],
    ["Dm", "two-string", "x.x.12.10.x.x"],
    ["G", "octave", "3x5xxx"],
    ["F", "octave", "xx3x6x"],
    ["A", "power", "577xxx"],
    ["C", "power", "xxx58x"],
  ] as const)("has the %s %s %s", (symbol, style, frets) => {
    expect(shape(symbol, frets, { style }).frets).toEqual(sixFrets(frets));
  });

  it("names what a small shape really makes, and what is missing of the chart", () => {
    expect(shape("C", "x35xxx", { style: "power" })).toMatchObject({ is: "C5", omits: ["3"] });
    expect(shape("C7", "xxx553", { style: "triad" })).toMatchObject({ is: "C", omits: ["b7"] });
    expect(shape("Am7", "5x55xx", { style: "shell" })).toMatchObject({ is: "Am7", omits: ["5"] });
    expect(shape("C", "xx20xx", { style: "two-string" })).toMatchObject({ is: "C/E", omits: ["1"] });
    expect(shape("C", "xxx010", { style: "triad" })).toMatchObject({ is: "C/G" });
  });

  it("damps the string between with the finger below it (common practice, no source)", () => {
    expect(shape("G", "3x5xxx", { style: "octave" }).mutes).toContainEqual({ string: 1, by: 1 });
  });

  it("keeps to a region of the neck, with or without open strings", () => {
    const all = find("A", { minFret: 4, maxFret: 9 }).fingerings;
    expect(all.length).toBeGreaterThan(0);
    for (const { frets } of all)
      for (const fret of frets) if (fret) expect(fret >= 4 && fret <= 9).toBe(true);
    expect(all.some(({ frets }) => frets.includes(0))).toBe(true);
    const closed = find("A", { minFret: 4, maxFret: 9, open: false }).fingerings;
    expect(closed.map((one) => one.frets)).toEqual(
      find("A", { minFret: 4, maxFret: 9 })
        .fingerings.map((one) => one.frets)
        .filter((frets) => !frets.includes(0)),
    );
  });
});

describe("fingerings: what is told of a shape", () => {
  it("names hand, pitches and missing tones", () => {
    expect(shape("C", "x32010")).toMatchObject({
      fingers: [null, 3, 2, null, 1, null],
      barres: [],
      pitches: ["C3", "E3", "G3", "C4", "E4"],
      is: "C",
      omits: [],
    });
    expect(shape("F#m", "244222").barres).toEqual([{ finger: 1, fret: 2, from: 0, to: 5 }]);
    expect(shape("Eb", "xx1343").pitches).toEqual(["Eb3", "Bb3", "Eb4", "G4"]);
  });

  it("counts frets from the capo and sounds above it", () => {
    expect(shape("D", "x32010", { capo: 2 }).pitches).toEqual(["D3", "F#3", "A3", "D4", "F#4"]);
  });

  it("calls an inversion and a colour by name", () => {
    expect(shape("C", "032010", { inversions: true }).is).toBe("C/E");
    expect(shape("C", "x30010", { allow: ["add9"] })).toMatchObject({ is: "Cadd9" });
    expect(find("C", { allow: ["add9"] }).fingerings.some((one) => one.is === "C")).toBe(true);
  });

  it("says who damps a silent string", () => {
    expect(shape("G", "3x0003").mutes).toEqual([{ string: 1, by: shape("G", "3x0003").fingers[0] }]);
    expect(shape("D", "xx0232").mutes.map((mute) => mute.by)).toEqual(["thumb", "not struck"]);
  });

  it("prices add up to the difficulty, every term known and worth something", () => {
    for (const one of find("Am7").fingerings) {
      const sum = one.why.reduce((total, reason) => total + reason.cost, 0);
      expect(sum).toBeCloseTo(one.difficulty, 6);
      for (const { term, amount, cost } of one.why) {
        expect(TERMS).toContain(term);
        expect(amount * WEIGHTS[term]).toBeCloseTo(cost, 1);
      }
    }
    for (const term of TERMS) expect(WEIGHTS[term]).toBeGreaterThan(0);
    expect(WEIGHTS.fingers).toBeGreaterThanOrEqual(0.5);
  });

  it("comes least price first, ties always alike", () => {
    const list = find("A7").fingerings;
    for (let at = 1; at < list.length; at++)
      expect(list[at]!.price).toBeGreaterThanOrEqual(list[at - 1]!.price);
    expect(find("A7")).toEqual(find("A7"));
  });
});

describe("fingerings: bass", () => {
  it("plays one string, the slash bass or the root", () => {
    const list = fingerings(chord("D/F#"), { tuning: bass, style: "bass", maxFret: 12 }).fingerings;
    expect(list.map((one) => one.frets.findIndex((fret) => fret !== null))).toHaveLength(list.length);
    expect(list[0]!.frets).toEqual([2, null, null, null]);
    // F sharp up to the 12th fret: E 2, A 9, D 4, G 11.
    expect(ids(list)).toEqual(["2,,,", ",9,,", ",,4,", ",,,11"].sort());
    expect(list.every((one) => one.pitches[0]!.startsWith("F#"))).toBe(true);
  });
});

/** Orderings of common practice (no source): those the weights were fitted to, and those the fit did not see. */
describe.each([
  ["fitted", FITTED],
  ["held back", HELD_OUT],
] as const)("%s orderings", (_, orderings) => {
  it.each(orderings.map((ordering): [string, Ordering] => [describeOrdering(ordering), ordering]))(
    "%s",
    (_name, ordering) => expect(holds(ordering)).toBe(true),
  );
});

describe("orderings", () => {
  it("are at least 120, a third of them held back, none said twice", () => {
    expect(ORDERINGS.length).toBeGreaterThanOrEqual(120);
    expect(HELD_OUT.length).toBe(Math.floor(ORDERINGS.length / 3));
    const told = [...ORDERINGS, ...FRESH].map(describeOrdering);
    expect(told.filter((one, index) => told.indexOf(one) !== index)).toEqual([]);
  });

  it("hold for 30 of 31 written when the fit had ended; the other is named", () => {
    expect(FRESH.filter((ordering) => !holds(ordering)).map(describeOrdering)).toEqual([
      "Edim7: xx2323 among the first 3",
    ]);
    expect(FRESH).toHaveLength(31);
  });
});

const lists = new Map<string, readonly Fingering[]>();
const listOf = (symbol: string): readonly Fingering[] => {
  const list = lists.get(symbol) ?? find(symbol).fingerings;
  lists.set(symbol, list);
  return list;
};
const inList = (symbol: string, frets: string): Fingering => {
  const found = listOf(symbol).find((one) => one.frets.join() === sixFrets(frets).join());
  if (!found) throw new Error(`Expected ${symbol} to have ${frets}.`);
  return found;
};

function holds(ordering: Ordering): boolean {
  switch (ordering.kind) {
    case "before": {
      const list = listOf(ordering.symbol);
      return (
        list.indexOf(inList(ordering.symbol, ordering.one)) <
        list.indexOf(inList(ordering.symbol, ordering.other))
      );
    }
    case "easier":
      return inList(...ordering.one).difficulty < inList(...ordering.other).difficulty;
    case "hand":
      return (
        inList(ordering.symbol, ordering.frets)
          .fingers.map((finger) => finger ?? "-")
          .join("") === ordering.fingers
      );
    case "among":
    case "firstFull": {
      const wanted = ordering.frets.map((frets) => sixFrets(frets).join());
      const sounding = (one: Fingering) => one.frets.filter((fret) => fret !== null).length;
      const list = listOf(ordering.symbol);
      const rivals = ordering.kind === "among" ? list : list.filter((one) => sounding(one) !== 4);
      const count = ordering.kind === "among" ? ordering.first : 1;
      return rivals.slice(0, count).some((one) => wanted.includes(one.frets.join()));
    }
  }
}

describe("fingerings: what orders them", () => {
  it("price is difficulty, what is missing of a full shape, and what is unusual", () => {
    for (const [symbol, style] of [
      ["G", "full"],
      ["C#m7", "full"],
      ["G/F#", "full"],
      ["B5", "power"],
      ["D", "two-string"],
      ["Am", "triad"],
    ] as const)
      for (const one of find(symbol, { style }).fingerings) {
        const missing = fullnessWeight(style) * (1 - one.fullness);
        const unusual = one.unusual.reduce((sum, { cost }) => sum + cost, 0);
        expect(one.price).toBeCloseTo(one.difficulty + missing + unusual, 2);
        expect(one.fullness).toBeGreaterThanOrEqual(0);
        expect(one.fullness).toBeLessThanOrEqual(1);
      }
  });

  it("what is missing adds up to weight × (1 − fullness)", () => {
    for (const one of find("Em7").fingerings)
      expect(one.missing.reduce((sum, { cost }) => sum + cost, 0)).toBeCloseTo(
        fullnessWeight("full") * (1 - one.fullness),
        1,
      );
  });

  it("difficulty says nothing of the sound: D is easier than a barre F, which is fuller", () => {
    const [d, f] = [inList("D", "xx0232"), inList("F", "133211")];
    expect(d.difficulty).toBeLessThan(f.difficulty);
    expect(d.fullness).toBeLessThan(f.fullness);
  });

  it("first in the list has no damped string inside and nothing open beside far frets, in 12 keys and the usual qualities", () => {
    const roots = ["C", "C#", "D", "Eb", "E", "F", "F#", "G", "Ab", "A", "Bb", "B"];
    const qualities = [
      "",
      "m",
      "7",
      "m7",
      "maj7",
      "sus2",
      "sus4",
      "7sus4",
      "add9",
      "6",
      "m6",
      "9",
      "m9",
      "2",
      "5",
    ];
    const damped = roots.flatMap((root) =>
      qualities.flatMap((quality) => {
        const [one] = find(root + quality, { limit: 1 }).fingerings;
        const text = one!.frets.map((fret) => fret ?? "x").join(" ");
        const far = one!.frets.includes(0) && one!.frets.some((fret) => fret !== null && fret > 4);
        return far || /\d x .*\d/u.test(text) ? [`${root}${quality} ${text}`] : [];
      }),
    );
    expect(damped).toEqual([]);
  });

  it("a 2 chord leaves the third to the hand, and says nothing of it", () => {
    expect(inList("A2", "x02200")).toMatchObject({ is: "A2", omits: [] });
    expect(inList("C2", "x32033")).toMatchObject({ is: "C2", omits: [] });
    expect(inList("A2", "x02420")).toMatchObject({ is: "A2", omits: [] });
    expect(find("Aadd9").fingerings.some((one) => one.frets.join() === sixFrets("x02200").join())).toBe(
      false,
    );
  });

  it("an open A is held by three fingers, and one flat one is a hand of its own", () => {
    const hands = find("A", { hands: true }).fingerings.filter(
      (one) => one.frets.join() === sixFrets("x02220").join(),
    );
    const flat = hands.find(({ barres }) => barres[0] && barres[0].to - barres[0].from === 2)!;
    expect(hands[0]!.barres).toEqual([]);
    expect(flat.unusual.map(({ term }) => term)).toEqual(["flat finger"]);
    expect(flat.price).toBeGreaterThan(hands[0]!.price);
  });

  it("two strings: root and third first, then root and fifth, then the rest, where the hand asks the same", () => {
    const list = find("A", { style: "two-string", strings: [2, 3], open: false }).fingerings;
    const pair = (frets: string) => list.find((one) => one.frets.join() === sixFrets(frets).join())!;
    // D and G strings: 7/6 is A with C#, 7/9 is A with E, 11/9 C# with E (hand-computed).
    expect(pair("xx76xx").unusual).toEqual([]);
    expect(pair("xx79xx").unusual.map(({ term }) => term)).toEqual(["root with fifth"]);
    expect(pair("x.x.11.9.x.x").unusual.map(({ term }) => term)).toEqual(["neither third nor fifth"]);
  });

  it("a power chord with open strings beside far frets never comes first", () => {
    for (const root of ["C", "C#", "D", "Eb", "E", "F", "F#", "G", "Ab", "A", "Bb", "B"])
      for (const style of ["full", "power"] as const) {
        const [one] = find(`${root}5`, { style, limit: 1 }).fingerings;
        const far = one!.frets.some((fret) => fret !== null && fret > 4);
        expect(far && one!.frets.includes(0), `${root}5 ${style} ${one!.frets}`).toBe(false);
      }
  });
});
