/** Against tonal (MIT): what frets behind a capo sound, and what a bend adds in whole semitones. */
import { Interval, Note } from "tonal";
import { describe, expect, it } from "vitest";
import { unwrap } from "../src/base";
import { heardPitch, PLAIN_NOTE, pitchesOfLine, placeLine, stoppedPitch } from "../src/core/fretboard";
import { NAMED_TUNINGS, parseTuning } from "../src/core/pitch";

describe("lines in tab against tonal", () => {
  it.each(NAMED_TUNINGS.map(({ strings }) => [strings.join(" "), strings] as const))(
    "every fret of %s sounds the interval above its open string",
    (_, strings) => {
      const tuning = unwrap(parseTuning([...strings]));
      for (const [string, open] of strings.entries())
        for (let capo = 0; capo <= 7; capo++)
          for (let fret = 0; fret <= 12; fret++) {
            const wanted = Note.midi(Note.transpose(open, Interval.fromSemitones(capo + fret)));
            expect(stoppedPitch({ string, fret }, { tuning, capo })).toBe(wanted);
            const bent = heardPitch({ string, fret, art: "plain", bend: 4 }, { tuning, capo });
            expect(bent).toBe(Note.midi(Note.transpose(open, Interval.fromSemitones(capo + fret + 2))));
          }
    },
  );

  it("a scale written by tonal is found again on the neck, wherever it is placed", () => {
    const tuning = unwrap(parseTuning(["E2", "A2", "D3", "G3", "B3", "E4"]));
    for (const tonic of ["A2", "C3", "F#3", "Bb3"]) {
      const pitches = [0, 2, 4, 5, 7, 9, 11, 12].map(
        (up) => Note.midi(Note.transpose(tonic, Interval.fromSemitones(up)))!,
      );
      const notes = pitches.map((_, at) => ({
        ...PLAIN_NOTE,
        tick: at * 480,
        ticks: 480,
        string: 0,
        fret: 0,
      }));
      for (const capo of [0, 3, 5]) {
        const placed = placeLine(notes, pitches, { neck: { tuning, capo } });
        if (placed.ok) expect(pitchesOfLine(placed.value.notes, { tuning, capo })).toEqual(pitches);
        else expect(pitches[0]!).toBeLessThan(tuning[0]! + capo);
      }
    }
  });
});
