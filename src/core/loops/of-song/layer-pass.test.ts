import { describe, expect, it } from "vitest";
import { chordBeats, layerOf } from "../../../../testing/loops/sample-case";
import { sampleRiff } from "../../../../testing/song/sample-riff";
import { sampleStrum } from "../../../../testing/song/sample-strum";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { unwrap } from "../../../base";
import { applyEdit } from "../../../document";
import { PLAIN_NOTE } from "../../fretboard";
import { GUITAR_TUNING, parseTuning } from "../../pitch";
import { onsetsOf } from "../../playing";
import { add, type VersionCommand } from "../../song/edit";
import { DOCUMENTS, type LoopLayerRow, type VersionBody } from "../../song/schema";
import { layerPass } from "./layer-pass";
import { PLAIN_LAYER } from "./loop-commands";

const BEAT = 960;
const BAR = 4 * BEAT;
const TIME = { beatTicks: BEAT, barTicks: BAR };
const G = { frets: [3, 2, 0, 0, 0, 3], tuning: unwrap(parseTuning([...GUITAR_TUNING])), capo: 2 };
const SHAPES = new Map([["G", G]]);

const plain = sampleVersion({ verse: { lines: ["On/G:4"] } }, ["verse"], [{ name: "Ann" }]);
const edited = (...commands: VersionCommand[]): VersionBody =>
  commands.reduce((now, command) => unwrap(applyEdit(DOCUMENTS.version, now, command)).body, plain);
const strum = (pattern: string, kind: "strum" | "fingers" = "strum"): VersionCommand =>
  add("strums", sampleStrum(pattern, { kind }));
const row = (fields: Partial<LoopLayerRow>): LoopLayerRow => ({
  ...PLAIN_LAYER,
  id: "a",
  originId: null,
  order: "V",
  pitch: "pitched",
  bars: 1,
  chords: [{ symbol: "G", ticks: BAR }],
  ...fields,
});
const pass = (fields: Partial<LoopLayerRow>, chords = "A 4", body = plain, bars = 1) =>
  layerPass(body, row(fields), layerOf("a", { bars, progression: chordBeats(chords) }), TIME, SHAPES);
const beats = (list: readonly { readonly tick: number }[]) => list.map(({ tick }) => tick / BEAT);

describe("what a layer sounds in a pass", () => {
  it("keeps to the metre: in two and three only the first beat is strong", () => {
    const knocks = (plays: "thump" | "clap", inBar: number, bars: number) =>
      beats(
        layerPass(
          plain,
          row({ plays, pitch: "unpitched" }),
          layerOf("a", { bars }),
          { beatTicks: BEAT, barTicks: inBar * BEAT },
          SHAPES,
        ).drums,
      );
    expect(knocks("thump", 4, 1)).toEqual([0, 2]);
    expect(knocks("clap", 4, 1)).toEqual([1, 3]);
    expect(knocks("thump", 2, 1)).toEqual([0]);
    expect(knocks("clap", 2, 1)).toEqual([1]);
    expect(knocks("thump", 3, 2)).toEqual([0, 3]);
    expect(knocks("clap", 3, 1)).toEqual([1, 2]);
  });

  it("strikes the shape that is held in the layer's pattern, as the fingers pick it", () => {
    const strummed = pass({ plays: "strum", strumId: "s" }, "A 4", edited(strum("D . D U - U D .")));
    expect(strummed.strokes.map(({ tick, stroke }) => [tick / BEAT, stroke.kind])).toEqual([
      [0, "down"],
      [1, "down"],
      [1.5, "up"],
      [2, "choke"],
      [2.5, "up"],
      [3, "down"],
    ]);
    expect(strummed.strokes[0]!.held).toBe(G);
    const picked = pass(
      { plays: "chords", strumId: "s" },
      "A 4",
      edited(strum("p i m a p i m a", "fingers")),
    );
    const { strokes } = onsetsOf(picked, 0, BAR, (tick) => tick);
    expect(strokes).toHaveLength(8);
    // The thumb on the lowest string, the fingers on the three highest, two frets up behind the capo.
    expect(strokes.slice(0, 4).map(({ pitch, ms }) => [pitch, ms / BEAT])).toEqual([
      [45, 0],
      [57, 0.5],
      [61, 1],
      [69, 1.5],
    ]);
  });

  it("is a close chord where nothing is held, a low root on a bass, a held tone of a voice, silence under N.C.", () => {
    const other = [{ symbol: "D", ticks: BAR }];
    expect(
      pass({ plays: "chords", chords: other }, "E 4").strokes.map(({ notes, until }) => [notes, until]),
    ).toEqual([[[52, 56, 59], BAR]]);
    const bass = pass({ plays: "thumb bass" }, "A/C# 2 N.C. 2");
    expect(bass.strokes.map(({ tick, notes }) => [tick / BEAT, notes])).toEqual([
      [0, [49]],
      [1, [49]],
    ]);
    expect(pass({ plays: "voice" }, "A 4").strokes.map(({ notes }) => notes)).toEqual([[57]]);
  });

  it("chops damped strings between the beats, whatever is written", () => {
    const { strokes } = pass({ plays: "strum", pitch: "damped" });
    expect(beats(strokes)).toEqual([0.5, 1.5, 2.5, 3.5]);
    expect(onsetsOf({ strokes, notes: [], drums: [] }, 0, BAR, (tick) => tick).strokes[0]!.pitch).toBeNull();
  });

  it("plays its line round and round until the pass is full, and the line's last note is cut there", () => {
    const body = edited(add("riffs", sampleRiff({ ticks: 3 * BEAT })));
    const noted = unwrap(
      applyEdit(DOCUMENTS.version, body, {
        type: "add",
        table: "riffNotes",
        row: { ...PLAIN_NOTE, id: "n", riffId: "r", tick: 0, ticks: 2 * BEAT, string: 0, fret: 3 },
      }),
    ).body;
    const { notes } = pass({ plays: "line", riffId: "r" }, "A 4", noted);
    expect(notes.map(({ tick, ticks, fret }) => [tick / BEAT, ticks / BEAT, fret])).toEqual([
      [0, 2, 3],
      [3, 1, 3],
    ]);
  });

  it("is louder where its level is, and as loud as a player at the level of a new layer", () => {
    expect(pass({ plays: "chords" }).strokes[0]!.loud).toBe(1);
    expect(pass({ plays: "chords", level: -18 }).strokes[0]!.loud).toBeCloseTo(0.501, 3);
  });

  it("goes by the chords as they come round on a box with one length for all", () => {
    const { strokes } = pass({ plays: "chords" }, "A 4 A 4", plain, 2);
    expect(strokes.map(({ tick, held }) => [tick / BEAT, held])).toEqual([
      [0, G],
      [4, G],
    ]);
  });
});
