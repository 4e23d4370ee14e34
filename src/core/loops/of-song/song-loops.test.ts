import { describe, expect, it } from "vitest";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { unwrap } from "../../../base";
import { applyEdit } from "../../../document";
import { gather } from "../../findings";
import { bandSheet, sumOfBand } from "../../parts";
import { hzOf } from "../../pitch";
import { COMMON_TIME } from "../../rhythm";
import type { VersionCommand } from "../../song/edit";
import { tellMoment } from "../../song/moments";
import { outlineOf, timelineOf } from "../../song/read";
import type { LoopLayerRow, VersionBody } from "../../song/schema";
import { DOCUMENTS } from "../../song/schema";
import { planLoops } from "../plan";
import { describePress } from "../press";
import { wrongLayers } from "../way";
import { describeSongLoopProblem } from "./describe-loop-problem";
import { commandOfFix, describeLoopFinding, describeLoopFix } from "./describe-loops";
import { footPresses, pressesInAMinute, secondsToFirstWord } from "./foot";
import { heardLayers, layerPasses } from "./heard";
import { layerOfPart } from "./layer-of-part";
import {
  addLayer,
  followAgain,
  PLAIN_LAYER,
  removeLayer,
  setBox,
  setLayer,
  strokeWants,
} from "./loop-commands";
import { LOOP_FIXING, loopFindings } from "./loop-findings";
import { loopPitches } from "./loop-pitches";
import { songLoops } from "./song-loops";
import { setTapped } from "./touch-layers";

let count = 0;
const makeId = () => `id${count++}`;
const BAR = 3840;

/** Two verses of four bars around a chorus; words under the chords. One beat a second. */
const song = () =>
  sampleVersion(
    {
      verse: { lines: ["Rope/G:4 down/C:4", "bell/G:4 up/D:4"] },
      chorus: { lines: ["Ring/Em:4 out/C:4"] },
    },
    ["verse", "chorus", "verse"],
    [{ sings: true, loops: true, role: "carry" }],
  );

const act = (body: VersionBody, command: VersionCommand): VersionBody =>
  unwrap(applyEdit(DOCUMENTS.version, body, command)).body;

const layer = (id: string, more: Partial<LoopLayerRow> = {}): LoopLayerRow => ({
  ...PLAIN_LAYER,
  needs: ["hands"],
  id,
  originId: null,
  order: id,
  name: id.toUpperCase(),
  ...more,
});
const put = (body: VersionBody, layers: readonly LoopLayerRow[]): VersionBody =>
  layers.reduce((now, row) => act(now, { type: "add", table: "loopLayers", row }), body);
const draw = (
  body: VersionBody,
  layerId: string,
  useId: string,
  from = 0,
  to = 4 * BAR,
  want: "on" | "either" | "off" = "on",
) =>
  act(
    body,
    strokeWants(
      body,
      outlineOf(body),
      [{ layerId, useId, from, to, total: useId === "u1" ? 2 * BAR : 4 * BAR, want }],
      makeId,
    ),
  );
const read = (body: VersionBody, habits: Parameters<typeof songLoops>[3] = []) => {
  const outline = outlineOf(body);
  return songLoops(body, outline, timelineOf(body, outline), habits);
};
const planned = (body: VersionBody) => {
  const own = read(body);
  return { own, plan: unwrap(planLoops(own.asked!)) };
};

