import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { sampleNote as note } from "../../../../testing/fretboard/sample-note";
import { unwrap } from "../../../base";
import { parseChord } from "../../chord";
import {
  BASS_WAYS,
  bassLine,
  type ChordUnder,
  cellOverShapes,
  describeLineProblem,
  describePlaceProblem,
  fitsOf,
  followChords,
  heardPitch,
  type LineProblem,
  lineProblems,
  measured,
  notesOfRound,
  pitchesOfLine,
  placeLine,
  placings,
  quickestMs,
  rangeOfLine,
  stoppedPitch,
  type TabNote,
} from ".";

const STANDARD = [40, 45, 50, 55, 59, 64];
const BASS = [28, 33, 38, 43];
const neck = { tuning: STANDARD, capo: 0 };
const chords = (text: string, beats = 4): ChordUnder[] =>
  text.split(" ").map((symbol, at) => ({
    tick: at * beats * 960,
    ticks: beats * 960,
    chord: unwrap(parseChord(symbol)),
  }));
const C_MAJOR = new Set([0, 2, 4, 5, 7, 9, 11]);

describe("notes of a line", () => {
  it("sound where the capo puts them; bends go by quarter tones", () => {
    // A string fret 17 is D4 (trade); a bend of a quarter tone lies between two keys.
    expect(stoppedPitch({ string: 1, fret: 17 }, neck)).toBe(62);
    expect(stoppedPitch({ string: 1, fret: 15 }, { ...neck, capo: 2 })).toBe(62);
    expect(heardPitch(note(0, 1, 17, { bend: 1 }), neck)).toBe(62.5);
    expect(heardPitch(note(0, 1, 17, { art: "dead" }), neck)).toBeNull();
    expect(stoppedPitch({ string: 7, fret: 0 }, neck)).toBeNull();
  });

  it("have a range with the bend in it", () => {
    expect(rangeOfLine([note(0, 0, 3), note(480, 5, 3, { bend: 4 })], neck)).toEqual({ low: 43, high: 69 });
    expect(rangeOfLine([], neck)).toBeNull();
  });

  it("differ by the time round", () => {
    const notes = [note(0, 0, 3), note(480, 0, 5, { round: 1 }), note(480, 0, 7, { round: 3 })];
    expect([1, 2, 3].map((round) => notesOfRound(notes, round, 3).map(({ fret }) => fret))).toEqual([
      [3, 5],
      [3],
      [3, 7],
    ]);
  });

  it("tell the quickest two", () => {
    expect(quickestMs([note(0, 0, 1), note(480, 0, 1), note(720, 0, 1)], { bpm: 60, beatUnit: "1/4" })).toBe(
      250,
    );
    expect(quickestMs([note(0, 0, 1)], { bpm: 60, beatUnit: "1/4" })).toBeNull();
  });
});

describe("what can't be played", () => {
  const line = { ticks: 3840, bar: 3840 };
  const codes = (notes: TabNote[], own: typeof neck = neck, of = line) =>
    lineProblems(notes, own, of).map(({ code }) => code);

  it("raises nothing over a line that can", () =>
    expect(
      codes([note(0, 2, 2), note(480, 2, 4, { art: "hammer" }), note(960, 2, 2, { art: "pull" })]),
    ).toEqual([]));

  it.each<[LineProblem["code"], TabNote[], typeof neck?, typeof line?]>([
    ["no-string", [note(0, 4, 2)], { tuning: BASS, capo: 0 }],
    ["off-neck", [note(0, 4, 20)], { ...neck, capo: 5 }],
    ["string-twice", [note(0, 2, 2), note(0, 2, 4)]],
    ["overlap", [note(0, 2, 2, { ticks: 960 }), note(480, 2, 4)]],
    ["past-end", [note(3600, 2, 2)]],
    ["from-nothing", [note(0, 2, 2, { art: "hammer" })]],
    ["wrong-way", [note(0, 2, 4), note(480, 2, 2, { art: "hammer" })]],
    ["wrong-way", [note(0, 2, 2), note(480, 2, 2, { art: "slide" })]],
    ["bend-open", [note(0, 2, 0, { bend: 2 })]],
    ["whole-bars", [note(0, 2, 2)], neck, { ticks: 3000, bar: 3840 }],
  ])("names %s", (code, notes, own = neck, of = line) => {
    const problems = lineProblems(notes, own, of);
    expect(problems.map((one) => one.code)).toContain(code);
    for (const one of problems) expect(describeLineProblem(one)).toMatch(/[.]$/u);
  });

  it("lets a note ring under the next, and two endings stand in one place", () => {
    expect(codes([note(0, 2, 2, { ticks: 960, ring: true }), note(480, 2, 4)])).toEqual([]);
    expect(codes([note(0, 2, 2, { round: 1 }), note(0, 2, 4, { round: 2 })])).toEqual([]);
  });
});

