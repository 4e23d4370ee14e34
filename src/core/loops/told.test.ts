import { describe, expect, it } from "vitest";
import { caseOf, chordBeats, layerOf, sectionOf } from "../../../testing/loops/sample-case";
import { unwrap } from "../../base";
import { parseChord } from "../chord";
import { parseKey } from "../pitch";
import { buildOf, laterOf } from "./build";
import { clashesOf, clashOfChords, cutsOf, describeClash } from "./clashes";
import type { LoopCase } from "./loop-case";
import { planLoops } from "./plan";
import { costOfPresses } from "./press";
import { pressesBetween } from "./presses-between";
import { recover } from "./recover";
import { runsOf } from "./track-runs";

const chord = (symbol: string) => unwrap(parseChord(symbol));
const key = (name: string) => unwrap(parseKey(name));
/** A clash in words, or null. */
const told = (...chords: Parameters<typeof clashOfChords>): string | null => {
  const reason = clashOfChords(...chords);
  return reason && describeClash(reason);
};
const planned = (asked: LoopCase) => unwrap(planLoops(asked));

describe("clashes", () => {
  it("calls a semitone beside a tone, and two chords with nothing in common", () => {
    expect(told(chord("A"), chord("Dm"), key("Dm"))).toBe("C# of A lies a semitone from a tone of Dm");
    // C E G over Dm7 (D F A C): E lies a semitone from F.
    expect(told(chord("C"), chord("Dm7"), key("C"))).toContain("E of C");
    // C5 and D5 share nothing, and nothing lies a semitone away.
    expect(told(chord("C5"), chord("D5"), null)).toBe("C5 and D5 share no tone");
    expect(told(chord("C5"), chord("G5"), null)).toBe("C5 and G5 share one tone only");
  });

  it("leaves relatives, equal roots, sevenths of the key and silence in peace", () => {
    expect(clashOfChords(chord("Am"), chord("C"), key("C"))).toBeNull();
    expect(clashOfChords(chord("Em"), chord("C"), key("C"))).toBeNull();
    expect(told(chord("Em"), chord("C"), key("F"))).toContain("B of Em");
    expect(clashOfChords(chord("G5"), chord("G7"), key("C"))).toBeNull();
    expect(clashOfChords(chord("N.C."), chord("C"), key("C"))).toBeNull();
    expect(clashOfChords(chord("F#"), chord("N.C."), key("C"))).toBeNull();
  });

  it("counts phase from the last start, across a section that does not fit the loop", () => {
    const asked = caseOf({
      looper: { tracks: 1, allStart: true, allStop: true, quantised: false },
      key: key("C"),
      layers: [layerOf("pad", { kind: "pitched", bars: 2, progression: chordBeats("C 4 F 4") })],
      sections: [
        sectionOf("a", 3, "pad:on", { chords: chordBeats("C 4 F 4 C 4") }),
        // The loop begins here with its second bar: F under C, then C under F.
        sectionOf("b", 2, "pad:on", { chords: chordBeats("C 4 F 4") }),
      ],
    });
    const { clashes } = planned(asked);
    // F over C: F lies a semitone from E. C over F: E lies a semitone from F, but is a seventh of the key over F.
    expect(clashes).toMatchObject([
      { layer: "pad", section: "b", beats: [0, 1, 2, 3, 4, 5, 6, 7], why: expect.stringContaining("F of F") },
    ]);
  });

  it("asks nothing of unpitched layers, and nothing where the chords are not known", () => {
    const drum = layerOf("drum", { progression: chordBeats("F# 8") });
    const asked = caseOf({
      layers: [drum],
      sections: [sectionOf("a", 2, "drum:on", { chords: chordBeats("C 8") })],
    });
    expect(planned(asked).clashes).toEqual([]);
    const pitched = caseOf({
      layers: [{ ...drum, kind: "pitched" }],
      sections: [sectionOf("a", 2, "drum:on")],
    });
    expect(planned(pitched).clashes).toEqual([]);
  });
});

