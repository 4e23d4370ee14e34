import { describe, expect, it } from "vitest";
import { runEngine } from ".";

type Json = Record<string, unknown>;
const result = <Result = Json>(name: string, input: unknown): Result => {
  const outcome = runEngine(name, input);
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.error));
  return outcome.result as Result;
};
const error = (name: string, input: unknown): string => {
  const outcome = runEngine(name, input);
  if (outcome.ok) throw new Error("Expected an error.");
  expect(outcome.error.message).not.toMatch(/\n/u);
  expect(outcome.error.message.length).toBeLessThan(200);
  return outcome.error.path;
};
const changes = [
  { symbol: "G", beats: 4 },
  { symbol: "C", beats: 4 },
];
const path = { changes, tempo: 90, limit: 50 };

describe("fingerings", () => {
  it("come as an instruction too", () => {
    const { fingerings } = result<{ fingerings: { instruction: string[] }[] }>("fingerings", {
      symbol: "Em",
      limit: 1,
    });
    expect(fingerings[0]!.instruction.at(-1)).toBe("Open: low E, G, B and high E.");
  });
});

describe("identify", () => {
  it("names a shape, and anew with a bass player's note", () => {
    const frets = [null, 3, 2, 0, 1, 0];
    const names = (input: Json) => result<{ names: Json[] }>("identify", input).names;
    expect(names({ frets })[0]).toMatchObject({ symbol: "C", complete: true, omits: [] });
    expect(names({ frets, bass: "A1" })[0]).toMatchObject({ symbol: "Am7" });
    expect(names({ frets, bass: "A" })[0]).toMatchObject({ symbol: "Am7" });
    expect(names({ frets, capo: 2, key: "D" })[0]).toMatchObject({ symbol: "D" });
    expect(names({ frets: [null, null, null, null, null, null] })).toEqual([]);
  });

  it("refuses what is no shape", () => {
    expect(error("identify", { frets: [0, 2] })).toBe("frets");
    expect(error("identify", { frets: [0, 2, 2, 0, 0, 99] })).toBe("frets.5");
    expect(error("identify", { frets: [0, 2, 2, 0, 0, 0], bass: "H" })).toBe("bass");
    expect(error("identify", { frets: "x32010" })).toBe("frets");
  });
});

describe("voice-path", () => {
  it("gives a fingering a change, the moves and what they cost", () => {
    const found = result<{
      path: Json[];
      moves: { why: string }[];
      cost: number;
      greedyCost: number;
      exact: boolean;
    }>("voice-path", path);
    expect(found.path).toHaveLength(2);
    expect(found.moves).toHaveLength(1);
    expect(found.cost).toBeLessThanOrEqual(found.greedyCost);
    expect(found.exact).toBe(true);
    expect(result<{ moves: Json[] }>("voice-path", { ...path, cyclic: true }).moves).toHaveLength(2);
  });

  it("holds locks, rings, notes and passing basses", () => {
    const lock = [3, 5, 5, 4, 3, 3];
    const locked = result<{ path: { frets: unknown }[] }>("voice-path", {
      ...path,
      changes: [
        { symbol: "G", beats: 4, lock },
        { ring: true, beats: 2 },
        { string: 1, fret: 3, beats: 1 },
        changes[1],
      ],
    });
    expect(locked.path[0]!.frets).toEqual(lock);
    expect(locked.path).toHaveLength(4);
    const { events } = result<{ events: Json[] }>("voice-path", {
      ...path,
      changes: [
        { symbol: "C", beats: 4 },
        { symbol: "Am", beats: 4 },
      ],
      grades: "one",
      key: "C",
    });
    expect(events.map((event) => event.symbol)).toEqual(["C", "C/B", "Am"]);
  });

  it("names the field that is wrong", () => {
    const first = (more: Json) => ({ ...path, changes: [{ symbol: "G", beats: 4, ...more }] });
    expect(error("voice-path", { ...path, changes: [] })).toBe("changes");
    expect(error("voice-path", { ...path, changes: new Array(201).fill(changes[0]) })).toBe("changes");
    expect(error("voice-path", { changes })).toBe("tempo");
    expect(error("voice-path", { ...path, tempo: 0 })).toBe("tempo");
    expect(error("voice-path", first({ symbol: "Go" }))).toBe("changes.0.symbol");
    expect(error("voice-path", first({ beats: 0 }))).toBe("changes.0.beats");
    expect(error("voice-path", first({ lock: [3, 2] }))).toBe("changes.0.lock");
    expect(error("voice-path", first({ lock: [1, 2, 3, 4, 5, 6] }))).toBe("changes.0.lock");
    expect(error("voice-path", { ...first({}), maxFret: 1, strings: [0, 1, 2] })).toBe("changes.0.symbol");
    expect(error("voice-path", { ...path, changes: [{ ring: true, beats: 1 }] })).toBe("changes.0.ring");
    expect(error("voice-path", { ...path, changes: ["G"] })).toBe("changes.0");
    expect(error("voice-path", { ...path, grades: "all" })).toBe("grades");
    expect(error("voice-path", { ...path, level: "best" })).toBe("level");
  });
});

