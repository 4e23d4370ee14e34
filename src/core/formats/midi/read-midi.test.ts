import fc from "fast-check";
import { type MidiEvent, writeMidi } from "midi-file";
import { describe, expect, it } from "vitest";
import { checkBody } from "../../../document";
import { timelineOf } from "../../song/read";
import { DOCUMENTS } from "../../song/schema";
import { versionOfSheet } from "../to-version";
import { readMidi } from "./read-midi";

const file = (...tracks: MidiEvent[][]): Uint8Array =>
  Uint8Array.from(writeMidi({ header: { format: 1, numTracks: tracks.length, ticksPerBeat: 480 }, tracks }));
const utf8 = (text: string) => String.fromCharCode(...new TextEncoder().encode(text));
const meta = (type: string, deltaTime: number, fields: object = {}) =>
  ({ deltaTime, meta: true, type, ...fields }) as MidiEvent;
const noteOn = (deltaTime: number, noteNumber: number) =>
  ({ deltaTime, type: "noteOn", channel: 0, noteNumber, velocity: 80 }) as MidiEvent;
const noteOff = (deltaTime: number, noteNumber: number) =>
  ({ deltaTime, type: "noteOff", channel: 0, noteNumber, velocity: 0 }) as MidiEvent;
const end = (deltaTime = 0) => meta("endOfTrack", deltaTime);

const song = file(
  [
    meta("trackName", 0, { text: utf8("Hafen ♪") }),
    meta("setTempo", 0, { microsecondsPerBeat: 750_000 }),
    meta("timeSignature", 0, { numerator: 3, denominator: 4, metronome: 24, thirtyseconds: 8 }),
    meta("keySignature", 0, { key: -3, scale: 1 }),
    meta("marker", 0, { text: "Verse 1" }),
    meta("marker", 3 * 480 * 4, { text: "Refrain" }),
    end(3 * 480 * 2),
  ],
  [
    meta("trackName", 0, { text: "Voice" }),
    meta("lyrics", 0, { text: "Har-" }),
    noteOn(0, 60),
    noteOff(480, 60),
    meta("lyrics", 0, { text: "bour" }),
    noteOn(0, 67),
    noteOff(480, 67),
    meta("lyrics", 480 * 10, { text: "lamp" }),
    end(),
  ],
);

describe("MIDI", () => {
  it("reads tempo, metre, key, markers, lyrics and ranges, worked by hand", () => {
    const sheet = readMidi(song);
    expect(sheet).toMatchObject({
      title: "Hafen ♪",
      tempo: 80,
      meter: { beats: 3, unit: 4 },
      key: "Cm",
      keySure: true,
      problems: [],
    });
    expect(
      sheet.sections.map(({ label, kind, lines }) => [
        label,
        kind,
        lines.map(({ words, chords }) => [words, chords[0]!.ticks / 960]),
      ]),
    ).toEqual([
      ["Verse 1", "verse", [["Harbour", 12]]],
      ["Refrain", "chorus", [["lamp", 6]]],
    ]);
    expect(sheet.sections[0]!.melodyRange).toEqual([60, 67]);
    expect(sheet.extras.map((extra) => extra.text)).toEqual(["Track Voice: C4 to G4, 2 notes"]);
    expect(sheet.losses).toEqual([]);
    expect(sheet.sections[0]!.melody).toEqual([
      { tick: 0, ticks: 960, pitch: 60 },
      { tick: 960, ticks: 960, pitch: 67 },
    ]);
  });

  it("counts in the metre's own beat, tempo in quarters", () => {
    const sheet = readMidi(
      file([
        meta("setTempo", 0, { microsecondsPerBeat: 500_000 }),
        meta("timeSignature", 0, { numerator: 6, denominator: 8, metronome: 24, thirtyseconds: 8 }),
        end(480 * 3),
      ]),
    );
    expect(sheet).toMatchObject({ tempo: 120, beatUnit: "1/4", meter: { beats: 6, unit: 8 } });
  });

  it("makes a change of metre a section", () => {
    const sheet = readMidi(
      file([
        meta("timeSignature", 0, { numerator: 4, denominator: 4, metronome: 24, thirtyseconds: 8 }),
        meta("timeSignature", 480 * 4, { numerator: 2, denominator: 4, metronome: 24, thirtyseconds: 8 }),
        end(480 * 2),
      ]),
    );
    expect(sheet.form.map((use) => use.meter)).toEqual([null, { beats: 2, unit: 4 }]);
  });

  it.each([
    ["nothing", new Uint8Array()],
    ["a cut header", song.slice(0, 9)],
    ["a cut track", song.slice(0, 40)],
    ["another file", new TextEncoder().encode("MThis is no music")],
    [
      "film frames",
      Uint8Array.of(
        0x4d,
        0x54,
        0x68,
        0x64,
        0,
        0,
        0,
        6,
        0,
        0,
        0,
        1,
        0xe7,
        0x28,
        0x4d,
        0x54,
        0x72,
        0x6b,
        0,
        0,
        0,
        4,
        0,
        0xff,
        0x2f,
        0,
      ),
    ],
  ])("says so of %s", (_name, bytes) => {
    const [problem] = readMidi(bytes).problems;
    expect(problem).toMatchObject({ code: "bad-file" });
    expect(problem!.text).toMatch(/\.$/);
  });

  it("never throws on damaged files (law)", () => {
    const damaged = fc
      .tuple(fc.nat(song.length), fc.uint8Array({ maxLength: 6 }), fc.nat(song.length))
      .map(([at, inserted, cut]) =>
        Uint8Array.from(
          [...song.slice(0, at), ...inserted, ...song.slice(at)].slice(0, song.length - (cut % 40)),
        ),
      );
    fc.assert(
      fc.property(fc.oneof(damaged, fc.uint8Array({ maxLength: 200 })), (bytes) => {
        const sheet = readMidi(bytes);
        let count = 0;
        const body = versionOfSheet(sheet, { name: "T", kind: "file" }, () => `id${count++}`);
        const checked = checkBody(DOCUMENTS.version, body);
        if (!checked.ok) throw new Error(JSON.stringify(checked.problem));
        timelineOf(body);
      }),
      { numRuns: 500 },
    );
  });
});