describe("cuts", () => {
  it("names the bar of the pass at which a loop is stopped", () => {
    const asked = caseOf({
      layers: [layerOf("long", { bars: 4 }), layerOf("short", { bars: 2 })],
      sections: [sectionOf("a", 6, "long:on short:on"), sectionOf("b", 2, "")],
    });
    expect(planned(asked).cuts).toEqual([{ layer: "long", section: "a", bar: 2 }]);
  });

  it("begins a run anew where a track is stopped and started at one boundary", () => {
    const asked = caseOf({
      looper: { tracks: 4, allStart: true, allStop: true, quantised: true },
      layers: ["a", "b", "c", "d"].map((id) => layerOf(id, { bars: 4 })),
      sections: [sectionOf("v", 6, "a:on b:on c:on d:on"), sectionOf("w", 4, "a:on")],
      pins: { a: 0, b: 1, c: 2, d: 3 },
    });
    const plan = planned(asked);
    expect(plan.presses.filter(({ before }) => before === "w").map(({ press }) => press)).toEqual([
      "stop-all",
      "track",
    ]);
    expect(runsOf(asked, plan).filter(({ track }) => track === 0)).toEqual([
      { track: 0, from: 0, to: 1, since: 0 },
      { track: 0, from: 1, to: 2, since: 1 },
    ]);
    expect(cutsOf(asked, plan).map(({ layer }) => layer)).toEqual(["a", "b", "c", "d"]);
  });

  it("counts passes from where anything came in, on a box that only mutes", () => {
    const asked = caseOf({
      looper: { tracks: 2, allStart: false, allStop: false, quantised: false, muted: true },
      layers: [
        layerOf("a", { bars: 4, kind: "pitched", progression: chordBeats("Dm 8 Bb 8") }),
        layerOf("b", { bars: 4, kind: "pitched", progression: chordBeats("Dm 8 Bb 8") }),
      ],
      sections: [
        sectionOf("v", 6, "a:on"),
        sectionOf("w", 4, "a:on b:on", { chords: chordBeats("Bb 8 Dm 8") }),
        sectionOf("x", 2, ""),
        sectionOf("y", 4, "b:on", { chords: chordBeats("Dm 8 Bb 8") }),
      ],
      pins: { a: 0, b: 1 },
    });
    const plan = planned(asked);
    expect(runsOf(asked, plan)).toEqual([
      { track: 0, from: 0, to: 2, since: 0 },
      { track: 1, from: 1, to: 2, since: 0 },
      { track: 1, from: 3, to: 4, since: 3 },
    ]);
    // Six bars in, both loops are in their third bar: they have the Bb the section begins with.
    expect(clashesOf(asked, plan)).toEqual([]);
    const heads = { ...asked, looper: { ...asked.looper, muted: false } };
    expect(clashesOf(heads, planned(heads)).map(({ layer, section }) => [layer, section])).toEqual([
      ["b", "w"],
    ]);
  });
});

