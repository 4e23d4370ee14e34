import { describe, expect, it } from "vitest";
import { sampleNote } from "../../../../testing/fretboard/sample-note";
import { sampleRiff } from "../../../../testing/song/sample-riff";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { unwrap } from "../../../base";
import { applyEdit } from "../../../document";
import { parseChord, type SoundingChord } from "../../chord";
import { pitchesOfFrets } from "../../fretboard";
import { parseKey } from "../../pitch";
import { addRiff, setCell } from "../../song/edit";
import { Namer } from "../../song/names";
import { indexCells, outlineOf } from "../../song/read";
import { DOCUMENTS, type Player } from "../../song/schema";
import { bandSheet } from "../band";
import { planRequest } from "../plan-request";
import { planShapes } from "../shape-plan";
import {
  closeVoicing,
  describeSumProblem,
  heardBeside,
  judgeSum,
  LOWEST_OF_INTERVAL,
  mendSum,
  sumOfBand,
} from ".";

const chord = (symbol: string) => unwrap(parseChord(symbol)) as SoundingChord;
const C = unwrap(parseKey("C"));
const voices = (text: string) =>
  text.split(" ").map((item) => {
    const [playerId, pitch] = item.split(":");
    return { playerId: playerId!, pitch: Number(pitch) };
  });
const codes = (text: string, symbol: string, bassFree = false) =>
  judgeSum(voices(text), chord(symbol), C, bassFree).problems.map(({ code }) => code);

describe("what all make together", () => {
  it("finds nothing wrong with a plain C from C3", () =>
    expect(codes("a:48 a:55 a:60 b:64", "C")).toEqual([]));

  it("misses a third, but not in a power chord or with one note", () => {
    expect(codes("a:48 b:55", "C")).toEqual(["no-third"]);
    expect(codes("a:48 b:55", "C5")).toEqual([]);
    expect(codes("a:48", "C")).toEqual([]);
  });

  it("finds a crowded third from four times on", () => {
    expect(codes("a:48 a:52 b:64 c:76", "C")).toEqual([]);
    expect(codes("a:48 a:52 b:52 b:64 c:76", "C")).toEqual(["thirds-crowded"]);
  });

  it("finds a sus beside a third, major and minor, unless the chord has it", () => {
    expect(codes("a:48 a:52 b:65", "C")).toEqual(["sus-beside-third"]);
    expect(codes("a:48 a:51 b:62", "Cm")).toEqual(["sus-beside-third"]);
    expect(codes("a:48 a:52 b:62", "C")).toEqual([]);
    expect(codes("a:48 a:52 b:65", "Cadd11")).toEqual([]);
    expect(codes("a:48 a:51 b:62", "Cm9")).not.toContain("sus-beside-third");
  });

  it("asks for the chart's lowest note, unless the section wants no bass", () => {
    expect(codes("a:52 a:55 a:60", "C")).toEqual(["wrong-lowest"]);
    expect(codes("a:52 a:55 a:60", "C", true)).toEqual([]);
    expect(codes("a:52 a:55 a:60", "C/E")).toEqual([]);
    expect(codes("a:48 a:55 a:64", "C/E")).toEqual(["wrong-lowest"]);
  });

  it("names what it really is", () => {
    expect(judgeSum(voices("a:45 a:48 a:52"), chord("C"), C, false).makes).toBe("Am");
    expect(judgeSum(voices("a:48 a:52 a:55"), chord("C"), C, false).makes).toBeNull();
  });

  it("finds what is too close for how low it is (common practice, from memory)", () => {
    expect(codes("a:36 b:40 b:43", "C")).toContain("too-close-low");
    expect(codes("a:48 b:52 b:55", "C")).toEqual([]);
    // The same two notes in one hand are an open chord.
    expect(codes("a:36 a:40 b:55", "C")).toEqual([]);
    expect(codes("a:36 b:43 b:52", "C")).toEqual([]);
    // The narrower an interval the higher it must lie, but for the tritone and the fifth.
    for (const at of [1, 2, 3]) expect(LOWEST_OF_INTERVAL[at]!).toBeGreaterThan(LOWEST_OF_INTERVAL[at + 1]!);
  });

  it("is nothing where nobody plays", () =>
    expect(judgeSum([], chord("C"), C, false)).toEqual({ voices: [], makes: null, problems: [] }));

  it("says each in a sentence", () => {
    const all = [
      "a:48 b:55",
      "a:48 a:52 b:52 b:64 c:76",
      "a:48 a:52 b:65",
      "a:52 a:55 a:60",
      "a:36 b:40 b:43",
    ];
    for (const text of all)
      for (const problem of judgeSum(voices(text), chord("C"), C, false).problems)
        expect(
          describeSumProblem(problem, (id) => id.toUpperCase(), new Namer(sampleVersion({}, []))),
        ).toMatch(/[.]$/u);
  });
});

