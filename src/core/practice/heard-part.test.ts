import { describe, expect, it } from "vitest";
import { sampleRiff } from "../../../testing/song/sample-riff";
import { sampleStrum } from "../../../testing/song/sample-strum";
import { sampleVersion } from "../../../testing/song/sample-version";
import { unwrap } from "../../base";
import { applyEdit } from "../../document";
import { PLAIN_NOTE } from "../fretboard";
import { onsetsOf } from "../playing";
import { add, set, type VersionCommand } from "../song/edit";
import { DOCUMENTS, EMPTY_CELL, type VersionBody } from "../song/schema";
import { heardBand, heardOf } from "./heard-band";

const BEAT = 960;
const body = sampleVersion(
  { verse: { lines: ["Light/G:4 on/D|F#:4"] }, chorus: { lines: ["Go/Em:8"] } },
  ["verse", "chorus"],
  [
    { name: "Ann" },
    { name: "Bo", instrument: "bass", tuning: ["E1", "A1", "D2", "G2"], role: "bass" },
    { name: "Cy", instrument: "keys", tuning: [] },
    { name: "Di", instrument: "drums", tuning: [] },
  ],
);
const edit = (from: VersionBody, ...commands: VersionCommand[]) =>
  commands.reduce((now, command) => unwrap(applyEdit(DOCUMENTS.version, now, command)).body, from);
const strum = (pattern: string): VersionCommand => add("strums", sampleStrum(pattern));
const cell = (fields: object): VersionCommand => ({
  type: "add",
  table: "cells",
  row: { ...EMPTY_CELL, id: "c0", useId: "u0", playerId: "p0", ...fields },
});
const heard = (from: VersionBody, player: string) => heardOf(from, from.players[player]!);
/** A quarter is a second. */
const msOf = (tick: number) => (tick / BEAT) * 1000;

describe("what a player sounds", () => {
  it("strikes each chord once where nothing is said, in the shape that is held", () => {
    const { strokes } = heard(body, "p0");
    expect(strokes.map(({ tick, until }) => [tick / BEAT, until / BEAT])).toEqual([
      [0, 4],
      [4, 8],
      [8, 16],
    ]);
    expect(strokes[0]!.held!.frets).toEqual([3, 2, 0, 0, 0, 3]);
  });

  it("plays the strum of a part, choked where it is, by hand", () => {
    const played = edit(body, strum("D . - . D . U ."), cell({ strumId: "s" }));
    const strokes = heard(played, "p0").strokes.filter(({ tick }) => tick < 4 * BEAT);
    expect(strokes.map(({ tick, stroke }) => [tick / BEAT, stroke.kind])).toEqual([
      [0, "down"],
      [1, "choke"],
      [2, "down"],
      [3, "up"],
    ]);
    const onsets = onsetsOf(heard(played, "p0"), 0, 4 * BEAT, msOf).strokes;
    expect(onsets.filter(({ ms }) => ms < 100).every(({ ms, lastsMs }) => ms + lastsMs <= 1000)).toBe(true);
  });

  it("is silent in bars a part leaves out, softer where its light is lower, and nothing where it is out", () => {
    const late = heard(edit(body, cell({ bars: [[1, 2]], light: 1 })), "p0").strokes;
    expect(late.map(({ tick, loud }) => [tick / BEAT, loud])).toEqual([
      [4, 0.6],
      [8, 0.8],
    ]);
    const out = heard(edit(body, cell({ role: "out" })), "p0").strokes;
    expect(out.every(({ tick }) => tick >= 8 * BEAT)).toBe(true);
  });

  it("gives a bass one note a chord, keys a close chord, and drums a bar's groove", () => {
    const [, bass, keys, drums] = heardBand(body);
    const lowest = onsetsOf(bass!, 0, 16 * BEAT, msOf).strokes;
    expect(lowest.map(({ pitch, ms }) => [pitch, ms])).toEqual([
      [43, 0],
      [30, 4000],
      [28, 8000],
    ]);
    const chord = onsetsOf(keys!, 0, 4 * BEAT, msOf).strokes.filter(({ ms }) => ms === 0);
    expect(new Set(chord.map(({ pitch }) => pitch! % 12))).toEqual(new Set([7, 11, 2]));
    const hits = drums!.drums.filter(({ tick, drum }) => tick < 4 * BEAT && drum !== "time");
    expect(hits.map(({ tick, drum }) => [tick / BEAT, drum])).toEqual([
      [0, "low"],
      [1, "high"],
      [2, "low"],
      [3, "high"],
    ]);
  });

  it("plays a line in tab on its neck, over its bars, as it is struck", () => {
    const row = sampleRiff({ ticks: 4 * BEAT, strokes: "all down" });
    const note = { ...PLAIN_NOTE, id: "n", riffId: "r", tick: BEAT, ticks: BEAT, string: 1, fret: 3 };
    const lined = edit(
      body,
      { type: "add", table: "riffs", row },
      { type: "add", table: "riffNotes", row: note },
      cell({ riffId: "r" }),
    );
    const { strokes, notes } = heard(lined, "p0");
    expect(notes.map(({ tick, ticks, stroke }) => [tick / BEAT, ticks / BEAT, stroke])).toEqual([
      [1, 1, "down"],
      [5, 1, "down"],
    ]);
    // The line is the part: no chord is struck beside it.
    expect(strokes.filter(({ tick }) => tick < 8 * BEAT)).toEqual([]);
    expect(onsetsOf(heard(lined, "p0"), 0, 8 * BEAT, msOf).line.map(({ ms, pitch }) => [ms, pitch])).toEqual([
      [1000, 48],
      [5000, 48],
    ]);
  });

  it("sings the melody where it is known, as it sounds", () => {
    const sung = edit(body, {
      type: "add",
      table: "melodies",
      row: { id: "m", sectionId: "chorus", notes: "0 960 67,960 960 69" },
    });
    const melody = heardBand(edit(sung, set("uses", "u1", { shift: 2 }))).at(-1)!;
    expect(melody.strokes.map(({ tick, until, notes }) => [tick / BEAT, until / BEAT, notes])).toEqual([
      [8, 9, [69]],
      [9, 10, [71]],
    ]);
  });
});