describe("planted", () => {
  it("gives a front of at most six, none covering another", () => {
    const { front } = result<{ front: { held: number; effort: number; faithfulness: number }[] }>("planted", {
      ...path,
      capos: [0, 2],
      allow: ["add9", "sus4"],
      maxFret: 4,
    });
    expect(front.length).toBeGreaterThan(0);
    expect(front.length).toBeLessThanOrEqual(6);
    for (const a of front)
      for (const b of front)
        if (a !== b)
          expect(a.held >= b.held && a.effort <= b.effort && a.faithfulness >= b.faithfulness).toBe(false);
  });

  it("names the field that is wrong", () => {
    expect(error("planted", { ...path, capos: [] })).toBe("capos");
    expect(error("planted", { ...path, capos: [0, 20] })).toBe("capos.1");
    expect(error("planted", { ...path, cyclic: true })).toBe("cyclic");
    expect(error("planted", { ...path, changes: [...changes, { string: 1, fret: 2, beats: 1 }] })).toBe(
      "changes.2",
    );
    expect(error("planted", { ...path, allow: ["sus9"] })).toBe("allow.0");
  });
});

describe("degree-line", () => {
  const line = { changes, range: ["G2", "G3"], allowed: ["1", "3", "5"] };

  it("answers with notes and movement", () => {
    const { notes, movement } = result<{ notes: Json[]; movement: number }>("degree-line", line);
    expect(notes).toHaveLength(2);
    expect(movement).toBe(0);
  });

  it("names the field that is wrong", () => {
    expect(error("degree-line", { ...line, range: ["G3", "G2"] })).toBe("range.1");
    expect(error("degree-line", { ...line, range: ["G3"] })).toBe("range");
    expect(error("degree-line", { ...line, range: ["H3", "G3"] })).toBe("range.0");
    expect(error("degree-line", { ...line, allowed: [] })).toBe("allowed");
    expect(error("degree-line", { ...line, allowed: ["8"] })).toBe("allowed.0");
    expect(error("degree-line", { ...line, range: ["C3", "C3"], allowed: ["3"] })).toBe("changes.0.symbol");
  });
});

describe("harmoniser", () => {
  it("answers for semitones and for degrees of a key", () => {
    expect(result("harmoniser", { notes: ["D4"], interval: -3 }).sounding).toEqual([["D4", "B3"]]);
    const inKey = { degrees: 2, key: "C", scale: "major" };
    expect(result("harmoniser", { notes: ["F4"], interval: inKey }).sounding).toEqual([["F4", "A4"]]);
  });

  it("names the field that is wrong", () => {
    expect(error("harmoniser", { notes: [], interval: 3 })).toBe("notes");
    expect(error("harmoniser", { notes: ["D"], interval: 3 })).toBe("notes.0");
    expect(error("harmoniser", { notes: ["D4"], interval: 99 })).toBe("interval");
    expect(error("harmoniser", { notes: ["D4"], interval: { degrees: 2, key: "H" } })).toBe("interval.key");
  });
});

describe("stand-ins", () => {
  it("offers easier shapes by their own names", () => {
    const { standIns } = result<{ standIns: { is: string }[] }>("stand-ins", { symbol: "Am", key: "C" });
    expect(standIns.map((one) => one.is)).toContain("A7sus4");
    expect(error("stand-ins", { symbol: "Am" })).toBe("key");
  });
});