describe("moving a line", () => {
  const anyLine = fc
    .array(
      fc.record({
        string: fc.integer({ min: 0, max: 5 }),
        fret: fc.integer({ min: 0, max: 12 }),
        art: fc.constantFrom("plain", "slide", "dead"),
      }),
      { minLength: 1, maxLength: 10 },
    )
    .map((items) =>
      items.map(({ string, fret, art }, at) => note(at * 480, string, fret, { art } as Partial<TabNote>)),
    );

  it("keeps every pitch: law, to any tuning and capo that reaches them", () => {
    fc.assert(
      fc.property(
        anyLine,
        fc.constantFrom([38, 45, 50, 55, 57, 62], [38, 45, 50, 54, 57, 62], STANDARD),
        fc.integer({ min: 0, max: 4 }),
        (notes, tuning, capo) => {
          const pitches = pitchesOfLine(notes, neck)!;
          const placed = placeLine(notes, pitches, { neck: { tuning, capo } });
          const lowest = Math.min(...tuning) + capo;
          if (pitches.some((pitch) => pitch < lowest)) expect(placed.ok).toBe(false);
          if (!placed.ok) return;
          expect(pitchesOfLine(placed.value.notes, { tuning, capo })).toEqual(pitches);
          expect(placed.value.notes.map(({ tick, ticks, art }) => [tick, ticks, art])).toEqual(
            notes.map(({ tick, ticks, art }) => [tick, ticks, art]),
          );
        },
      ),
    );
  });

  it("offers ways ranked by the hand, each once, all at the same pitch", () => {
    const notes = [note(0, 5, 5), note(480, 5, 7), note(960, 5, 8)];
    const offers = placings(notes, neck, { neck });
    expect(offers.length).toBeGreaterThan(2);
    const wanted = pitchesOfLine(notes, neck);
    for (const offer of offers) expect(pitchesOfLine(offer.notes, neck)).toEqual(wanted);
    const efforts = offers.map(({ effort }) => effort);
    expect(efforts).toEqual([...efforts].sort((a, b) => a - b));
    const ways = offers.map((one) => one.notes.map(({ string, fret }) => `${string}:${fret}`).join(" "));
    expect(new Set(ways).size).toBe(ways.length);
  });

  it("stays on one string where notes hang together", () => {
    const notes = [note(0, 4, 5), note(480, 4, 7, { art: "hammer" }), note(960, 4, 5, { art: "pull" })];
    const placed = placeLine(notes, pitchesOfLine(notes, neck)!, { neck });
    expect(placed.ok && new Set(placed.value.notes.map(({ string }) => string)).size).toBe(1);
  });

  it("keeps to strings asked for, and says which note has no place", () => {
    const notes = [note(0, 5, 3), note(480, 0, 3)];
    const low = placeLine(notes, pitchesOfLine(notes, neck)!, { neck, strings: [0, 1, 2] });
    expect(low.ok && low.value.notes.every(({ string }) => string < 3)).toBe(true);
    const none = placeLine(notes, pitchesOfLine(notes, neck)!, { neck, strings: [4, 5] });
    expect(none).toMatchObject({ ok: false, problem: { code: "unreachable", note: 1 } });
    if (!none.ok) expect(describePlaceProblem(none.problem)).toContain("2nd note");
    const wide = placeLine([note(0, 0, 1), note(0, 5, 12)], [41, 76], { neck, strings: [0, 5] });
    expect(wide).toMatchObject({ ok: false, problem: { code: "too-many" } });
  });

  it("is the cheapest of all ways for two notes: slow search", () => {
    fc.assert(
      fc.property(fc.integer({ min: 45, max: 70 }), fc.integer({ min: 45, max: 70 }), (a, b) => {
        const notes = [note(0, 0, 0), note(480, 0, 0)];
        const placed = placeLine(notes, [a, b], { neck });
        const spots = (pitch: number) =>
          STANDARD.flatMap((open, string) =>
            pitch >= open && pitch - open <= 24 ? [{ string, fret: pitch - open }] : [],
          );
        const costs = spots(a).flatMap((one) =>
          spots(b).map(
            (other) =>
              measured(
                [
                  { ...notes[0]!, ...one },
                  { ...notes[1]!, ...other },
                ],
                { neck },
              ).effort,
          ),
        );
        // The hand may stand below its note, so that measuring, which begins on the note itself, may find a little less.
        expect(placed.ok && placed.value.effort).toBeLessThanOrEqual(Math.min(...costs) + 0.7);
      }),
    );
  });
});