describe("a song as the looper sees it", () => {
  it("cuts uses where what is wanted changes, with chords as they sound", () => {
    const body = draw(put(song(), [layer("a")]), "a", "u0", BAR, 3 * BAR);
    const { asked, pieces } = read(body);
    // The second verse wants what the first one wants.
    expect(pieces.map(({ id, from, to }) => [id, from / BAR, to / BAR])).toEqual([
      ["u0", 0, 1],
      ["u0@3840", 1, 3],
      ["u0@11520", 3, 4],
      ["u1", 4, 6],
      ["u2", 6, 7],
      ["u2@3840", 7, 9],
      ["u2@11520", 9, 10],
    ]);
    expect(asked!.sections.map(({ want }) => want.a)).toEqual([
      "off",
      "on",
      "off",
      "off",
      "off",
      "on",
      "off",
    ]);
    expect(asked!.sections[1]!.chords.map(({ chord, beats }) => [chord.symbol, beats])).toEqual([
      ["C", 4],
      ["G", 4],
    ]);
    expect(asked!.sections[0]!.busy).toEqual(["hands", "mouth"]);
    expect(asked!.beatsPerBar).toBe(4);
  });

  it("gives a use its own wants from its first stroke on, and lets it follow again", () => {
    const first = draw(put(song(), [layer("a")]), "a", "u0");
    const own = draw(first, "a", "u2", 0, BAR, "off");
    expect(read(own).asked!.sections.map(({ want }) => want.a)).toEqual(["on", "off", "off", "on"]);
    expect(read(act(own, followAgain(own, "u2"))).asked).toEqual(read(first).asked);
  });

  it("moves chords of sections and layers into the performing key; a raised place clashes with a loop that stays", () => {
    const chorded = layer("a", {
      plays: "chords",
      pitch: "pitched",
      bars: 2,
      chords: [
        { symbol: "Em", ticks: BAR },
        { symbol: "C", ticks: BAR },
      ],
    });
    const body = draw(put(song(), [chorded]), "a", "u1", 0, 2 * BAR);
    const raised = { ...body, uses: { ...body.uses, u1: { ...body.uses.u1!, shift: 2 } } };
    expect(planned(body).plan.clashes).toEqual([]);
    const { own, plan } = planned(raised);
    expect(own.asked!.sections[1]!.chords.map(({ chord }) => chord.symbol)).toEqual(["F#m", "D"]);
    expect(plan.clashes[0]!.beats).toEqual([0, 1, 2, 3, 4, 5, 6, 7]);
    const moved = { ...body, version: { v: { ...body.version.v!, key: "A" } } };
    expect(read(moved).asked!.layers[0]!.progression.map(({ chord }) => chord.symbol)).toEqual(["F#m", "D"]);
    expect(planned(moved).plan.clashes).toEqual([]);
  });

  it("pins by the song before it pins by habit, and only to tracks there are", () => {
    const body = put(song(), [
      layer("a", { plays: "thump", track: 1 }),
      layer("b", { plays: "clap" }),
      layer("c", { plays: "chop", track: 5 }),
    ]);
    const own = read(body, [
      { plays: "thump", track: 0 },
      { plays: "clap", track: 0 },
    ]);
    expect(own.asked!.pins).toEqual({ a: 1, b: 0 });
    expect(own.problems).toEqual([{ code: "pin-beyond", layer: "C", track: 5, tracks: 2 }]);
  });

  it("says what stands in the way, with the way out, and plans what is left", () => {
    const odd = layer("a", { pitch: "pitched", bars: 2, chords: [{ symbol: "G", ticks: BAR }] });
    const unread = layer("b", { pitch: "pitched", bars: 1, chords: [{ symbol: "Qx", ticks: BAR }] });
    const body = put(song(), [odd, unread]);
    const own = read({ ...body, uses: { ...body.uses, u1: { ...body.uses.u1!, bpm: 90 } } });
    expect(own.problems.map(({ code }) => code)).toEqual(["other-tempo", "layer-beats", "layer-chord"]);
    for (const problem of own.problems)
      expect(describeSongLoopProblem(problem, (id) => id)).toMatch(/^.{20,}\.$/u);
    expect(own.asked!.layers.map(({ progression }) => progression)).toEqual([[], []]);
    expect(read(sampleVersion({}, [])).problems).toEqual([{ code: "no-form" }]);
    const hollow = read(
      put(sampleVersion({ verse: { lines: ["/G:4"] }, gap: { lines: [""] } }, ["verse", "gap"]), [
        layer("a"),
      ]),
    );
    expect(hollow.problems).toContainEqual({ code: "empty-use", label: "gap" });
    expect(hollow.asked!.sections).toHaveLength(1);
  });

  it("plans no more layers than it can, and says so", () => {
    const many = put(
      song(),
      Array.from({ length: 17 }, (_, at) => layer(`l${at}`)),
    );
    const own = read(many);
    expect(own.asked).toBeNull();
    expect(own.problems).toEqual([{ code: "too-many-layers", layers: 17, most: 16 }]);
  });

  it("gives every layer one length on a box that has one, and names pedals that are missing", () => {
    const base = put(song(), [layer("a", { bars: 4 }), layer("b", { bars: 2 }), layer("c", { bars: 3 })]);
    const body = act(base, setBox(base, { sharedLength: true, tracks: 3 }, makeId));
    const own = read(body);
    expect(own.asked!.layers.map(({ bars }) => bars)).toEqual([4, 4, 3]);
    expect(own.problems).toContainEqual({ code: "shared-length", layer: "c", bars: 3, longest: 4 });
    expect(own.problems).toContainEqual({ code: "no-pedal", act: "track", track: 2 });
    expect(act(body, setBox(body, { tracks: 2 }, makeId)).loopBoxes).toMatchObject({
      [own.box.id]: { tracks: 2 },
    });
  });
});

