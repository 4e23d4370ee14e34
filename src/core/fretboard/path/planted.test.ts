import { describe, expect, it } from "vitest";
import { slowCost } from "../../../../testing/fretboard/slow-path";
import { unwrap } from "../../../base";
import { moveChord, parseChord } from "../../chord";
import { GUITAR_TUNING, moveKey, parseKey, parseTuning } from "../../pitch";
import { type Fingering, fingerings } from "../fingerings";
import type { HandEvent } from "./events";
import { covers, Front, spread, type Worth } from "./front";
import { planted } from "./planted";
import { voicePath } from "./voice-path";

const tuning = unwrap(parseTuning(GUITAR_TUNING));
const song = (text: string): HandEvent[] =>
  text.split(" ").map((one) => {
    const [symbol, beats] = one.split(":");
    return { kind: "chord", chord: unwrap(parseChord(symbol!)), beats: Number(beats ?? 4) };
  });
const options = { tuning, capos: [0], beatMs: 500, maxFret: 4, limit: 6, allow: ["sus4", "add9"] } as const;

/** What a path is worth with each one or two fingers it could be said to plant, reckoned from what is told of it. */
function worthsOf(path: readonly Fingering[], events: readonly HandEvent[]): Worth[] {
  const symbols = events.map((event) => (event.kind === "chord" ? event.chord.symbol : ""));
  const beats = events.map((event) => event.beats);
  const cost = slowCost(path, beats, options.beatMs, false);
  const faith = path.reduce((sum, one, index) => sum + (one.is === symbols[index] ? beats[index]! : 0), 0);
  const standing = (one: Fingering): Set<string> =>
    new Set(
      [1, 2, 3, 4].flatMap((finger) => {
        const string = one.fingers.indexOf(finger as 1);
        const isFlat = one.barres.some((barre) => barre.finger === 4);
        return string < 0 || (finger === 4 && isFlat) ? [] : [`${finger} ${string} ${one.frets[string]}`];
      }),
    );
  const stands = path.map(standing);
  const places = [...new Set(stands.flatMap((one) => [...one]))];
  const held = (place: string) =>
    stands.slice(1).filter((one, index) => one.has(place) && stands[index]!.has(place)).length;
  const apart = (a: string, b: string) => {
    const [one, other] = [a.split(" ").map(Number), b.split(" ").map(Number)];
    return one[0] !== other[0] && one[1] !== other[1] && one[0]! < other[0]! === one[2]! <= other[2]!;
  };
  const pairs = places.flatMap((a) => places.flatMap((b) => (apart(a, b) ? [held(a) + held(b)] : [])));
  return [0, ...places.map(held), ...pairs].map((one) => ({ held: one, faith, cost }));
}

