import { unwrap } from "../../src/base";
import { parseChord } from "../../src/core/chord";
import type { ChordBeats, LoopCase, LoopLayer, LoopSection, Want } from "../../src/core/loops/loop-case";
import type { PedalPrices } from "../../src/core/loops/pedal-prices";
import { parseKey } from "../../src/core/pitch";

/** Chords as "Dm 8 Bb 8". */
export function chordBeats(text: string): ChordBeats[] {
  const words = text.split(" ").filter((word) => word !== "");
  return words.flatMap((word, at) =>
    at % 2 === 0 ? [{ chord: unwrap(parseChord(word)), beats: Number(words[at + 1]) }] : [],
  );
}

export const layerOf = (id: string, more: Partial<LoopLayer> = {}): LoopLayer => ({
  id,
  kind: "unpitched",
  bars: 2,
  progression: [],
  needs: [],
  steady: false,
  recordWith: null,
  ...more,
});

/** A section with wants as "pulse:on clap:either". */
export const sectionOf = (
  id: string,
  bars: number,
  wants: string,
  more: Partial<LoopSection> = {},
): LoopSection => ({
  id,
  bars,
  busy: [],
  chords: [],
  want: Object.fromEntries(
    wants
      .split(" ")
      .filter((word) => word !== "")
      .map((word) => word.split(":") as [string, Want]),
  ),
  ...more,
});

/** A case for tests, with all that is not given left plain. */
export const caseOf = (more: Partial<LoopCase>): LoopCase => ({
  looper: { tracks: 4, allStart: true, allStop: true, quantised: false },
  tempo: 120,
  beatsPerBar: 4,
  startFrom: "silence",
  school: "chords-first",
  key: unwrap(parseKey("Dm")),
  listen: false,
  layers: [],
  sections: [],
  pins: {},
  ...more,
});

/** Made-up cases from a list of whole numbers, the same for the same list. */
export function madeUpCase(
  next: (below: number) => number,
  { layers, tracks, sections, either }: { layers: number; tracks: number; sections: number; either: number },
): LoopCase {
  const made = Array.from({ length: layers }, (_, at) =>
    layerOf(`l${at}`, { bars: [1, 2, 4, 4, 8][next(5)]!, kind: next(2) ? "pitched" : "unpitched" }),
  );
  const want = (): Want => (next(100) < either ? "either" : next(2) ? "on" : "off");
  return caseOf({
    looper: {
      tracks,
      allStart: next(4) > 0,
      allStop: next(4) > 0,
      quantised: next(5) === 0,
      toggleAll: next(4) === 0,
    },
    startFrom: next(4) ? "silence" : "running",
    listen: next(6) === 0,
    layers: made,
    sections: Array.from({ length: sections }, (_, at) => ({
      ...sectionOf(`s${at}`, [4, 8, 8, 2.5, 1][next(5)]!, ""),
      want: Object.fromEntries(made.map(({ id }) => [id, want()])),
    })),
    pins: next(3) || layers === 0 ? {} : { [`l${next(layers)}`]: next(tracks) },
  });
}

/** Made-up prices of pedals: some tracks only in or only out by their own, some dearer, some neighbours under one foot. */
export function madeUpPrices(next: (below: number) => number, tracks: number): PedalPrices {
  const price = () => [0, 0, 0, 1, 2, null][next(6)]!;
  const pairs = Array.from({ length: tracks - 1 }, (_, at) => [at, at + 1] as const);
  return {
    start: Array.from({ length: tracks }, price),
    stop: Array.from({ length: tracks }, price),
    startAll: next(3),
    stopAll: next(3),
    pairs: pairs.filter(() => next(2) === 0),
  };
}

/** A small generator of whole numbers. */
export function numbersFrom(seed: number): (below: number) => number {
  let state = seed >>> 0;
  return (below) => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return Math.floor((state / 2 ** 32) * below);
  };
}
