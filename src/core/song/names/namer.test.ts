import { describe, expect, it } from "vitest";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { unwrap } from "../../../base";
import { parseChord, pitchClassesOf, QUALITIES } from "../../chord";
import { ACCIDENTALS, formatNoteName, parseTuning } from "../../pitch";
import { tuningOf } from "../read";
import { READS, WRITINGS } from "../schema/reads";
import { Namer } from "./namer";
import { OWN_NAMES, PLAIN_READER, type Reader, readerBy, readerOf } from "./reader";

const STANDARD = ["E2", "A2", "D3", "G3", "B3", "E4"];
const LOWERED = ["Eb2", "Ab2", "Db3", "Gb3", "Bb3", "Eb4"];
const inKeys = (writtenKey: string, key: string) => {
  const body = sampleVersion({}, [], [{ capo: 2 }, { instrument: "bass", tuning: ["E1", "A1", "D2", "G2"] }]);
  return { ...body, version: { v: { ...body.version.v!, writtenKey, key } } };
};
const reader = (fields: Partial<Reader> & { strings?: readonly string[] }): Reader => {
  const { strings = STANDARD, ...rest } = fields;
  return { ...PLAIN_READER, tuning: unwrap(parseTuning(strings)), shows: "shapes", ...rest };
};

describe("Namer (names by hand; common practice, no source)", () => {
  const song = inKeys("G", "A");
  it.each([
    ["nobody in particular", PLAIN_READER, "E/G♯", "A", "C♯", "C♯4"],
    ["behind capo 2", reader({ capo: 2 }), "D/F♯", "G", "B", "B3"],
    ["behind capo 2 with H", reader({ capo: 2, writing: "german" }), "D/F♯", "G", "H", "H3"],
    ["a semitone down", reader({ strings: LOWERED }), "F/A", "B♭", "D", "D4"],
    ["syllables", { ...PLAIN_READER, writing: "syllables" }, "Mi/Sol♯", "La", "Do♯", "Do♯4"],
    ["flats", { ...PLAIN_READER, accidentals: "flats" }, "E/A♭", "A", "D♭", "D♭4"],
    ["degrees", reader({ capo: 2, shows: "degrees" }), "5/7", "A", "3", "C♯4"],
  ] as const)("tells %s", (_, who, chord, key, note, pitch) => {
    const namer = new Namer(song, who);
    expect(namer.chord("D/F#")).toBe(chord);
    expect(namer.keyName()).toBe(key);
    expect(namer.noteOf(1)).toBe(note);
    expect(namer.pitch(61)).toBe(pitch);
    expect(namer.name("D/F#").sounding).toBe("E/G#");
  });

  it("keeps what sounds beside the shape, for the program and in the reader's letters", () => {
    const namer = new Namer(song, reader({ capo: 2, writing: "syllables" }));
    expect(namer.name("Bm")).toMatchObject({ sounding: "C#m", shape: "Bm", read: "Sim" });
    expect(namer.inCustom("C#m")).toBe("Do♯m");
    expect(namer.soundingPitch(61)).toBe("Do♯4");
  });

  it("leaves what it can't read", () => {
    expect(new Namer(song, reader({ capo: 2 })).name("H7")).toEqual({
      written: "H7",
      sounding: "H7",
      shape: "H7",
      read: "H7",
      chord: null,
    });
    expect(new Namer(song).toWritten("wave")).toBeNull();
    expect(new Namer(song).toWritten("")).toBeNull();
  });

  it("reads what a reader types in their own names, and plain letters too", () => {
    expect(new Namer(song, reader({ capo: 2, writing: "syllables" })).toWritten("Sim7")).toBe("Bm7");
    expect(new Namer(song, reader({ shows: "degrees" })).toWritten("6m")).toBe("Em");
    expect(new Namer(song).toWritten("F#m")).toBe("Em");
    expect(new Namer(song, reader({ writing: "syllables", shows: "sounding" })).toWritten("F#m")).toBe("Em");
    expect(new Namer(song, reader({ writing: "german", shows: "sounding" })).toWritten("H7")).toBe("A7");
  });

  it("tells each name so that it is read back as the same chord, for every reader", () => {
    const wrong: string[] = [];
    const keys = ["C", "Eb", "F#m", "Bb", "C#m", "E", "Gm", "Db"];
    for (const [at, key] of keys.entries())
      for (const capo of [0, 2, 5])
        for (const strings of [STANDARD, LOWERED])
          for (const shows of READS)
            for (const writing of WRITINGS)
              for (const accidentals of ACCIDENTALS) {
                const written =
                  keys[(at + 3) % keys.length]!.replace("m", "") + (key.endsWith("m") ? "m" : "");
                const namer = new Namer(
                  inKeys(written, key),
                  reader({ strings, capo, shows, writing, accidentals }),
                );
                for (let name = -5; name <= 8; name++)
                  for (const quality of ["", "m7", "7", "maj7", "sus4", "m7b5"]) {
                    const symbol = formatNoteName(name) + quality;
                    const told = namer.chord(symbol);
                    const back = namer.toWritten(told);
                    if (back === null || sound(back) !== sound(symbol))
                      wrong.push(
                        `${key} ${capo} ${shows} ${writing} ${accidentals}: ${symbol} ${told} ${back}`,
                      );
                  }
              }
    expect(wrong.slice(0, 5)).toEqual([]);
  });

  it("tells every quality of the table so that it is read back", () => {
    for (const writing of WRITINGS)
      for (const shows of READS) {
        const namer = new Namer(song, reader({ capo: 3, shows, writing }));
        for (const { text } of QUALITIES)
          for (const symbol of [`G${text}`, `F#${text}/C`])
            expect(sound(namer.toWritten(namer.chord(symbol)) ?? "")).toBe(sound(symbol));
      }
  });

  it("never tells a sharp where flats are preferred, nor a flat where sharps are", () => {
    for (const key of ["C", "Eb", "F#m", "B"])
      for (let name = -6; name <= 10; name++) {
        const told = (accidentals: "sharps" | "flats") =>
          new Namer(inKeys(key, key), { ...PLAIN_READER, accidentals }).chord(formatNoteName(name));
        expect(told("sharps")).not.toMatch(/♭/u);
        expect(told("flats")).not.toMatch(/♯/u);
      }
  });
});

