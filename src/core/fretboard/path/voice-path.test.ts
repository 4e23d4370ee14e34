import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { slowCost } from "../../../../testing/fretboard/slow-path";
import { unwrap } from "../../../base";
import { parseChord } from "../../chord";
import { GUITAR_TUNING, parseKey, parseTuning } from "../../pitch";
import { type Fingering, type FingeringOptions, fingerings } from "../fingerings";
import { sixFrets } from "../orderings";
import type { HandEvent } from "./events";
import { withPassing } from "./passing";
import { type VoicePathOptions, voicePath } from "./voice-path";

const tuning = unwrap(parseTuning(GUITAR_TUNING));
const chord = (symbol: string, beats = 4, lock?: string): HandEvent => ({
  kind: "chord",
  chord: unwrap(parseChord(symbol)),
  beats,
  ...(lock ? { lock: sixFrets(lock) } : {}),
});
const chords = (text: string): HandEvent[] =>
  text.split(" ").map((one) => {
    const [symbol, beats] = one.split(":");
    return chord(symbol!, Number(beats ?? 4));
  });
const plan = (events: readonly HandEvent[], options: Partial<VoicePathOptions> = {}) =>
  unwrap(voicePath(events, { tuning, beatMs: 500, ...options }));
const frets = (list: readonly Fingering[]) =>
  list.map((one) => one.frets.map((fret) => fret ?? "x").join(""));

/** Every path there is. */
function slowBest(
  lists: readonly (readonly Fingering[])[],
  beats: number[],
  beatMs: number,
  cyclic: boolean,
): number {
  let best = Number.POSITIVE_INFINITY;
  const path: Fingering[] = [];
  const choose = (index: number): void => {
    if (index === lists.length) {
      best = Math.min(best, slowCost(path, beats, beatMs, cyclic));
      return;
    }
    for (const one of lists[index]!) {
      path[index] = one;
      choose(index + 1);
    }
  };
  choose(0);
  return best;
}

describe("voicePath", () => {
  it("costs what the exhaustive search finds, straight on and round", () => {
    const symbols = fc.constantFrom("G", "C", "D", "Em", "Am7", "D/F#", "F", "Bb");
    fc.assert(
      fc.property(
        fc.array(fc.tuple(symbols, fc.constantFrom(1, 2, 4)), { minLength: 1, maxLength: 4 }),
        fc.boolean(),
        fc.constantFrom(0, 3),
        (song, cyclic, capo) => {
          const options: FingeringOptions = { tuning, limit: 7, hands: true, capo };
          const lists = song.map(([symbol]) => fingerings(unwrap(parseChord(symbol)), options).fingerings);
          const events = song.map(([symbol, beats]) => chord(symbol, beats));
          const found = plan(events, { limit: 7, cyclic, capo: capo as never });
          const beats = song.map(([, one]) => one);
          if (capo === 0) {
            expect(found.cost).toBeCloseTo(slowBest(lists, beats, 500, cyclic), 5);
            expect(slowCost(found.path, beats, 500, cyclic)).toBeCloseTo(found.cost, 5);
          }
          expect(found.cost).toBeLessThanOrEqual(found.greedyCost + 1e-9);
          expect(found.moves).toHaveLength(
            Math.max(0, song.length - 1) + (cyclic && song.length > 1 ? 1 : 0),
          );
          expect(found.exact).toBe(true);
        },
      ),
      { numRuns: 40 },
    );
  });

  it("adds up from its own parts", () => {
    const song = chords("G D/F# Em7 C:2 D:1 G");
    const found = plan(song);
    const whole = found.path.reduce((sum, one, index) => sum + (one.price * song[index]!.beats) / 4, 0);
    expect(found.moves.reduce((sum, move) => sum + move.cost, whole)).toBeCloseTo(found.cost, 4);
    expect(found.moves.map((move) => move.factor)).toEqual([1, 1, 1, 1, 2]);
  });

  it("holds a lock and plans around it", () => {
    const locked = plan([chord("G"), chord("C", 4, "x35553"), chord("G")]);
    expect(frets(locked.path)[1]).toBe("x35553");
    expect(locked.cost).toBeGreaterThan(plan(chords("G C G")).cost);
    const seven = { ...chord("G"), lock: [1, null, 3, null, 5, null, 7] };
    expect(voicePath([seven as HandEvent], { tuning, beatMs: 500 })).toMatchObject({
      ok: false,
      problem: { code: "wrong-strings" },
    });
    expect(voicePath([chord("G", 4, "123456")], { tuning, beatMs: 500 })).toMatchObject({
      ok: false,
      problem: { code: "no-hand", index: 0 },
    });
  });

  it("calls a locked shape by what it sounds, if that is another chord", () => {
    const { path } = plan([chord("Am", 4, "x00030"), chord("C", 4, "x3x0xx"), chord("G")]);
    expect(path.map((one) => one.is).slice(0, 2)).toEqual(["A7sus4", "C5"]);
    expect(path[0]!.omits).toEqual(["b3"]);
  });

  it("says which finger stays", () => {
    const { moves } = plan([chord("C", 4, "x32010"), chord("Am", 4, "x02210")]);
    expect(moves[0]!.why).toContain("index and middle finger stay");
    expect(moves[0]!.kept).toEqual([1, 2]);
  });

  it("lifts all for no chord and places all after it", () => {
    const { path, moves } = plan([chord("Dm", 4, "xx0231"), chord("N.C."), chord("Dm", 4, "xx0231")]);
    expect([path[1]!.is, moves[0]!.cost, moves[1]!.cost]).toEqual(["N.C.", 1.5, 3]);
  });

  it("is longer round than straight on, and no lock makes it cheaper", () => {
    expect(plan(chords("G C D"), { cyclic: true }).cost).toBeGreaterThanOrEqual(plan(chords("G C D")).cost);
  });

  it("tells when a chord has no fingering, or passes it over on request", () => {
    const narrow = { tuning, beatMs: 500, strings: [0, 1, 2], maxFret: 0 };
    expect(voicePath(chords("F"), narrow)).toEqual({
      ok: false,
      problem: { code: "no-fingering", index: 0 },
    });
    expect(plan(chords("F"), { ...narrow, gaps: "skip" }).path[0]!.frets.every((fret) => fret === null)).toBe(
      true,
    );
  });

  it("gives a good path, its bound and the truth when its steps run out", () => {
    const song = chords("G D Em C G D C G");
    const short = plan(song, { budget: 30_000 });
    expect(short.exact).toBe(false);
    expect(short.bound!).toBeLessThanOrEqual(plan(song).cost);
    expect(short.cost).toBeGreaterThanOrEqual(plan(song).cost - 1e-9);
    expect(short.cost).toBeLessThanOrEqual(short.greedyCost);
  });
});

