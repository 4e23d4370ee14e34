import fc from "fast-check";
import { strToU8, zipSync } from "fflate";
import { describe, expect, it } from "vitest";
import { describeSheetProblem } from "./describe-sheet-problem";
import {
  decodeText,
  isPack,
  isSongFile,
  readSongFile,
  readSongText,
  songsInFile,
  titleOfFile,
} from "./read-file";
import { readSheet } from "./read-sheet";
import { NOTHING_READ } from "./sheet";
import { describeZipProblem, unzip } from "./unzip";

const latin1 = (text: string) => Uint8Array.from(text, (sign) => sign.charCodeAt(0));

describe("files by their names", () => {
  it.each(["a.txt", "A.CHO", "in/b.chordpro", "c.musicxml", "d.mxl", "e.mid", "f.xml", "g.crd"])(
    "%s is a song",
    (name) => expect(isSongFile(name)).toBe(true),
  );
  it.each(["a.png", "a", ".hidden.txt", "__MACOSX/a.txt", "a.txt.exe"])("%s is none", (name) =>
    expect(isSongFile(name)).toBe(false),
  );
  it("names a song after its file", () => {
    expect(titleOfFile("in/the_harbour  bell.final.cho")).toBe("the harbour bell.final");
    expect(titleOfFile("c:\\songs\\Bell.txt")).toBe("Bell");
  });
});

describe("texts by their bytes", () => {
  it("UTF-8, UTF-16 by its mark, and the older Western encoding", () => {
    expect(decodeText(strToU8("Préface ♭"))).toBe("Préface ♭");
    expect(decodeText(latin1("\u00ff\u00feG\u0000\n\u0000"))).toBe("G\n");
    expect(decodeText(latin1("Pr\u00e9face"))).toBe("Préface");
  });
});

describe("readSongFile", () => {
  const format = (name: string, bytes: Uint8Array) => {
    const read = readSongFile(name, bytes);
    return read.ok ? read.value.format : read.problem;
  };
  it("tells the format by what a file holds", () => {
    expect(format("a.txt", strToU8("[Verse]\nG C\nlight"))).toBe("chords-over-words");
    expect(format("a.txt", strToU8("{title: A}\n[G]light"))).toBe("chordpro");
    expect(format("a.txt", strToU8("<score-partwise><part/></score-partwise>"))).toBe("musicxml");
    expect(format("a.txt", strToU8("MThd"))).toBe("midi");
    expect(format("a.mxl", zipSync({ "a.xml": strToU8("<score-partwise/>") }))).toBe("musicxml");
  });
  it.each([
    ["an empty file", new Uint8Array(), /is empty/],
    ["a picture", Uint8Array.of(0x89, 0x50, 0, 0, 1), /no text, MusicXML or MIDI/],
    ["one too large", new Uint8Array(6_000_001), /larger than 6 MB/],
  ])("%s gets a sentence", (_name, bytes, words) => expect(format("x.txt", bytes)).toMatch(words));

  it("never throws, whatever the name and the bytes (law)", () => {
    const ending = fc.constantFrom("txt", "cho", "xml", "mxl", "mid", "zip", "");
    fc.assert(
      fc.property(ending, fc.uint8Array({ maxLength: 400 }), (end, bytes) => {
        const read = readSongFile(`file.${end}`, bytes);
        expect(typeof (read.ok ? read.value.format : read.problem)).toBe("string");
      }),
      { numRuns: 400 },
    );
  });
});

describe("several songs in a file", () => {
  it("become files of their own, named in turn", () => {
    const files = songsInFile("set.cho", strToU8("{t: A}\n[G]a\n{new_song}\n{t: B}\n[C]b\n"));
    expect(files.map((file) => file.name)).toEqual(["set, song 1.cho", "set, song 2.cho"]);
    const read = readSongFile(files[1]!.name, files[1]!.bytes);
    expect(read.ok && read.value.sheet.title).toBe("B");
  });
  it("one song, a score or a text stays one", () => {
    for (const [name, text] of [
      ["a.cho", "{t: A}\n[G]a"],
      ["a.txt", "[Verse]\nG\n{new_song}"],
      ["a.mid", "MThd{new_song}"],
    ] as const)
      expect(songsInFile(name, strToU8(text))).toHaveLength(1);
  });
});

describe("zips", () => {
  const limits = { files: 3, bytes: 1000 };
  it("gives the files that are wanted", () => {
    const zip = zipSync({ "a.txt": strToU8("G"), "b.png": strToU8("x"), "in/c.txt": strToU8("C") });
    expect(isPack("a.zip", zip)).toBe(true);
    expect(isPack("a.mxl", zip)).toBe(false);
    const found = unzip(zip, limits, isSongFile);
    expect(found.ok && found.value.map((file) => file.name)).toEqual(["a.txt", "in/c.txt"]);
  });
  it.each([
    [
      "too many files",
      zipSync(Object.fromEntries([1, 2, 3, 4].map((at) => [`${at}.txt`, strToU8("G")]))),
      /more than 3 files/,
    ],
    ["one that swells", zipSync({ "a.txt": new Uint8Array(5000) }), /would be larger/],
    ["none", strToU8("PK no zip"), /no zip file/],
  ])("%s is refused with a sentence", (_name, bytes, words) => {
    const found = unzip(bytes, limits);
    expect(found.ok ? "" : describeZipProblem(found.problem)).toMatch(words);
  });
});

describe("what is more than a song can be", () => {
  it.each([
    [
      "[C]a".repeat(47_000),
      "One line holds 500 chords, beginning “aaaaaaaaaaaaaaaaaaaaaaaaaaaaaa”; a line may have 200.",
    ],
    [
      "C ".repeat(900),
      "One line holds 900 chords, beginning “C C C C C C C C C C C C C C C ”; a line may have 200.",
    ],
    [
      Array.from({ length: 200 }, (_, at) => `[Part ${at}]\n${"C D ".repeat(50)}`).join("\n"),
      "This holds 20,000 chords; a song may have 4,000.",
    ],
  ])("is refused with a sentence (%#)", (text, sentence) => {
    const { sheet } = readSongText(text);
    expect([sheet.sections, sheet.problems.length]).toEqual([[], 1]);
    expect(describeSheetProblem(sheet.problems[0]!)).toContain(sentence);
    expect(NOTHING_READ.has(sheet.problems[0]!.code)).toBe(true);
    expect(readSheet(text)).toEqual(sheet);
  });

  it("is not a long line as people sing it, nor a long song", () => {
    const text = Array.from({ length: 40 }, (_, at) => `[Part ${at}]\n${"C D ".repeat(50)}`).join("\n");
    expect(readSongText(text).sheet.sections).toHaveLength(40);
  });
});
