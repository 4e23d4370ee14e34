import { describe, expect, it } from "vitest";
import { edit, planOfSample, sampleTones, tonesOfSample } from "../../../../testing/sounds/sample-sounds";
import { add, addException, set } from "../../song/edit";
import { outlineOf } from "../../song/read";
import type { StrumRow, VersionBody } from "../../song/schema";
import { describeSongToneProblem } from "./describe-sounds";
import { describeRest } from "./rest";
import { setMoves } from "./sound-commands";

const NAMED = { 0: { sound: "Low" }, 1: { sound: "High" }, 2: { sound: "Low" } };
const SOUNDS = { Low: {}, High: { drive: 1 } };
let made = 0;
const makeId = () => `m${made++}`;

/** The rest before each use, in words. */
const rests = (body: VersionBody): string[] =>
  tonesOfSample(body).soundUses.map(({ rest }) => describeRest(rest));

const except = (body: VersionBody, use: number, kind: "stop" | "hold", beats: number): VersionBody => {
  const outline = outlineOf(body);
  const fields = { ticks: beats * 960, cued: false, chordId: null };
  return edit(body, addException(outline, { useId: outline.form[use]!.id }, kind, fields, makeId));
};

describe("a song as a box of sounds sees it", () => {
  it("has a section for each use, its sound as the sheet names or inherits it", () => {
    const song = tonesOfSample(sampleTones(NAMED, SOUNDS));
    expect(song.asked!.sections).toEqual([
      { id: "u0", tone: "Low", restBeforeMs: 0 },
      { id: "u1", tone: "High", restBeforeMs: 0 },
      { id: "u2", tone: "Low", restBeforeMs: 0 },
      { id: "u3", tone: "Low", restBeforeMs: 0 },
    ]);
    expect(song.problems).toEqual([]);
  });

  it("goes on with the sound before where none is named", () => {
    const song = tonesOfSample(sampleTones({ 0: { sound: "Low" }, 1: { sound: "High" } }, SOUNDS));
    expect(song.soundUses.map(({ named, sound }) => [named, sound])).toEqual([
      ["Low", "Low"],
      ["High", "High"],
      ["", "High"],
      ["Low", "Low"],
    ]);
  });

  it("finds the rest of somebody who leaves after bar 2: eight beats at a beat a second", () => {
    const body = sampleTones({ ...NAMED, 0: { sound: "Low", bars: [[0, 2]] } }, SOUNDS);
    expect(rests(body).slice(0, 2)).toEqual(["no rest", "8000 ms: silent after bar 2 of a 1"]);
  });

  it("adds a section sat out, and bars in which one comes in late", () => {
    const body = sampleTones(
      { 0: { sound: "Low" }, 1: { role: "out", light: 0 }, 2: { sound: "High", bars: [[1, 4]] } },
      SOUNDS,
    );
    expect(rests(body)).toEqual(["no rest", "20000 ms: silent through b, comes in at bar 2 of c", "no rest"]);
  });

  it("takes a stop and a hold as rests", () => {
    const body = sampleTones(NAMED, SOUNDS);
    expect(rests(except(body, 0, "stop", 2))[1]).toBe("2000 ms: everybody stops");
    expect(rests(except(body, 1, "hold", 4))[2]).toBe("4000 ms: a hold dies away");
  });

  it("takes a chord ended early by this player alone, and no chord, as rests", () => {
    const body = sampleTones(NAMED, SOUNDS);
    const early = edit(body, setMoves(body, { useId: "u0", playerId: "p0" }, { endsEarly: 960 }, makeId));
    expect(rests(early)[1]).toBe("1000 ms: the last chord ends early");
    const silent = edit(body, set("chords", "a-l0-c3", { symbol: "N.C." }));
    expect(rests(silent)[1]).toBe("4000 ms: no chord there");
  });

  it("hears a pattern that is choked before its section ends", () => {
    const row: Omit<StrumRow, "pattern"> = {
      id: "st",
      originId: null,
      order: "V",
      name: "Cut",
      anchor: "chord",
      kind: "strum",
      meterBeats: 4,
      meterUnit: 4,
      subdivision: 2,
      swing: 0.5,
      gate: "",
    };
    const body = sampleTones(NAMED, SOUNDS);
    const strummed = edit(body, add("strums", { ...row, pattern: "D . D . D . - ." }));
    expect(rests(edit(strummed, set("cells", "c0", { strumId: "st" })))[1]).toBe(
      "1000 ms: the pattern is choked",
    );
  });

  it("lets a line be silent through a stop and a hold like everything else", () => {
    const riff = {
      originId: null,
      order: "V",
      name: "L",
      tuning: ["E2", "A2", "D3", "G3", "B3", "E4"],
      capo: 0,
    };
    const rest = {
      art: "plain" as const,
      bend: 0,
      ring: false,
      short: false,
      optional: false,
      round: null,
      weight: 2 as const,
      stroke: null,
      times: "only" as const,
      finger: null,
    };
    let body = sampleTones(NAMED, SOUNDS);
    body = edit(
      body,
      add("riffs", { ...riff, id: "r", ticks: 3840, way: "as written", home: null, approach: false }),
    );
    body = edit(
      body,
      add("riffNotes", { ...rest, id: "n", riffId: "r", tick: 0, ticks: 3840, string: 0, fret: 3 }),
    );
    body = edit(body, set("cells", "c0", { riffId: "r" }));
    expect(rests(body)[1]).toBe("no rest");
    expect(rests(except(body, 0, "hold", 4))[1]).toBe("4000 ms: a hold dies away");
    expect(rests(except(body, 0, "stop", 1))[1]).toBe("1000 ms: everybody stops");
  });

  it("counts time at the tempo of each use", () => {
    const body = sampleTones({ ...NAMED, 0: { sound: "Low", bars: [[0, 3]] } }, SOUNDS);
    const quick = edit(body, set("uses", "u0", { bpm: 120 }));
    expect(tonesOfSample(quick).asked!.sections[1]!.restBeforeMs).toBe(2000);
  });

  it("says what is not described, and keeps pins that can be kept", () => {
    const body = sampleTones({ 0: { sound: "Low" }, 1: { sound: "Fog" } }, SOUNDS, { slots: 2 });
    const pin = (id: string, sound: string, bank: number, slot: number) =>
      add("slotPins", { id, playerId: "p0", sound, bank, slot });
    let pinned = body;
    for (const command of [
      pin("x1", "Low", 0, 1),
      pin("x2", "Fog", 0, 1),
      pin("x3", "High", 1, 0),
      pin("x4", "Low", 0, 3),
    ])
      pinned = edit(pinned, command);
    const song = tonesOfSample(pinned);
    expect(song.asked!.pins).toEqual([{ tone: "Low", bank: 0, slot: 1 }]);
    expect(song.problems.map((one) => describeSongToneProblem(one, song.box))).toEqual([
      "“Fog” is named in b and not described. It is planned by its name; describe it, or give those sections another sound.",
      "Bank 1 has two pins that exclude each other at “Fog”: the second one waits.",
      "“Low” is pinned in bank 1, slot 4, which this box has not: it goes where the plan puts it.",
      "“High” is pinned in a slot, and no section uses it: the pin waits until one does.",
    ]);
    expect(planOfSample(song).banks[0]!.slots).toEqual(["Fog", "Low"]);
  });

  it("asks for nothing where no part names a sound, or nobody plays", () => {
    const song = tonesOfSample(sampleTones({}, SOUNDS));
    expect(song.asked).toBeNull();
    expect(song.problems).toEqual([{ code: "nothing-named" }]);
    const out = Object.fromEntries([0, 1, 2, 3].map((at) => [at, { light: 0, sound: "Low" }]));
    expect(tonesOfSample(sampleTones(out, SOUNDS))).toMatchObject({ soundUses: [], asked: null });
  });

  it("leaves fewer banks to a song that begins further on in the box", () => {
    const body = sampleTones(NAMED, SOUNDS, { slots: 1, banks: 3, firstBank: 2 });
    expect(tonesOfSample(body).asked!.board.maxBanks).toBe(1);
  });
});