describe("what parts sound", () => {
  it("is the shape behind its capo", () =>
    expect(pitchesOfFrets([null, 3, 2, 0, 1, 0], [40, 45, 50, 55, 59, 64], 2)).toEqual([50, 54, 57, 62, 66]));

  it("is a close voicing for keys", () => expect(closeVoicing(chord("C"), 55)).toEqual([55, 60, 64]));
});

describe("the sum of a song", () => {
  const bass: Partial<Player> = { instrument: "bass", tuning: ["E1", "A1", "D2", "G2"], role: "bass" };
  const sumsOf = (players: Partial<Player>[]) => {
    const body = sampleVersion({ verse: { lines: ["a/C:4 b/Am:4"] } }, ["verse"], players);
    const plans = new Map(
      Object.values(body.players).map((player) => [player.id, planShapes(planRequest(body, player))]),
    );
    const sheet = bandSheet(body);
    return { sheet, sums: sumOfBand(body, sheet, plans) };
  };

  it("is right with open chords and a bass under them", () => {
    const { sums } = sumsOf([{}, bass]);
    expect(sums.map(({ symbol, beats, problems }) => [symbol, beats, problems])).toEqual([
      ["C", [0, 1, 2, 3], []],
      ["Am", [4, 5, 6, 7], []],
    ]);
    expect(sums[0]!.voices[0]).toEqual({ pitch: 36, playerId: "p1" });
  });

  it("misses the third of power chords, and offers the smallest change that brings it", () => {
    const { sums, sheet } = sumsOf([{ role: "bass" }]);
    expect(sums.length).toBe(2);
    const broken = {
      ...sums[0]!,
      ...judgeSum(voices("p0:48 p0:55"), chord("C"), C, false),
      held: new Map([["p0", [null, 3, 5, null, null, null]]]),
    };
    const mend = mendSum(sheet.rows[0]!, broken, C);
    expect(mend?.left).toEqual([]);
    expect(mend!.shape.pitches.some((pitch) => pitch.startsWith("E"))).toBe(true);
    expect(mend!.strings).toBeGreaterThan(0);
  });

  it("keeps the way of playing: octaves stay octaves, and somebody else brings what is missing", () => {
    const octaves = sampleVersion(
      { verse: { lines: ["a/C:4"] } },
      ["verse"],
      [{ name: "Ann" }, { name: "Ben" }],
    );
    const body = unwrap(
      applyEdit(
        DOCUMENTS.version,
        octaves,
        setCell(
          indexCells(octaves, outlineOf(octaves)),
          "u0",
          "p0",
          { style: "octave", strings: [1, 3] },
          () => "x",
        ),
      ),
    ).body;
    const plans = new Map(
      Object.values(body.players).map((player) => [player.id, planShapes(planRequest(body, player))]),
    );
    const sheet = bandSheet(body);
    const [sum] = sumOfBand(body, sheet, plans);
    const held = new Map(sum!.held);
    held.set("p1", [null, 3, 5, 5, null, null]);
    const broken = {
      ...sum!,
      ...judgeSum(voices("p0:48 p0:60 p1:48 p1:55 p1:60"), chord("C"), C, false),
      held,
    };
    expect(broken.problems.map(({ code }) => code)).toContain("no-third");
    const mend = mendSum(sheet.rows[0]!, broken, C)!;
    expect(mend.playerId).toBe("p1");
    const only = { ...broken, held: new Map([["p0", held.get("p0")!]]) };
    expect(mendSum(sheet.rows[0]!, only, C)).toBeNull();
  });

  it("tells what sounds beside a player, by the share of each chord's beats", () => {
    const { sums } = sumsOf([{}, bass]);
    const ids = sums.map(({ chordId }) => chordId);
    const [beside] = heardBeside(sums, sums[0]!.useId, ids, "p0");
    expect([...beside!]).toEqual([[0, 1]]);
    const [all] = heardBeside(sums, sums[0]!.useId, ids, "nobody");
    expect([...all!.keys()].sort((a, b) => a - b)).toEqual([0, 4, 7]);
    expect(heardBeside(sums, "elsewhere", ids, "p0")[0]!.size).toBe(0);
  });

  it("offers nothing where one player can't help", () => {
    const { sums, sheet } = sumsOf([bass]);
    const broken = { ...sums[0]!, ...judgeSum(voices("p0:36 p9:43"), chord("C"), C, false) };
    expect(mendSum(sheet.rows[0]!, broken, C)).toBeNull();
  });

  const BASS = ["E1", "A1", "D2", "G2"];
  const GUITAR = ["E2", "A2", "D3", "G3", "B3", "E4"];
  /** One bar of C with a line on one string: frets with the eighths they last, "3:2 5:2". */
  const problemsOf = (tuning: string[], string: number, line: string, players: Partial<Player>[]) => {
    const isBass = tuning === BASS;
    const own = { instrument: isBass ? "bass" : "guitar", tuning, role: isBass ? "bass" : "line" } as const;
    const body = sampleVersion({ verse: { lines: ["a/C:4"] } }, ["verse"], [own, ...players]);
    let at = 0;
    const notes = line.split(" ").map((text) => {
      const [fret, eighths] = text.split(":").map(Number);
      const note = sampleNote(at * 480, string, fret!, { ticks: eighths! * 480 });
      at += eighths!;
      return note;
    });
    const riff = sampleRiff({ tuning });
    let made = 0;
    const index = indexCells(body, outlineOf(body));
    const command = addRiff(body, index, riff, notes, [{ useId: "u0", playerId: "p0" }], () => `n${made++}`);
    const lined = unwrap(applyEdit(DOCUMENTS.version, body, command)).body;
    const plans = new Map(
      Object.values(lined.players).map((player) => [player.id, planShapes(planRequest(lined, player))]),
    );
    return sumOfBand(lined, bandSheet(lined), plans).flatMap(({ problems, makes }) => [
      ...problems.map(({ code }) => code),
      ...(makes ? [makes] : []),
    ]);
  };

  it("hears a walking bass as a phrase: root first, whatever comes after", () => {
    // On the A string C is fret 3, D 5, E 7. From the third on it is another bass.
    expect(problemsOf(BASS, 1, "3:2 5:2 7:2 3:2", [{}])).toEqual([]);
    expect(problemsOf(BASS, 1, "7:2 5:2 3:2 5:2", [{}])).toContain("wrong-lowest");
  });

  it("hears the third a line brings on the way, and not what it only passes", () => {
    // A bass holds C and nobody else plays; on the B string E is fret 5, F 6, G 8.
    const line = (text: string) => problemsOf(GUITAR, 4, text, [bass]);
    expect(line("8:5 5:1 8:2")).toEqual([]);
    expect(line("8:4 8:4")).toEqual(["no-third"]);
    // F for an eighth passes; held for half the bar beside E it rubs.
    expect(line("5:7 6:1")).toEqual([]);
    expect(line("5:4 6:4")[0]).toBe("sus-beside-third");
  });

  it("leaves out who is out, and counts no voice of drums", () => {
    const { sums } = sumsOf([{ light: 0 }, { instrument: "drums", tuning: [] }]);
    expect(sums.every((sum) => sum.voices.length === 0)).toBe(true);
  });
});