describe("the foot sheet", () => {
  it("tells bar, beat and the words around each press", () => {
    const body = draw(put(song(), [layer("a")]), "a", "u1", 0, 2 * BAR);
    const { own, plan } = planned(body);
    const presses = footPresses(own, plan);
    expect(presses.map((press) => [describePress(press), tellMoment(press.moment), press.into])).toEqual([
      ["track 1 in", "bar 1 of chorus, beat 1, on “Ring”", "chorus"],
      ["track 1 out", "bar 1 of verse 2, beat 1, on “Rope”", "verse 2"],
    ]);
    expect(presses.map(({ seconds, sung }) => [seconds, sung])).toEqual([
      [16, true],
      [24, true],
    ]);
    expect(pressesInAMinute(presses)).toBe(2);
    expect(pressesInAMinute([{ seconds: 0 }, { seconds: 59 }, { seconds: 61 }, { seconds: 200 }])).toBe(2);
    // The count-in bar and a pass of two bars at one beat a second.
    expect(secondsToFirstWord(own, plan)).toBe(12);
    expect(presses[0]!.from).toBe(presses[0]!.tick);
  });

  it("lets a box that waits be pressed a pass early", () => {
    const base = draw(put(song(), [layer("a")]), "a", "u1", 0, 2 * BAR);
    const body = act(base, setBox(base, { quantised: true }, makeId));
    const { own, plan } = planned(body);
    expect(footPresses(own, plan).map(({ tick, from }) => (tick - from) / BAR)).toEqual([2, 2]);
  });
});

describe("findings of the loops", () => {
  const crowded = () => {
    const base = put(song(), [
      layer("a", {
        bars: 4,
        pitch: "pitched",
        plays: "chords",
        chords: ["G", "C", "G", "D"].map((symbol) => ({ symbol, ticks: BAR })),
      }),
      layer("b", { bars: 2 }),
      layer("c", { bars: 2 }),
    ]);
    const one = act(
      base,
      setBox(
        base,
        { tracks: 1, pedals: [{ name: "P", press: "track-0", double: "stop-all", hold: "none" }] },
        makeId,
      ),
    );
    return draw(draw(draw(one, "a", "u0"), "b", "u0"), "c", "u1", 0, 2 * BAR);
  };

  it("name what is silent, what clashes and what is cut, once for several places, and mend it by edits", () => {
    const body = crowded();
    const { own, plan } = planned(body);
    const found = loopFindings(own, plan);
    expect(found.map(({ kind, label }) => [kind, label])).toContainEqual(["sounds-unwanted", "verse 2"]);
    for (const finding of found) {
      const { what, why } = describeLoopFinding(finding);
      expect(`${what} ${why}`).toMatch(/^[A-Z].+\.$/u);
    }
    expect(new Set(found.map(({ id }) => id)).size).toBe(found.length);
    for (const finding of found)
      for (const fix of finding.fixes) {
        const mended = act(body, commandOfFix(body, outlineOf(body), own, fix, makeId));
        const after = loopFindings(planned(mended).own, planned(mended).plan);
        expect(after.map(({ id }) => id)).not.toContain(finding.id);
      }
    expect(wrongLayers(own.asked!, plan, 0).sounding).toEqual(["c"]);
  });

  it("say where a box that waits is in the middle of a pass", () => {
    const base = draw(put(song(), [layer("a", { bars: 4 }), layer("b", { bars: 2 })]), "a", "u0", 0, 3 * BAR);
    const both = draw(base, "b", "u0", 3 * BAR, 4 * BAR);
    const waiting = act(both, setBox(both, { quantised: true }, makeId));
    const told = (body: VersionBody) =>
      loopFindings(planned(body).own, planned(body).plan).filter(({ kind }) => kind === "waits-past");
    // Three bars into a loop of four, in both verses; then one bar into a loop of two.
    expect(gather(told(waiting), LOOP_FIXING)).toMatchObject([
      { beats: 4, track: 0, label: "verse 1" },
      { beats: 4, track: 1, label: "chorus" },
    ]);
    expect(describeLoopFinding(told(waiting)[0]!).what).toContain("waits 4 beats past the boundary");
    expect(told(both)).toEqual([]);
    const fits = draw(waiting, "a", "u0", 0, 4 * BAR);
    expect(told(draw(fits, "b", "u0", 3 * BAR, 4 * BAR, "off"))).toEqual([]);
  });

  it("offer three ways out of a clash, and a second layer has the chords of the place", () => {
    const pad = layer("a", {
      bars: 1,
      pitch: "pitched",
      plays: "chords",
      chords: [{ symbol: "F#", ticks: BAR }],
    });
    const body = draw(put(song(), [pad]), "a", "u1", 0, 2 * BAR);
    const { own, plan } = planned(body);
    const clash = loopFindings(own, plan).find(({ kind }) => kind === "loop-clash")!;
    expect(clash.fixes.map((fix) => fix.do)).toEqual(["mute", "second-layer", "damp"]);
    const second = act(body, commandOfFix(body, outlineOf(body), own, clash.fixes[1]!, makeId));
    const made = Object.values(second.loopLayers).find(({ id }) => id !== "a")!;
    expect([made.name, made.bars, made.chords.map(({ symbol }) => symbol)]).toEqual(["A 2", 2, ["Em", "C"]]);
    expect(planned(second).plan).toMatchObject({ clashes: [], wrongBars: 0 });
  });
});