/** Pitch classes and lowest note: what two spellings of one chord share. */
function sound(symbol: string): string {
  const chord = parseChord(symbol);
  if (!chord.ok || chord.value.kind !== "chord") return "none";
  const bass = chord.value.bass ?? chord.value.root;
  return `${pitchClassesOf(chord.value).sort((a, b) => a - b)} over ${(bass * 7 + 84) % 12}`;
}

describe("readerBy", () => {
  const body = inKeys("G", "A");
  const [guitar, bass] = [body.players.p0!, body.players.p1!];

  it("lets each read their own where nothing is chosen", () => {
    expect(readerBy(OWN_NAMES, body, { player: guitar, capo: 5 })).toEqual(readerOf(guitar, 5));
    expect(readerBy(OWN_NAMES, body, { player: bass, capo: 0 }).shows).toBe("sounding");
    expect(readerBy(OWN_NAMES, body, null)).toEqual(PLAIN_READER);
  });

  it("tells the song behind the capo of its sheet", () => {
    const sheet = { ...body, version: { v: { ...body.version.v!, writtenCapo: 3 } } };
    expect(readerBy(OWN_NAMES, sheet, null)).toMatchObject({ capo: 3, shows: "shapes" });
    expect(readerBy({ ...OWN_NAMES, shows: "sounding" }, sheet, null).shows).toBe("sounding");
  });

  it("tells the song as somebody's shapes, and each player's part as their own", () => {
    const choice = { ...OWN_NAMES, shows: "shapes" as const, of: body.players.p0!.name };
    expect(readerBy(choice, body, null)).toMatchObject({ capo: 2, shows: "shapes" });
    expect(readerBy(choice, body, { player: bass, capo: 0 })).toMatchObject({ capo: 0, shows: "shapes" });
    expect(readerBy({ ...choice, of: "gone" }, body, null).capo).toBe(0);
  });

  it("keeps the old names of what is evenly tuned down", () => {
    const lowered = { ...bass, tuning: ["Eb1", "Ab1", "Db2", "Gb2"] };
    expect(readerOf(lowered, 0).shows).toBe("shapes");
    expect(new Namer(inKeys("Eb", "Eb"), readerOf(lowered, 0)).chord("Eb")).toBe("E");
    expect(readerOf({ ...bass, tuning: ["D1", "A1", "D2", "G2"] }, 0).shows).toBe("sounding");
    expect(tuningOf(lowered)).toHaveLength(4);
  });
});