describe("lines between chords", () => {
  const note = (string: number, fret: number, over = false): HandEvent => ({
    kind: "note",
    string,
    fret,
    beats: 1,
    over,
  });

  it("plans single notes with the chords around them", () => {
    const { path } = plan([chord("G"), note(1, 2), note(1, 3), chord("C", 4, "x32010")]);
    // The finger that ends the line on the A string begins the C.
    expect(path[2]!.fingers[1]).toBe(3);
    expect(path[3]!.fingers[1]).toBe(3);
  });

  it("keeps the chord under a note that is played over it", () => {
    const { path, moves } = plan([chord("C", 4, "x32010"), note(5, 3, true), chord("C", 4, "x32010")]);
    expect(path[1]!.frets).toEqual(sixFrets("x32013"));
    expect(moves[0]!.kept).toEqual([1, 2, 3]);
  });

  it("plays a note by itself after another, whatever was held before", () => {
    const { path } = plan([chord("C", 4, "x32010"), note(5, 3), note(5, 5, true), chord("G")]);
    expect(path[2]!.frets.filter((fret) => fret !== null)).toEqual([5]);
  });

  it("finds a way with few steps too, and says where no hand gets through", () => {
    const line = [chord("C"), note(5, 3, true), note(5, 1, true), chord("G")];
    const short = plan(line, { budget: 10 });
    expect(short.path).toHaveLength(4);
    expect(short.cost).toBeGreaterThanOrEqual(plan(line).cost - 1e-9);
    // Nobody holds the barre at the first fret and reaches the fifteenth.
    expect(voicePath([chord("F", 4, "133211"), note(0, 15, true)], { tuning, beatMs: 500 })).toMatchObject({
      ok: false,
    });
  });

  it("lets a chord ring on in the same hand", () => {
    const { path, moves } = plan([chord("Em"), { kind: "ring", beats: 2 }, chord("G")]);
    expect(path[1]).toEqual(path[0]);
    expect(moves.map((move) => move.cost)[0]).toBe(0);
    expect(voicePath([{ kind: "ring", beats: 1 }], { tuning, beatMs: 500 })).toMatchObject({ ok: false });
  });
});

describe("passing basses (common practice, no source)", () => {
  const symbols = (text: string, grade: "none" | "one" | "every", key = "C") =>
    withPassing(chords(text), grade, unwrap(parseKey(key)))
      .events.map((event) => (event.kind === "chord" ? `${event.chord.symbol}:${event.beats}` : ""))
      .join(" ");

  it("walk by the steps of the key", () => {
    expect(symbols("C Am", "one")).toBe("C:3 C/B:1 Am:4");
    expect(symbols("G Em", "one", "G")).toBe("G:3 G/F#:1 Em:4");
    expect(symbols("C F", "every")).toBe("C:2 C/D:1 C/E:1 F:4");
    expect(symbols("C F", "one")).toBe("C:3 C/E:1 F:4");
    expect(symbols("C G", "none")).toBe("C:4 G:4");
  });

  it("leave a chord a beat, and neighbours alone", () => {
    expect(symbols("C:1 Am", "one")).toBe("C:1 Am:4");
    expect(symbols("C:2 F", "every")).toBe("C:1 C/E:1 F:4");
    expect(symbols("C D", "every")).toBe("C:4 D:4");
  });

  it("are played by the same hand, or the chord rings on", () => {
    const walk = withPassing(chords("C Am"), "one", unwrap(parseKey("C")));
    expect(plan(walk.events).path.map((one) => one.is)).toEqual(["C", "C/B", "Am"]);
    expect(plan(walk.events, { strings: [3, 4, 5], inversions: true }).path).toHaveLength(3);
  });
});