describe("layers", () => {
  it("are taken from a part of the sheet: the shortest run of chords that comes round", () => {
    const body = sampleVersion(
      { verse: { lines: ["a/G:4 b/C:4", "c/G:4 d/C:4"] } },
      ["verse"],
      [{ role: "carry", light: 3 }],
    );
    const sheet = bandSheet(body);
    const taken = layerOfPart(sheet.rows[0]!, sheet.rows[0]!.parts[0]!, BAR)!;
    expect(taken).toMatchObject({
      bars: 2,
      pitch: "pitched",
      chords: [
        { symbol: "G", ticks: BAR },
        { symbol: "C", ticks: BAR },
      ],
    });
    const added = act(body, addLayer(body, taken, makeId, [{ useId: "u0", from: 0, to: null }]));
    expect(planned(added).plan).toMatchObject({ wrongBars: 0, clashes: [] });
    const out = bandSheet({ ...body, players: { p0: { ...body.players.p0!, light: 0 } } });
    expect(layerOfPart(out.rows[0]!, out.rows[0]!.parts[0]!, BAR)).toBeNull();
  });

  it("are named apart, changed, and removed with what is wanted of them", () => {
    const body = act(
      song(),
      addLayer(song(), { name: "Thump" }, makeId, [{ useId: "u0", from: 0, to: null }]),
    );
    const again = act(body, addLayer(body, { name: "Thump" }, makeId));
    expect(Object.values(again.loopLayers).map(({ name }) => name)).toEqual(["Thump", "Thump 2"]);
    const [first] = Object.values(again.loopLayers);
    expect(act(again, setLayer(first!.id, { bars: 3 })).loopLayers[first!.id]!.bars).toBe(3);
    expect(() => act(again, setLayer(first!.id, { bars: 0 }))).toThrow();
    const gone = act(again, removeLayer(again, first!.id));
    expect([Object.keys(gone.loopLayers).length, Object.keys(gone.loopWants).length]).toEqual([1, 0]);
  });

  it("sound at a tick of the song while their track runs, for the sum of the band", () => {
    const chords = [
      { symbol: "Em", ticks: BAR },
      { symbol: "C", ticks: BAR },
    ];
    const body = draw(
      put(song(), [layer("b", { plays: "chords", pitch: "pitched", chords })]),
      "b",
      "u1",
      0,
      2 * BAR,
    );
    const { own, plan } = planned(body);
    const at = loopPitches(own, plan, heardLayers(body, own, 0));
    // 022000, then x32010, as the player holds them; nothing before and after the chorus.
    expect([at(4 * BAR), at(5 * BAR + 960)]).toEqual([
      [40, 47, 52, 55, 59, 64],
      [48, 52, 55, 60, 64],
    ]);
    expect([at(4 * BAR - 1), at(6 * BAR)]).toEqual([[], []]);
    const sums = sumOfBand(body, bandSheet(body), new Map(), at);
    expect(
      sums.filter(({ voices }) => voices.length > 0).map(({ symbol, voices }) => [symbol, voices.length]),
    ).toEqual([
      ["Em", 6],
      ["C", 5],
    ]);
  });

  it("are heard: a thump on strong beats, chords where they change, damped ones as a chop", () => {
    const chords = [
      { symbol: "G", ticks: BAR },
      { symbol: "D", ticks: BAR },
    ];
    const body = put(song(), [
      layer("a"),
      layer("b", { plays: "chords", pitch: "pitched", chords }),
      layer("c", { plays: "thumb bass", pitch: "damped", chords }),
    ]);
    const [thump, held, damped] = heardLayers(body, read(body), 0);
    expect(thump!.hits.map(({ beat, share }) => [beat, share])).toEqual(
      [0, 2, 4, 6].map((beat) => [beat, 1]),
    );
    // 320003 and xx0232: the strings of the fuller one share the layer's level.
    expect(held!.hits.map(({ beat, beats }) => [beat, beats])).toEqual([
      ...Array.from({ length: 6 }, () => [0, 4]),
      ...Array.from({ length: 4 }, () => [4, 4]),
    ]);
    expect(held!.hits[0]).toMatchObject({ hz: [hzOf(43)], share: 1 / 6 });
    // Rung over each other, no more of them than the level can hold.
    for (const { hits } of [thump!, held!, damped!])
      for (const { beat } of hits) {
        const ringing = hits.filter((hit) => hit.beat <= beat && beat < hit.beat + hit.beats - 1e-9);
        expect(ringing.reduce((sum, { share }) => sum + share, 0)).toBeLessThanOrEqual(1 + 1e-9);
      }
    expect([damped!.plays, damped!.hits[0]!.beat, damped!.hits[0]!.hz]).toEqual(["chop", 0.5, []]);
    expect(heardLayers(body, read(body))[1]!.hits.map(({ beat }) => beat > 0 && beat < 4)).toContain(true);
  });
});