describe("the build", () => {
  const layers = [
    layerOf("hum", { bars: 4, kind: "pitched" }),
    layerOf("thump", { bars: 2, steady: true }),
    layerOf("chop", { bars: 4, kind: "pitched", steady: true }),
    layerOf("clap", { bars: 2, recordWith: "thump" }),
  ];

  it("starts with a steady layer of the school, and shares passes", () => {
    const chords = buildOf(caseOf({ layers, school: "chords-first" }));
    expect(chords.order).toEqual([["chop"], ["hum"], ["thump", "clap"]]);
    const beat = buildOf(caseOf({ layers, school: "beat-first" }));
    expect(beat.order).toEqual([["thump", "clap"], ["hum"], ["chop"]]);
    expect(beat).toMatchObject({ countInBars: 1, bars: 1 + 2 + 4 + 4, seconds: 22 });
    expect(beat.why).toBe(
      "thump comes first: the first layer fixes length and tempo, it has a steady pulse, and the school is the beat first",
    );
  });

  it("finishes a track once begun, and says what the foot does pass by pass", () => {
    const tracks = [["hum", "clap", "thump"], ["chop"]];
    const build = buildOf(caseOf({ layers, school: "beat-first" }), tracks);
    expect(build.order).toEqual([["thump", "clap"], ["hum"], ["chop"]]);
    expect(build.passes).toEqual([
      {
        layers: ["thump", "clap"],
        track: 0,
        fromBar: 1,
        bars: 2,
        presses: [
          { press: "track", track: 0, at: "start" },
          { press: "track", track: 0, at: "close" },
          { press: "overdub", track: 0, at: "next" },
        ],
      },
      {
        layers: ["hum"],
        track: 0,
        fromBar: 3,
        bars: 4,
        presses: [
          { press: "overdub", track: 0, at: "close" },
          { press: "track", track: 1, at: "next" },
        ],
      },
      {
        layers: ["chop"],
        track: 1,
        fromBar: 7,
        bars: 4,
        presses: [{ press: "track", track: 1, at: "close" }],
      },
    ]);
    // The first stays first; of the others one on its track comes before one that was listed earlier.
    const apart = [["chop", "thump", "clap"], ["hum"]];
    expect(buildOf(caseOf({ layers, school: "chords-first" }), apart).order).toEqual([
      ["chop"],
      ["thump", "clap"],
      ["hum"],
    ]);
  });

  it("goes by an order somebody has said", () => {
    const buildOrder = [["hum"], ["clap", "thump"], ["chop"]];
    const build = buildOf(caseOf({ layers, buildOrder }), [["hum"], ["thump", "clap"], ["chop"]]);
    expect(build.order).toEqual(buildOrder);
    expect(build.passes.map(({ fromBar, bars }) => [fromBar, bars])).toEqual([
      [1, 4],
      [5, 2],
      [7, 4],
    ]);
    expect(build.why).toBe("hum comes first, as somebody has said");
  });

  it("ends with everything sounding where it is listened to: what must be silent is pressed before the song", () => {
    const asked = caseOf({
      layers: [layerOf("a"), layerOf("b")],
      sections: [sectionOf("v", 4, "a:on"), sectionOf("w", 4, "a:on b:on")],
      pins: { a: 0, b: 1 },
    });
    const pressed = (listen: boolean) =>
      planned({ ...asked, listen }).presses.flatMap((press) =>
        press.before === "v" && press.press === "track" ? [`${press.track} ${press.effect}`] : [],
      );
    expect(pressed(false)).toEqual(["0 start"]);
    expect(pressed(true)).toEqual(["1 stop"]);
  });

  it("adds one pass of the longest loop to listen", () => {
    expect(buildOf(caseOf({ layers, listen: true })).bars).toBe(11 + 4);
  });

  it("takes any steady layer before one of the school without a pulse, and says what is missing", () => {
    const plain = [layerOf("hum", { kind: "pitched", bars: 4 }), layerOf("thump", { steady: true })];
    expect(buildOf(caseOf({ layers: plain, school: "chords-first" })).why).toContain(
      "nothing with a steady pulse fits chords first",
    );
    expect(buildOf(caseOf({ layers: [layerOf("a"), layerOf("b")], school: "chords-first" })).why).toContain(
      "count along",
    );
  });
});

describe("what can wait", () => {
  const layers = [
    layerOf("pulse", { bars: 4, kind: "pitched", steady: true, needs: ["hands"] }),
    layerOf("hum", { bars: 4, needs: ["mouth"] }),
  ];

  it("finds a whole pass in which the mouth is free and nobody minds", () => {
    const asked = caseOf({
      layers,
      sections: [
        sectionOf("v1", 8, "pulse:on hum:either", { busy: ["mouth"] }),
        sectionOf("gap", 6, "pulse:on hum:either"),
        sectionOf("c1", 8, "pulse:on hum:on", { busy: ["mouth"] }),
      ],
    });
    // 4 bars of 4 beats at 120 are 8 seconds.
    expect(laterOf(asked, planned(asked))).toEqual([
      { layer: "hum", section: "gap", bar: 0, savesSeconds: 8 },
    ]);
  });

  it("lets nothing wait that is wanted at once, that would be heard where it is off, or for which there is no room", () => {
    const at = (first: string, gap: number) =>
      caseOf({
        layers,
        sections: [
          sectionOf("v1", 8, first, { busy: ["mouth"] }),
          sectionOf("gap", gap, "pulse:on hum:either"),
          sectionOf("c1", 8, "pulse:on hum:on", { busy: ["mouth"] }),
        ],
      });
    expect(laterOf(at("pulse:on hum:on", 6), planned(at("pulse:on hum:on", 6)))).toEqual([]);
    expect(laterOf(at("pulse:on", 3), planned(at("pulse:on", 3)))).toEqual([]);
  });

  it("records along where it is first wanted", () => {
    const asked = caseOf({
      layers,
      sections: [sectionOf("v1", 8, "pulse:on", { busy: ["mouth"] }), sectionOf("c1", 8, "pulse:on hum:on")],
    });
    expect(laterOf(asked, planned(asked))).toEqual([
      { layer: "hum", section: "c1", bar: 0, savesSeconds: 8 },
    ]);
  });
});