describe("planted", () => {
  it("is beaten by no path there is, and has the best of each", () => {
    const events = song("G Cadd9 D:2");
    const beats = 10;
    const lists = events.map((event) =>
      event.kind === "chord" ? fingerings(event.chord, { ...options, hands: true }).fingerings : [],
    );
    const every = lists[0]!.flatMap((a) =>
      lists[1]!.flatMap((b) => lists[2]!.flatMap((c) => worthsOf([a, b, c], events))),
    );
    const { front, exact } = unwrap(planted(events, options));
    expect(exact).toBe(true);
    const found = front.map((one) => ({
      held: Math.round(one.held * 2),
      faith: Math.round(one.faithfulness * beats),
      cost: one.effort * beats,
    }));
    for (const point of found) {
      const worse = { ...point, cost: point.cost - 1e-4 };
      expect(every.filter((one) => covers(one, worse))).toEqual([]);
    }
    const best = (order: (a: Worth, b: Worth) => number) => [...every].sort(order)[0]!;
    for (const one of [
      best((a, b) => b.held - a.held || a.cost - b.cost),
      best((a, b) => a.cost - b.cost || b.held - a.held),
      best((a, b) => b.faith - a.faith || a.cost - b.cost),
    ])
      expect(found.some((point) => covers({ ...point, cost: point.cost - 1e-4 }, one))).toBe(true);
  });

  it("includes the cheapest path of all, and no point covers another", () => {
    const events = song("G Em C D G");
    const { front, exact } = unwrap(planted(events, options));
    expect(exact).toBe(true);
    expect(front.length).toBeLessThanOrEqual(6);
    const cheapest = unwrap(voicePath(events, { ...options, capo: 0 })).cost / 20;
    expect(Math.min(...front.map((one) => one.effort))).toBeCloseTo(cheapest, 5);
    const worths = front.map((one) => ({ held: one.held, faith: one.faithfulness, cost: one.effort }));
    for (const a of worths) for (const b of worths) if (a !== b) expect(covers(a, b)).toBe(false);
  });

  it("tells of each point what can be reckoned again from its path", () => {
    const events = song("G Em7 Cadd9 D G Em7 Cadd9 D");
    const { front } = unwrap(planted(events, { ...options, limit: 40 }));
    for (const point of front) {
      let held = 0;
      for (const { finger, string, fret, changes } of point.planted) {
        const has = (one: Fingering) => one.fingers.indexOf(finger) === string && one.frets[string] === fret;
        const stays = point.path.slice(1).filter((one, at) => has(one) && has(point.path[at]!)).length;
        expect(stays).toBe(changes);
        held += stays;
      }
      expect(point.planted.length).toBeLessThanOrEqual(2);
      expect(point.held).toBeCloseTo(held / 7, 5);
      const faithful = point.path.filter((one, index) => {
        const event = events[index]!;
        return event.kind === "chord" && one.is === event.chord.symbol;
      }).length;
      expect(point.faithfulness).toBeCloseTo(faithful / 8, 5);
    }
    expect(front[0]!.words).toMatch(/never moves?:|stays? for .*of 7 changes/u);
  });

  // Common practice, no source: the two fingers everybody leaves down.
  it.each([0, 2, 3])(
    "has ring and little finger on B and high E through G, C, D, Em, behind capo %i",
    (capo) => {
      const shapes = song("G C D Em");
      const sounding = shapes.map((event) =>
        event.kind === "chord"
          ? {
              ...event,
              chord: unwrap(
                parseChord(
                  moveChord(event.chord, unwrap(parseKey("G")), moveKey(unwrap(parseKey("G")), capo)),
                ),
              ),
            }
          : event,
      );
      const all = { tuning, beatMs: 600, capos: [capo], allow: ["sus4", "add9", "7"] as const };
      const { front, exact } = unwrap(planted(sounding, all));
      expect(exact).toBe(true);
      const both = front.find((one) => one.held === 2)!;
      expect(both.planted).toEqual([
        { finger: 3, string: 4, fret: 3, changes: 3 },
        { finger: 4, string: 5, fret: 3, changes: 3 },
      ]);
      if (capo === 0) {
        expect(both.path.map((one) => one.is)).toEqual(["G", "Cadd9", "Dsus4", "Em7"]);
        expect(both.words).toMatch(/^ring and little finger never move: G, Cadd9, Dsus4, Em7/u);
      }
    },
    20_000,
  );

  it("never plants a little finger that lies flat", () => {
    const { front } = unwrap(planted(song("Bb B Bb B"), { ...options, maxFret: 6, limit: 60 }));
    for (const { planted: fingers, path } of front)
      if (fingers.some(({ finger }) => finger === 4))
        for (const { barres } of path) expect(barres.some(({ finger }) => finger === 4)).toBe(false);
  });

  it("gives the same twice, and says when its steps ran out", () => {
    expect(unwrap(planted(song("G C D"), options))).toEqual(unwrap(planted(song("G C D"), options)));
    expect(unwrap(planted(song("G Em C D G Em C D"), { ...options, limit: 40, budget: 10 })).exact).toBe(
      false,
    );
  });

  it("has a way to play where nothing is pressed or nothing changes", () => {
    const open = { ...options, maxFret: 0, strings: [1, 2, 3, 4, 5] };
    const still = unwrap(planted(song("Em7 N.C. Em7"), { ...open, strings: [0, 1, 2, 3, 4, 5] }));
    expect(still.front).toHaveLength(1);
    expect(still.front[0]).toMatchObject({ held: 0, planted: [], faithfulness: 1 });
    expect(unwrap(planted(song("G"), options)).front.length).toBeGreaterThan(0);
  });

  it("tells of its progress", () => {
    const told: number[] = [];
    const fronts: number[] = [];
    unwrap(
      planted(song("G C"), {
        ...options,
        onProgress: (done, of, soFar) => {
          told.push(done / of);
          if (soFar) fronts.push(soFar.front.length);
        },
      }),
    );
    // There is something to look at before the search has ended.
    expect(fronts[0]).toBeGreaterThan(0);
    expect(told.at(-1)).toBe(1);
    expect(told).toEqual([...told].sort((a, b) => a - b));
  });
});

describe("a front", () => {
  const random = (seed: number) => {
    let state = seed;
    return () => {
      state = (state * 1103515245 + 12345) % 2147483648;
      return state / 2147483648;
    };
  };

  it("keeps what nothing covers, and knows what is covered, as a plain comparison does", () => {
    const next = random(7);
    const all: Worth[] = Array.from({ length: 300 }, () => ({
      held: Math.floor(next() * 6),
      faith: Math.floor(next() * 6) / 2,
      cost: Math.floor(next() * 40),
    }));
    const front = new Front<Worth>();
    const plain: Worth[] = [];
    for (const one of all) {
      expect(front.covered(one)).toBe(plain.some((other) => covers(other, one)));
      front.add(one);
      plain.push(one);
    }
    const best = all.filter(
      (one) => !all.some((other) => other !== one && covers(other, one) && !covers(one, other)),
    );
    expect(new Set(front.items.map((one) => JSON.stringify(one)))).toEqual(
      new Set(best.map((one) => JSON.stringify(one))),
    );
  });

  it("is spread from the best of each to what lies farthest", () => {
    const items = [0, 1, 2, 3, 4, 5, 6, 7].map((held) => ({ held, faith: 7 - held, cost: held }));
    const picked = spread(items, 3).map((one) => one.held);
    expect(picked).toContain(0);
    expect(picked).toContain(7);
    expect(picked).toHaveLength(3);
    expect(spread([], 6)).toEqual([]);
  });
});
