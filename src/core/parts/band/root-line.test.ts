import { describe, expect, it } from "vitest";
import { sampleNote } from "../../../../testing/fretboard/sample-note";
import { edited, Q } from "../../../../testing/song/heard";
import { sampleRiff } from "../../../../testing/song/sample-riff";
import { sampleVersion } from "../../../../testing/song/sample-version";
import { unwrap } from "../../../base";
import { parseChord } from "../../chord";
import { pitchesOfLine } from "../../fretboard";
import { pitchClassOf } from "../../pitch";
import { addRiff, changeKey, set, setCell } from "../../song/edit";
import { indexCells, neckOfRiff, outlineOf, timelineOf } from "../../song/read";
import type { Player, Riff, VersionBody } from "../../song/schema";
import { findingsOf } from "../findings";
import { playedNotes } from "../played-strokes";
import { bandSheet } from "./band-sheet";
import { placedNotes } from "./line-notes";

/** Root, third and fifth of G on the low strings, half a bar: E 3, A 2, D 0. */
const LICK = [
  sampleNote(0, 0, 3, { ticks: 480 }),
  sampleNote(480, 1, 2, { ticks: 480 }),
  sampleNote(Q, 2, 0, { ticks: Q }),
];

/** One section of four chords, where a guitar's lick over G stands on each root; the second time raised. */
function song(lines: string[], more: Partial<Riff> = {}, players: Partial<Player>[] = [{}]) {
  const plain = sampleVersion({ verse: { lines } }, ["verse", "verse"], players);
  const body = edited(plain, set("uses", "u1", { shift: 2 }));
  const riff = sampleRiff({ name: "Steps", ticks: 2 * Q, way: "on each root", home: "G", ...more });
  let made = 0;
  const places = ["u0", "u1"].map((useId) => ({ useId, playerId: "p0" }));
  return edited(
    body,
    addRiff(body, indexCells(body, outlineOf(body)), riff, LICK, places, () => `n${made++}`),
  );
}
const partOf = (body: VersionBody, use = 0) => bandSheet(body).rows[use]!.parts[0]!;
/** The pitch that begins each chord, as beat:pitch class. */
const roots = (body: VersionBody, use = 0) => {
  const part = partOf(body, use);
  const pitches = pitchesOfLine(part.notes, neckOfRiff(part.riff!))!;
  return part.notes.flatMap(({ tick }, at) =>
    tick % (2 * Q) === 0 ? [`${tick / Q}:${pitches[at]! % 12}`] : [],
  );
};

describe("a lick on each root", () => {
  it("begins on the root of every chord, again as long as the chord lasts", () => {
    const body = song(["a/G:4 b/C:2 c/D:2"]);
    // G (7) twice, C (0), D (2).
    expect(roots(body)).toEqual(["0:7", "2:7", "4:0", "6:2"]);
    expect(partOf(body).riff!.ticks).toBe(8 * Q);
    // The raised time through: A, D, E.
    expect(roots(body, 1)).toEqual(["0:9", "2:9", "4:2", "6:4"]);
  });

  it("goes along when a chord is changed, when the key is, and behind another capo", () => {
    const body = song(["a/G:4 b/C:4"]);
    const other = edited(body, set("chords", "verse-l0-c1", { symbol: "Em" }));
    expect(roots(other)).toEqual(["0:7", "2:7", "4:4", "6:4"]);
    const higher = edited(
      body,
      changeKey(body, "A", () => false),
    );
    expect(roots(higher)).toEqual(["0:9", "2:9", "4:2", "6:2"]);
    const capoed = edited(
      body,
      setCell(indexCells(body, outlineOf(body)), "u0", "p0", { capo: 3 }, () => "x"),
    );
    expect(roots(capoed)).toEqual(roots(body));
    expect(partOf(capoed).riff!.capo).toBe(3);
    expect(partOf(capoed).notes[0]).toMatchObject({ string: 0, fret: 0 });
  });

  it("stands at its chords in the bars that are played, and after a hold", () => {
    const body = song(["a/G:4 b/C:4 c/D:4"]);
    const index = indexCells(body, outlineOf(body));
    const late = edited(
      body,
      setCell(index, "u0", "p0", { bars: [[1, 3]] }, () => "x"),
    );
    const part = partOf(late);
    const [passage] = timelineOf(late).passages;
    const heard = playedNotes(part.notes, part.riff!.ticks, passage!, () => false, part.cell, true);
    // It is not begun anew in bar 2: there stands C.
    expect(heard.filter(({ tick }) => tick === 4 * Q)).toHaveLength(1);
    const pitches = pitchesOfLine(heard, neckOfRiff(part.riff!))!;
    expect(pitches[heard.findIndex(({ tick }) => tick === 4 * Q)]! % 12).toBe(0);
    expect(placedNotes(part).length).toBe(part.notes.length);
  });

  it("says which chords it has no place for, and a finding does", () => {
    // Only three strings, the highest an octave too high for anything below.
    const body = song(["a/G:4 b/F#:4"], {}, [{ tuning: ["D3", "D4", "D5"] }]);
    const { left, notes } = partOf(body);
    const found = findingsOf(bandSheet(body), new Map(), 666).filter(({ kind }) => kind === "line-left");
    if (left.length > 0) expect(found[0]).toMatchObject({ useId: "u0", chords: left });
    expect(left.length === 0).toBe(found.every(({ useId }) => useId !== "u0"));
    expect(notes.length > 0 || left.length > 0).toBe(true);
  });

  it("on any chords sounds the lick moved by the way between the roots (law)", () => {
    const symbols = ["C", "Dm", "E7", "F", "G", "Am", "Bb", "F#m", "Eb", "B", "Ab", "C#m"];
    for (const symbol of symbols) {
      const part = partOf(song([`a/${symbol}:2`]));
      const chord = unwrap(parseChord(symbol));
      const root = chord.kind === "chord" ? pitchClassOf(chord.root) : 0;
      const pitches = pitchesOfLine(part.notes, neckOfRiff(part.riff!))!;
      // Root, major third, fifth as it was written: a lick is moved as it is.
      expect(pitches.map((pitch) => (pitch - root + 120) % 12)).toEqual([0, 4, 7]);
    }
  });
});