describe("the way back", () => {
  it("is never dearer than going straight to either state, and takes the cheaper, at a tie now", () => {
    const asked = caseOf({
      layers: ["a", "b", "c"].map((id) => layerOf(id)),
      sections: [
        sectionOf("v", 4, "a:on b:on c:on"),
        sectionOf("w", 4, "a:on"),
        sectionOf("x", 4, "b:on c:on"),
      ],
      pins: { a: 0, b: 1, c: 2 },
    });
    const plan = planned(asked);
    for (let section = 0; section < 3; section++)
      for (let state = 0; state < 8; state++) {
        const sounding = [0, 1, 2].filter((track) => state & (1 << track));
        const found = recover(asked, plan, section, sounding);
        const to = (at: number) => (plan.states[at] ?? []).reduce((mask, track) => mask | (1 << track), 0);
        const direct = [section, section + 1].map((at) =>
          costOfPresses(pressesBetween(state, to(at), 7, asked.looper)),
        );
        expect([costOfPresses(found.now), costOfPresses(found.atBoundary.presses)]).toEqual(direct);
        expect(found.advice).toBe(direct[0]! <= direct[1]! ? "now" : "atBoundary");
      }
    expect(clashesOf(asked, plan)).toEqual([]);
  });
});

describe("the way back on a box with one pedal for both", () => {
  it("silences all and lets all in again where that is cheaper, and then in the bar in which every pass begins", () => {
    const ids = ["a", "b", "c", "d"];
    const asked = caseOf({
      looper: { tracks: 4, allStart: true, allStop: true, quantised: false, toggleAll: true },
      layers: ids.map((id) => layerOf(id, { bars: 2 })),
      sections: [sectionOf("v", 8, ids.map((id) => `${id}:on`).join(" "))],
      pins: { a: 0, b: 1, c: 2, d: 3 },
    });
    const plan = planned(asked);
    expect(recover(asked, plan, 0, [0]).now.map(({ press, late }) => [press, late])).toEqual([
      ["stop-all", false],
      ["start-all", true],
    ]);
    const at = { section: 5, tracks: [5, null, null, null] };
    expect(recover(asked, plan, 0, [0], at).now).toMatchObject([
      { press: "stop-all" },
      { press: "start-all", bar: 2 },
    ]);
  });
});

describe("a clash from entering in mid-pass", () => {
  const loop = layerOf("loop", { kind: "pitched", bars: 2, progression: chordBeats("Dm 4 A 4") });
  const clashes = (chords: string, bars: number) => {
    const asked = caseOf({
      layers: [loop],
      sections: [sectionOf("v", bars, "loop:on", { chords: chordBeats(chords) })],
    });
    return clashesOf(asked, planned(asked));
  };

  it("is cured by an entry so many bars later, by hand", () => {
    expect(clashes("A 4 Dm 4 A 4", 3)).toMatchObject([
      { beats: [0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11], shift: 1 },
    ]);
  });

  it("has no cure where every place of the loop clashes, and none is told where nothing does", () => {
    expect(clashes("Eb 4 Eb 4", 2)[0]).not.toHaveProperty("shift");
    expect(clashes("Dm 4 A 4", 2)).toEqual([]);
  });

  it("is not cured at the price of another section of the run", () => {
    const asked = caseOf({
      layers: [loop],
      sections: [
        sectionOf("v", 2, "loop:on", { chords: chordBeats("Dm 4 A 4") }),
        sectionOf("w", 2, "loop:on", { chords: chordBeats("A 4 Dm 4") }),
      ],
    });
    const [clash, ...others] = clashesOf(asked, planned(asked));
    expect([clash!.section, others]).toEqual(["w", []]);
    expect(clash).not.toHaveProperty("shift");
  });
});
