import { describe, expect, it } from "vitest";
import { sampleSpot } from "../../../testing/song/sample-spot";
import { sampleVersion } from "../../../testing/song/sample-version";
import { unwrap } from "../../base";
import { applyEdit } from "../../document";
import { parseChord, pitchClassesOf, type SoundingChord } from "../chord";
import { describeMove } from "../fretboard";
import { parsePitch, stringNames } from "../pitch";
import { chooseShape, set, setCell, type VersionCommand } from "../song/edit";
import { indexCells, outlineOf, timelineOf, tuningOf } from "../song/read";
import type { VersionBody } from "../song/schema";
import { DOCUMENTS } from "../song/schema";
import { compareGuitars } from "./compare-guitars";
import { joinCold } from "./join-cold";
import { planRequest } from "./plan-request";
import { raisedPassages } from "./raised";
import { listChanges, listShapes } from "./shape-list";
import { planShapes, shapesOfPlan } from "./shape-plan";
import { requestKey } from "./shapes";

const body = sampleVersion(
  {
    verse: { lines: ["a/G:4 b/D:4 c/Em:4 d/C:4", "e/G:4 f/D:4 g/C:8"] },
    chorus: { lines: ["h/C:4 i/G:4 j/D:4 k/D:4"] },
  },
  ["verse", "chorus", "chorus"],
  [{ capo: 0 }, { capo: 5 }],
);
const edit = (from: VersionBody, command: VersionCommand) =>
  unwrap(applyEdit(DOCUMENTS.version, from, command)).body;
const planOf = (from: VersionBody, player = "p0") => planShapes(planRequest(from, from.players[player]!));

