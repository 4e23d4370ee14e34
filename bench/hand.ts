/** The figures of the hand: searching shapes, nodes visited, the shortest way, planted fingers. Printed by `npm run bench`. */
import { unwrap } from "../src/base";
import { parseChord } from "../src/core/chord";
import { type HandEvent, planted, voicePath } from "../src/core/fretboard";
import { boardOf, findFingerings, fingerings } from "../src/core/fretboard/fingerings";
import { layersOf } from "../src/core/fretboard/path/layers";
import { PathSearch } from "../src/core/fretboard/path/shortest";
import { GUITAR_TUNING, parseTuning, STANDARD_TUNINGS } from "../src/core/pitch";
import { QUALITIES, ROOTS } from "./chords";
import { quantiles } from "./large-song.mjs";

const guitar = unwrap(parseTuning(GUITAR_TUNING));
const CHORDS = ROOTS.flatMap((root) => QUALITIES.map((quality) => unwrap(parseChord(root + quality))));
const MAX_FRET = 15;

function benchSevenStrings(): void {
  const tuning = unwrap(parseTuning(STANDARD_TUNINGS[7]!));
  const times = CHORDS.map((chord) => {
    const began = performance.now();
    fingerings(chord, { tuning, maxFret: MAX_FRET });
    return performance.now() - began;
  });
  const { median, p95 } = quantiles(times);
  console.log(
    `fingerings on 7 strings, ${CHORDS.length} chords, nothing cached: median ${median.toFixed(1)} ms (at most 15), p95 ${p95.toFixed(1)} ms`,
  );
}

function benchNodes(): void {
  const most = 1e12;
  let visited = 0;
  for (const chord of CHORDS) {
    const board = boardOf({ tuning: guitar, maxFret: MAX_FRET, budget: most });
    findFingerings(chord, { tuning: guitar, maxFret: MAX_FRET }, board);
    visited += most - board.steps.left;
  }
  // Not played, open, or one of the frets, on each string.
  const plain = CHORDS.length * (MAX_FRET + 2) ** guitar.length;
  console.log(
    `nodes visited for ${CHORDS.length} chords: ${visited.toLocaleString("en")}, a plain search over all frets ${plain.toLocaleString("en")}: ${((100 * visited) / plain).toFixed(3)} % (at most 1)`,
  );
}

const SONG = "G D/F# Em7 C Am7 D7sus4 D G Bm F#m7 B7 Em C#m7b5 Cmaj7 G/B A7 Dsus2 Bbmaj7 F Gm7".split(" ");
const changes = (count: number): HandEvent[] =>
  Array.from({ length: count }, (_, at) => ({
    kind: "chord",
    chord: unwrap(parseChord(SONG[(at * 7) % SONG.length]!)),
    beats: 4,
  }));

function benchPath(): void {
  const events = changes(60);
  for (const limit of [100, undefined]) {
    const plans: number[] = [];
    const searches: number[] = [];
    let pairs = 0;
    let looked = 0;
    for (let round = 0; round < 7; round++) {
      const began = performance.now();
      const { layers, places } = unwrap(layersOf(events, { tuning: guitar, ...(limit ? { limit } : {}) }));
      const found = performance.now();
      const steps = { left: 1e12 };
      new PathSearch(
        layers,
        places,
        layers.map(() => 1),
        null,
        steps,
      ).run();
      const done = performance.now();
      searches.push(found - began);
      plans.push(done - found);
      looked = 1e12 - steps.left;
      pairs = layers
        .slice(1)
        .reduce((sum, layer, at) => sum + layer.states.length * layers[at]!.states.length, 0);
    }
    const whole = plans.map((ms, at) => ms + searches[at]!);
    console.log(
      `voice-path, 60 changes of ${SONG.length} chords, ${limit ?? "all"} candidates each: planning median ${quantiles(plans).median.toFixed(0)} ms, with finding the candidates ${quantiles(whole).median.toFixed(0)} ms, slowest of 7 ${Math.max(...whole).toFixed(0)} ms (at most ${limit ? "50" : "2,000"}); ${looked.toLocaleString("en")} of ${pairs.toLocaleString("en")} changes looked at`,
    );
  }
  const { cost, greedyCost } = unwrap(voicePath(events, { tuning: guitar, limit: 100, beatMs: 700 }));
  console.log(
    `  its cost ${cost.toFixed(1)}, the greedy way ${greedyCost.toFixed(1)}: ${((100 * cost) / greedyCost).toFixed(1)} %`,
  );
}

function benchPlanted(): void {
  for (const [text, rounds, capos] of [
    ["G Em C D", 4, [0, 2, 4]],
    ["G D Em C Am Bm D7 A", 1, [0, 2]],
    [SONG.join(" "), 3, [0, 2]],
  ] as const) {
    const chords = text.split(" ");
    const events = Array.from(
      { length: chords.length * rounds },
      (_, at): HandEvent => ({
        kind: "chord",
        chord: unwrap(parseChord(chords[at % chords.length]!)),
        beats: 4,
      }),
    );
    const began = performance.now();
    const { front, exact } = unwrap(
      planted(events, { tuning: guitar, capos, allow: ["sus2", "sus4", "add9", "7"], beatMs: 700 }),
    );
    console.log(
      `planted fingers, ${events.length - 1} changes of ${chords.length} chords, ${capos.length} capos: ${((performance.now() - began) / 1000).toFixed(1)} s, ${front.length} points, ${exact ? "exact" : "best found"}; most held: ${front[0]?.words}`,
    );
  }
}

benchSevenStrings();
benchNodes();
benchPath();
benchPlanted();
