import { describe, expect, it } from "vitest";
import { sampleNote } from "../../../testing/fretboard/sample-note";
import { sampleVersion } from "../../../testing/song/sample-version";
import { unwrap } from "../../base";
import { pitchesOfLine } from "../fretboard";
import { BASS_TUNING, GUITAR_TUNING, parseTuning } from "../pitch";
import { tuningOf } from "../song/read";
import { lineFor } from "./line-for";

const BASS = [...BASS_TUNING];
const { players } = sampleVersion(
  { v: { lines: ["a/G:4"] } },
  ["v"],
  [{}, { instrument: "bass", tuning: BASS, level: "fluent" }, { instrument: "keys", tuning: [] }],
);
const all = Object.values(players);
const guitar = { tuning: unwrap(parseTuning(GUITAR_TUNING)), capo: 0 };
/** G A B on the low E and A strings. */
const LOW = [sampleNote(0, 0, 3), sampleNote(480, 1, 0), sampleNote(960, 1, 2)];

describe("lineFor", () => {
  const found = lineFor(LOW, guitar, all, ({ capo }) => capo);

  it("has everybody with strings, at the pitches of their octave, the easiest first", () => {
    const written = pitchesOfLine(LOW, guitar)!;
    for (const { player, capo, by, notes } of found)
      expect(pitchesOfLine(notes, { tuning: tuningOf(player), capo })).toEqual(
        written.map((pitch) => pitch + by),
      );
    expect(found.map(({ effort }) => effort)).toEqual(
      found.map(({ effort }) => effort).sort((a, b) => a - b),
    );
    expect(new Set(found.map(({ player }) => player.instrument))).toEqual(new Set(["guitar", "bass"]));
  });

  it("leaves out what a neck can't reach: a guitar has nothing an octave below its low strings", () => {
    expect(found.some(({ player, by }) => player.instrument === "guitar" && by === -12)).toBe(false);
    expect(found.some(({ player, by }) => player.instrument === "bass" && by === -12)).toBe(true);
  });

  it("goes by where a capo is", () => {
    const capoed = lineFor(LOW, guitar, all.slice(0, 1), () => 5);
    expect(capoed.map(({ by }) => by)).toEqual([12]);
    expect(capoed[0]!.capo).toBe(5);
  });
});