describe("a line over its chords", () => {
  it("tells tones of the chord, of the scale, and outside", () => {
    const notes = [
      note(0, 1, 3),
      note(480, 2, 0),
      note(960, 1, 4),
      note(1440, 1, 3, { bend: 1 }),
      note(1920, 1, 3, { art: "dead" }),
    ];
    expect(fitsOf(notes, neck, chords("C"), C_MAJOR)).toEqual([
      "chord",
      "scale",
      "outside",
      "between",
      "none",
    ]);
  });

  it("sets one lick on each root, and leads in from one fret below", () => {
    const lick = { notes: [note(0, 1, 3), note(480, 1, 5)], ticks: 960, home: unwrap(parseChord("C")) };
    const plain = followChords(lick, chords("C D", 2), { neck });
    expect(plain.left).toEqual([]);
    expect(plain.notes.map((one) => stoppedPitch(one, neck))).toEqual([48, 50, 48, 50, 50, 52, 50, 52]);
    const led = followChords(lick, chords("C D", 2), { neck, approachTicks: 480 });
    const lead = led.notes.find(({ tick }) => tick === 1440)!;
    const first = led.notes.find(({ tick }) => tick === 1920)!;
    expect(stoppedPitch(lead, neck)).toBe(stoppedPitch(first, neck)! - 1);
    expect(lead.string).toBe(first.string);
  });

  it("names chords the lick has no place for", () => {
    const high = { notes: [note(0, 5, 24)], ticks: 960, home: unwrap(parseChord("E")) };
    expect(followChords(high, chords("E F#"), { neck }).left).toEqual([]);
    expect(followChords(high, chords("E"), { neck: { tuning: STANDARD.slice(0, 3), capo: 0 } }).left).toEqual(
      [0],
    );
  });

  it("goes round a picking cell on a moving shape, leaving out what does not sound", () => {
    const cell = {
      strokes: [0, 1, 2].map((at) => ({ tick: at * 480, ticks: 480, string: at + 2 })),
      ticks: 1440,
    };
    const made = cellOverShapes(cell, [
      { tick: 0, ticks: 2880, frets: [null, 3, 2, 0, 1, 0] },
      { tick: 2880, ticks: 960, frets: [null, null, 0, null, 3, 2] },
    ]);
    expect(made.map(({ tick, fret }) => [tick, fret])).toEqual([
      [0, 2],
      [480, 0],
      [960, 1],
      [1440, 2],
      [1920, 0],
      [2400, 1],
      [2880, 0],
    ]);
  });
});

describe("bass lines from chords", () => {
  const bass = { neck: { tuning: BASS, capo: 0 } };
  const pitchesOf = (way: (typeof BASS_WAYS)[number], text: string) =>
    bassLine(chords(text), way, 960, C_MAJOR, bass)?.map((one) => stoppedPitch(one, bass.neck));

  it("by hand: roots, root and fifth, octave, a walk in the key", () => {
    expect(pitchesOf("roots", "C G/B Am")).toEqual([36, 35, 33]);
    expect(pitchesOf("root and fifth", "C")).toEqual([36, 31]);
    expect(pitchesOf("octave", "F")).toEqual([29, 41, 29, 41]);
    expect(pitchesOf("walk", "C A")).toEqual([36, 35, 33]);
    expect(pitchesOf("walk", "E C")).toEqual([28, 31, 33, 35, 36]);
    expect(pitchesOf("roots", "N.C.")).toEqual([]);
  });

  it("fill each chord's time and begin it on its bass: law", () => {
    const symbol = fc.constantFrom("C", "Dm", "G/B", "F", "Am7", "Bdim", "E7");
    fc.assert(
      fc.property(
        fc.array(symbol, { minLength: 1, maxLength: 6 }),
        fc.constantFrom(...BASS_WAYS),
        (names, way) => {
          const under = chords(names.join(" "));
          const line = bassLine(under, way, 960, C_MAJOR, bass)!;
          expect(line.reduce((sum, one) => sum + one.ticks, 0)).toBe(under.length * 3840);
          for (const { tick } of under) expect(line.some((one) => one.tick === tick)).toBe(true);
        },
      ),
    );
  });
});