describe("a plan of a song's shapes", () => {
  it("joins neighbours alike and keeps the beats", () => {
    const { runs, beatMs } = planRequest(body, body.players.p0!);
    expect(beatMs).toBe(1000);
    expect(runs).toHaveLength(1);
    expect(runs[0]!.events.map((one) => `${one.symbol}:${one.beats}`).join(" ")).toBe(
      "G:4 D:4 Em:4 C:4 G:4 D:4 C:12 G:4 D:8 C:4 G:4 D:8",
    );
    expect(runs[0]!.events[7]).toMatchObject({ section: "chorus", label: "chorus 1", bar: 2 });
  });

  it("gives each chord one shape, made of its own tones, as cheap as the greedy way or cheaper", () => {
    const plan = planOf(body);
    expect(listShapes(plan).map((one) => one.symbol)).toEqual(["G", "D", "Em", "C"]);
    for (const { symbol, fingering } of listShapes(plan)) {
      const allowed = pitchClassesOf(unwrap(parseChord(symbol)) as SoundingChord);
      for (const pitch of fingering.pitches) expect(allowed).toContain(unwrap(parsePitch(pitch)) % 12);
    }
    expect(plan.cost).toBeGreaterThan(0);
    expect(plan.exact).toBe(true);
  });

  it("may vary a chord's shape where that is shorter, and then costs no more", () => {
    const request = planRequest(body, body.players.p0!);
    const varied = planShapes({ ...request, vary: true });
    expect(varied.cost).toBeLessThanOrEqual(planShapes(request).cost + 1e-9);
    expect(varied.cost).toBeLessThanOrEqual(varied.greedyCost + 1e-9);
  });

  it("walks G, G/F♯, Em with one finger put down at a time: the others lie ready (common practice, no source)", () => {
    const walk = sampleVersion({ verse: { lines: ["a/G:4 b/G|F#:4 c/Em:4"] } }, ["verse"], [{ capo: 0 }]);
    const [{ path, moves }] = planOf(walk).runs as [ReturnType<typeof planOf>["runs"][number]];
    expect(path.map(({ frets }) => frets.map((fret) => fret ?? "x").join(""))).toEqual([
      "320003",
      "220003",
      "022000",
    ]);
    for (const move of moves)
      expect(move.parts.filter(({ does }) => does !== "stay" && does !== "lift")).toHaveLength(1);
  });

  it("plans a chosen shape with the fingers it was chosen with", () => {
    const fingers = [3, 2, null, null, null, 4] as (2 | 3 | 4 | null)[];
    const chosen = edit(
      body,
      chooseShape(
        body,
        sampleSpot(body.players.p0!),
        "symbol",
        { frets: [3, 2, 0, 0, 0, 3], fingers },
        () => "c",
      ),
    );
    const [run] = planOf(chosen).runs;
    for (const [at, { symbol }] of run!.run.events.entries())
      if (symbol === "G") expect(run!.path[at]!.fingers).toEqual(fingers);
  });

  it("holds a shape with the same fingers wherever it comes in a run", () => {
    const [run] = planOf(body).runs;
    const fingers = new Map<string, string>();
    for (const [at, { symbol }] of run!.run.events.entries()) {
      const own = run!.path[at]!.fingers.join();
      expect(fingers.get(symbol) ?? own).toBe(own);
      fingers.set(symbol, own);
    }
  });

  describe("one shape, moved", () => {
    const index = indexCells(body, outlineOf(body));
    const chorus = Object.values(body.uses).find(({ sectionId }) => sectionId === "chorus")!;
    const moved = (fields: Parameters<typeof setCell>[3]) =>
      edit(
        body,
        setCell(index, chorus.id, "p0", fields, () => "cell-1"),
      );
    const lowest = (frets: readonly (number | null)[]) =>
      Math.min(...frets.filter((fret): fret is number => fret !== null));

    it("keeps to its strings, leaves none open, and does not leak into another section", () => {
      const plan = planOf(moved({ moved: true, style: "triad", strings: [3, 4, 5], fret: 5 }));
      const [verse, chorusRun] = [plan.runs[0]!, plan.runs[1]!];
      expect(verse.path.map(({ frets }) => frets.join())).toContain("3,2,0,0,0,3");
      for (const { frets } of chorusRun.path) {
        expect(frets.slice(0, 3)).toEqual([null, null, null]);
        expect(frets.slice(3).every((fret) => fret !== null && fret > 0)).toBe(true);
      }
      // C, G, D with one tone on the G string throughout: 5-5-3, 12-12-10, 7-7-5 would be the root.
      const tones = new Set(
        chorusRun.path.map(({ frets }, at) => {
          const chord = unwrap(parseChord(chorusRun.run.events[at]!.symbol)) as SoundingChord;
          return (55 + frets[3]! - pitchClassesOf(chord)[0]! + 24) % 12;
        }),
      );
      expect(tones.size).toBe(1);
    });

    it("goes where it is wished, and a chosen shape stands", () => {
      const places = (fret: number) => {
        const { runs } = planOf(moved({ moved: true, style: "triad", strings: [3, 4, 5], fret }));
        return runs[1]!.path.map(({ frets }) => lowest(frets));
      };
      const mean = (list: readonly number[]) => list.reduce((sum, one) => sum + one, 0) / list.length;
      expect(mean(places(11))).toBeGreaterThan(mean(places(3)));
    });

    it("takes the shape somebody chose in it as its form, and leaves other sections alone", () => {
      const damped = [null, null, 5, 4, 3, null];
      const spot = sampleSpot(body.players.p0!, {
        useId: chorus.id,
        sectionId: "chorus",
        chordId: "chorus-l0-c1",
        style: "triad",
        strings: [3, 4, 5],
      });
      const fingers = [null, null, 3 as const, 2 as const, 1 as const, null];
      const from = moved({ moved: true, style: "triad", strings: [3, 4, 5], fret: 5 });
      const chosen = edit(
        from,
        chooseShape(from, spot, "section", { frets: damped, fingers }, () => "c"),
      );
      const [verse, inChorus] = planOf(chosen).runs;
      // G at 5-4-3 on D, G, B: D is 12-11-10, C 10-9-8.
      const bySymbol = new Map(inChorus!.run.events.map(({ symbol }, at) => [symbol, inChorus!.path[at]!]));
      expect(bySymbol.get("G")!.frets).toEqual(damped);
      expect(bySymbol.get("D")!.frets).toEqual([null, null, 12, 11, 10, null]);
      expect(bySymbol.get("C")!.frets).toEqual([null, null, 10, 9, 8, null]);
      expect(new Set(["G", "D", "C"].map((symbol) => bySymbol.get(symbol)!.fingers.join())).size).toBe(1);
      for (const { frets } of verse!.path) expect(frets).not.toEqual(damped);
    });

    it("needs no style of its own: a full chord is moved as a small one", () => {
      const { runs } = planOf(moved({ moved: true }));
      for (const { frets } of runs[1]!.path) expect(frets.filter((fret) => fret !== null)).toHaveLength(3);
    });

    it("a wished place alone keeps shapes about that fret", () => {
      const { runs } = planOf(moved({ fret: 7 }));
      for (const { frets } of runs[1]!.path)
        for (const fret of frets) if (fret !== null) expect(fret >= 4 && fret <= 10).toBe(true);
    });

    it("a wished place holds upwards too: a chord with no shape there has none", () => {
      // C with its root low on E and A lies at the eighth fret only.
      const { runs } = planOf(moved({ fret: 2, style: "power", strings: [0, 1] }));
      for (const { frets } of runs[1]!.path)
        for (const fret of frets) if (fret !== null) expect(fret).toBeLessThanOrEqual(5);
    });
  });

  it("holds a chosen shape and plans the rest around it", () => {
    const spot = sampleSpot(body.players.p0!, { chordId: "verse-l0-c3", symbol: "C" });
    const shape = { frets: [null, 3, 5, 5, 5, 3], fingers: [null, 1, 3, 3, 3, 1] as (1 | 3 | null)[] };
    const chosen = edit(
      body,
      chooseShape(body, spot, "symbol", shape, () => "choice"),
    );
    const plan = planOf(chosen);
    const C = listShapes(plan).filter((one) => one.symbol === "C");
    expect(C.map((one) => one.fingering.frets)).toEqual([shape.frets]);
    // Shapes looked up for parts and stage leave out what was chosen: that is found by its choice.
    const key = requestKey({ ...plan.runs[0]!.run.hand, symbol: "C" });
    expect(shapesOfPlan(plan).has(key)).toBe(false);
    expect(shapesOfPlan(planOf(body)).has(key)).toBe(true);
  });

  it("stops where the player is out, and begins anew behind another capo", () => {
    const index = indexCells(body, outlineOf(body));
    const out = edit(
      body,
      setCell(index, "u1", "p0", { role: "out" }, () => "cell"),
    );
    expect(planRequest(out, out.players.p0!).runs.map((run) => run.events.length)).toEqual([7]);
    const again = edit(
      body,
      setCell(index, "u2", "p0", { capo: 2 }, () => "cell"),
    );
    expect(planRequest(again, again.players.p0!).runs.map((run) => run.hand.capo)).toEqual([0, 2]);
  });

  it("keeps to the strings and style of a cell", () => {
    const index = indexCells(body, outlineOf(body));
    const small = edit(
      body,
      setCell(index, "u1", "p0", { style: "triad", strings: [3, 4, 5] }, () => "cell"),
    );
    const shapes = listShapes(planOf(small)).filter((one) => one.hand.style === "triad");
    expect(shapes.length).toBeGreaterThan(0);
    for (const { fingering } of shapes)
      expect(fingering.frets.map((fret) => fret !== null)).toEqual([false, false, false, true, true, true]);
  });
});