describe("ways out of what the plan makes wrong", () => {
  const chords = (symbols: readonly string[]) => symbols.map((symbol) => ({ symbol, ticks: BAR }));
  const mend = (body: VersionBody, kind: string, how: string) => {
    const { own, plan } = planned(body);
    const finding = loopFindings(own, plan, layerPasses(body, own)).find((one) => one.kind === kind)!;
    const fix = finding.fixes.find((one) => one.do === how)!;
    return { finding, fix, after: act(body, commandOfFix(body, outlineOf(body), own, fix, makeId)) };
  };

  it("move the entry of a loop that came in at another place of its pass", () => {
    // Let in at bar 2 of the verse (G C G D), a loop of all four has its G under the C: a bar earlier, all fits.
    const pad = layer("a", {
      bars: 4,
      pitch: "pitched",
      plays: "chords",
      chords: chords(["G", "C", "G", "D"]),
    });
    const body = draw(put(song(), [pad]), "a", "u0", BAR, 4 * BAR);
    expect(planned(body).plan.clashes[0]).toMatchObject({ section: `u0@${BAR}`, shift: -1 });
    const { fix, after } = mend(body, "loop-clash", "move-entry");
    expect(describeLoopFix(fix, () => "Pad")).toBe("Let Pad in 1 bar earlier");
    expect(planned(after).plan).toMatchObject({ clashes: [], wrongBars: 0 });
  });

  it("take a whole track out where several layers share it", () => {
    const pads = ["a", "b"].map((id) =>
      layer(id, { bars: 1, pitch: "pitched", plays: "chords", chords: chords(["F#"]), track: 0 }),
    );
    const body = pads.reduce((now, { id }) => draw(now, id, "u1", 0, 2 * BAR), put(song(), pads));
    const { fix, after } = mend(body, "loop-clash", "mute-track");
    expect(describeLoopFix(fix, (id) => id.toUpperCase())).toBe("Take its whole track out there: A and B");
    expect(planned(after).plan).toMatchObject({ clashes: [], wrongBars: 0 });
  });

  it("thin what strikes too often in one register", () => {
    const dense = { pitch: "pitched", plays: "strum", chords: chords(["G"]), bars: 1 } as const;
    const base = put(song(), [layer("a", dense), layer("b", dense)]);
    const pattern = setTapped(
      base,
      base.loopLayers.a!,
      { subdivision: 4, pattern: Array(16).fill("D").join(" "), onsets: 16 },
      COMMON_TIME,
      makeId,
    );
    const body = ["a", "b"].reduce((now, id) => draw(now, id, "u0"), act(base, pattern));
    const { finding, fix, after } = mend(body, "crowded", "thin");
    expect(describeLoopFinding(finding).what).toBe(
      "A and B strike 20 times in a bar together, in the middle.",
    );
    expect(describeLoopFix(fix, (id) => id.toUpperCase())).toBe("Thin A: struck where its chords change");
    const { own, plan } = planned(after);
    expect(loopFindings(own, plan, layerPasses(after, own)).map(({ kind }) => kind)).not.toContain("crowded");
  });
});