describe("the melody and the changes of a MIDI file", () => {
  const bar = 4 * 480;
  const drum = (deltaTime: number) =>
    ({ deltaTime, type: "noteOn", channel: 9, noteNumber: 38, velocity: 80 }) as MidiEvent;
  const head = [meta("setTempo", 0, { microsecondsPerBeat: 600_000 }), meta("marker", 0, { text: "Verse" })];

  it("is the track whose notes the words fall on, though the words have one of their own", () => {
    const sheet = readMidi(
      file(
        [...head, end(bar)],
        [meta("lyrics", 480, { text: "light" }), meta("lyrics", 480, { text: "on" }), end()],
        [meta("trackName", 0, { text: "Pad" }), noteOn(0, 48), noteOff(bar, 48), end()],
        [
          meta("trackName", 0, { text: "Oboe" }),
          noteOn(485, 64),
          noteOff(470, 64),
          noteOn(5, 67),
          noteOff(480, 67),
          end(),
        ],
        [drum(480), drum(480), end()],
      ),
    );
    expect(sheet.sections[0]!.melody!.map(({ pitch }) => pitch)).toEqual([64, 67]);
    expect(sheet.losses.map(({ text }) => text)).toEqual(["Pad, track 3"]);
  });

  it("without words is the track that is named so, or none", () => {
    const named = (name: string) =>
      readMidi(
        file(
          [...head, end(bar)],
          [meta("trackName", 0, { text: name }), noteOn(0, 64), noteOff(480, 64), end()],
        ),
      );
    expect(named("Lead vocal").sections[0]!.melodyRange).toEqual([64, 64]);
    expect(named("Strings").sections[0]!.melodyRange).toBeNull();
  });

  it("a tempo that stays begins a section with its own; a breath is said", () => {
    const sheet = readMidi(
      file([
        ...head,
        meta("setTempo", 2 * bar, { microsecondsPerBeat: 800_000 }),
        meta("setTempo", bar, { microsecondsPerBeat: 600_000 }),
        meta("setTempo", bar, { microsecondsPerBeat: 500_000 }),
        meta("timeSignature", 2 * bar, { numerator: 3, denominator: 4, metronome: 24, thirtyseconds: 8 }),
        end(2 * 3 * 480),
      ]),
    );
    expect(sheet.tempo).toBe(100);
    expect(
      sheet.form.map(({ section, tempo, meter }) => [sheet.sections[section]!.label, tempo, meter]),
    ).toEqual([
      ["Verse", null, null],
      ["Verse, more", 120, null],
      ["Verse, more", 120, { beats: 3, unit: 4 }],
    ]);
    expect(sheet.losses.map(({ what, text }) => `${what}: ${text}`)).toEqual([
      "tempo that changes in passing: 1 bar",
    ]);
  });
});