describe("the list to learn", () => {
  it("counts each shape and says where it is used", () => {
    const G = listShapes(planOf(body)).find((one) => one.symbol === "G")!;
    expect([G.times, G.beats, G.where]).toEqual([4, 16, ["verse", "chorus"]]);
  });

  it("puts the hardest change first, with what the fingers do", () => {
    const changes = listChanges(planOf(body));
    for (let at = 1; at < changes.length; at++)
      expect(changes[at]!.cost).toBeLessThanOrEqual(changes[at - 1]!.cost);
    expect(describeMove(changes[0]!.parts, stringNames(tuningOf(body.players.p0!))).length).toBeGreaterThan(
      5,
    );
    expect(changes.reduce((sum, one) => sum + one.times, 0)).toBe(11);
  });
});

describe("two guitars", () => {
  it("behind the same capo are one guitar twice", () => {
    const same = compareGuitars(planOf(body), planOf(body));
    expect([same.doubled, same.apart, same.higher]).toEqual([1, 0, 0]);
  });

  it("behind another lie apart, and share fewer pitches", () => {
    const two = compareGuitars(planOf(body), planOf(body, "p1"));
    expect(two.chords.map((one) => one.symbol).sort()).toEqual(["C", "D", "Em", "G"]);
    expect(two.doubled).toBeLessThan(0.8);
    for (const { a, b, shared } of two.chords) {
      for (const pitch of shared) expect(a).toContain(pitch);
      expect(shared.length).toBeLessThanOrEqual(Math.min(a.length, b.length));
    }
  });
});

describe("a raised use", () => {
  it("asks for a capo and finds the rest before it", () => {
    const raised = edit(body, set("uses", "u2", { shift: 2 }));
    const find = (from: VersionBody, player: string) => {
      const outline = outlineOf(from);
      return raisedPassages(
        from,
        timelineOf(from, outline),
        indexCells(from, outline),
        from.players[player]!,
      );
    };
    expect(find(raised, "p0")).toMatchObject([{ by: 2, capoNow: 0, capoMoved: 2, restBeats: 0 }]);
    expect(find(raised, "p1")[0]).toMatchObject({ capoNow: 5, capoMoved: 7 });
    const quiet = edit(
      raised,
      setCell(indexCells(raised, outlineOf(raised)), "u1", "p0", { light: 0 }, () => "cell"),
    );
    // The chorus before is 16 beats of a quarter at 60 a minute.
    expect(find(quiet, "p0")[0]).toMatchObject({ restBeats: 16, restMs: 16000 });
    const last = edit(raised, set("chords", "chorus-l0-c3", { symbol: "N.C." }));
    expect(find(last, "p0")[0]!.restBeats).toBe(4);
    const down = edit(body, set("uses", "u2", { shift: -3 }));
    expect(find(down, "p0")[0]!.capoMoved).toBe(null);
  });
});

describe("joining cold", () => {
  it("offers the chord that gives most of the song for least of the hand", () => {
    const [first, ...rest] = joinCold(planOf(body));
    expect(rest).toHaveLength(3);
    expect(first!.share).toBeGreaterThan(0.2);
    const all = [first!, ...rest].reduce((sum, one) => sum + one.share, 0);
    expect(all).toBeCloseTo(1, 6);
  });
});
