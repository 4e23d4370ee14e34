import { exportMidi, parseAbc, serialize, serializeCompressed, validate } from "musicxml-io";
import { describe, expect, it } from "vitest";
import { readMidi, readMusicXml } from "@/core/formats";

/**
 * Reference: the library `musicxml-io` 0.9.6 (MIT) reads ABC notation (an open text format) and writes MusicXML and
 * MIDI of it. The songs are written here in ABC; what our readers find in the files it writes is compared with the ABC.
 * It writes the end of a repeat on the left of the next measure, which ours takes as meant.
 */
const SONG = `X:1
T:Harbour Lamp
C:Nobody
M:3/4
L:1/4
Q:1/4=96
K:Bm
|: "Bm" B c d | "F#7" ^A2 F | "G" G "A" A2 |1 "Bm" B3 :|2 "D/F#" d3 ||
w: Light on the har-bour lamp is low to-night
"Gmaj7" B2 A | "Em7" G E2 | "F#sus4" F3 | "Bm" B,3 |]
w: ring it o-ver now
`;
const score = parseAbc(SONG);

const chordsOf = (sheet: ReturnType<typeof readMusicXml>) =>
  sheet.form.flatMap(({ section, repeat }) =>
    Array.from({ length: repeat }, () =>
      sheet.sections[section]!.lines.flatMap((line) =>
        line.chords.map((chord) => `${chord.symbol} ${chord.ticks / 960}`),
      ),
    ).flat(),
  );

describe("files written by an independent library", () => {
  it("the library finds its own file sound", () => {
    expect(validate(score).errors).toEqual([]);
  });

  it.each([
    ["MusicXML", new TextEncoder().encode(serialize(score))],
    ["compressed MusicXML", serializeCompressed(score)],
  ])("%s: title, key, metre, tempo, chords with beats, repeats and endings, words, range", (_name, bytes) => {
    const sheet = readMusicXml(bytes);
    expect(sheet).toMatchObject({
      title: "Harbour Lamp",
      composer: "Nobody",
      key: "Bm",
      tempo: 96,
      meter: { beats: 3, unit: 4 },
      problems: [],
    });
    expect(chordsOf(sheet)).toEqual([
      ...["Bm 3", "F#7 3", "G 1", "A 2", "Bm 3"],
      ...["Bm 3", "F#7 3", "G 1", "A 2", "D/F# 3"],
      ...["Gmaj7 3", "Em7 3", "F#sus4 3", "Bm 3"],
    ]);
    const words = sheet.sections.flatMap((section) => section.lines.map((line) => line.words)).join(" ");
    for (const word of ["Light", "harbour", "lamp", "over", "now"]) expect(words).toContain(word);
    // Of the whole song lowest B3, highest d in ABC, D5. Each section has its own, the first from F4 as the file has it: the library
    // leaves the sharps of the key out of its pitches.
    const ranges = sheet.sections.flatMap(({ melodyRange }) => (melodyRange ? [melodyRange] : []));
    expect([Math.min(...ranges.map(([low]) => low)), Math.max(...ranges.map(([, high]) => high))]).toEqual([
      59, 74,
    ]);
    expect(ranges[0]).toEqual([65, 74]);
  });

  it("MIDI: tempo, metre, key, range", () => {
    // Without repeats: the library's own way of playing them out is not what is compared here.
    const plain = parseAbc("X:1\nT:Lamp\nM:3/4\nL:1/4\nQ:1/4=96\nK:Bm\nB c d | ^A2 F | B,3 | d3 |]\n");
    const sheet = readMidi(exportMidi(plain));
    expect(sheet).toMatchObject({ tempo: 96, meter: { beats: 3, unit: 4 }, problems: [] });
    expect(sheet.extras[0]!.text).toMatch(/B3 to D5, 7 notes/);
    const ticks = sheet.sections.flatMap((section) => section.lines.flatMap((line) => line.chords));
    expect(ticks.reduce((sum, chord) => sum + chord.ticks, 0)).toBe(4 * 3 * 960);
  });
});
