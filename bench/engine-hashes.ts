/**
 * A hash of what each engine answers to made-up inputs, the same for the same answers: whoever moves walls without meaning
 * to change an answer runs it before and after. It asks nothing of the core but its engines.
 */
import { createHash } from "node:crypto";
import { CONTRACTS, runEngine } from "../src/engines";

/** Whole numbers below a bound, the same each time. */
function numbersFrom(seed: number): (below: number) => number {
  let state = seed;
  return (below) => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return Math.floor((state / 2 ** 32) * below);
  };
}
const next = numbersFrom(17);
const pick = <Item>(list: readonly Item[]): Item => list[next(list.length)]!;
const many = <Item>(count: number, make: (at: number) => Item): Item[] =>
  Array.from({ length: count }, (_, at) => make(at));

const SYMBOLS = [
  "G",
  "C",
  "D",
  "Em",
  "Am7",
  "D/F#",
  "Cadd9",
  "Bm",
  "F#m7",
  "Asus4",
  "E7",
  "N.C.",
  "Bb",
  "Gm6",
];
const KEYS = ["G", "D", "Em", "A", "F", "Bb", "C#m", "E"];
const changes = (count: number) => many(count, () => ({ symbol: pick(SYMBOLS), beats: pick([2, 4, 8]) }));
const PITCHED = SYMBOLS.filter((symbol) => symbol !== "N.C.");

const looperCase = () => {
  const layers = many(2 + next(4), (at) => ({
    id: `l${at}`,
    kind: pick(["pitched", "unpitched"]),
    bars: pick([1, 2, 4]),
  }));
  const sections = many(4 + next(6), (at) => ({
    id: `s${at}`,
    bars: pick([4, 8]),
    want: Object.fromEntries(layers.map(({ id }) => [id, pick(["on", "off", "either"])])),
  }));
  return { looper: { tracks: 2 + next(3) }, tempo: 60 + next(80), layers, sections };
};
/** The way back to a plan of the loops engine, from tracks that sound by mistake. */
const recoverCase = () => {
  const given = looperCase();
  const planned = runEngine("loops", given);
  const plan = planned.ok ? planned.result : null;
  return {
    case: given,
    plan,
    section: pick(given.sections).id,
    sounding: [0, 1].filter(() => next(2) === 1),
  };
};
const PEDALS = ["drive", "delay", "boost"];
const boardCase = () => ({
  board: { slotsPerBank: 2 + next(3), gapMs: 300, landing: pick(["saved", "same-slot"]) },
  sections: many(4 + next(10), (at) => ({
    id: `s${at}`,
    tone: `t${next(6)}`,
    restBeforeMs: pick([0, 0, 400, 900]),
  })),
});
const splitCase = () => ({
  tempo: 60 + next(80),
  meter: { beats: 4, unit: 4 },
  sections: many(3 + next(3), (at) => ({
    id: `s${at}`,
    bars: 8,
    chords: changes(8),
    voice: pick([null, { low: "A3", high: "D5" }]),
    energy: next(5),
    bass: pick(["needed", "free"]),
  })),
  players: [
    { id: "g1", instrument: "guitar", level: "fluent", range: ["E2", "E5"], sings: true, loops: false },
    { id: "g2", instrument: "guitar", level: "steady", range: ["E2", "E5"], sings: false, loops: false },
    { id: "b", instrument: "bass", level: "fluent", range: ["E1", "G3"], sings: false, loops: false },
  ],
});

const SHEETS = [
  "[Verse]\nG   / / D\nLight on the water\n[Chorus]\nEm C G D\nGo on, go on\n",
  "{title: Ropes}\n{key: F}\n{soc}\n[F]Haul a[Bb]way the [C7]line\n{eoc}\n",
  "Verse\nDo  Fa Sol\nuna luz en el mar\n",
  "Intro: A E F#m D\nVerse x2\nA       E\nnine bells down\n",
];

/** Inputs of each engine; those it refuses count as well. */
const INPUTS: Readonly<Record<string, readonly unknown[]>> = {
  beats: many(20, () => ({
    meter: { beats: pick([3, 4, 6]), unit: pick([4, 8]) },
    sections: many(3, (at) => ({ id: `s${at}`, lines: many(3, () => changes(4)) })),
  })),
  capo: many(20, () => ({
    key: pick(KEYS),
    chords: changes(6),
    level: pick(["beginner", "steady", "fluent"]),
  })),
  fingerings: many(20, () => ({
    symbol: pick(SYMBOLS),
    capo: next(5),
    limit: 12,
    style: pick(["full", "power", "triad", "two-string"]),
  })),
  identify: many(30, () => ({ frets: many(6, () => pick([null, 0, 1, 2, 3])), key: pick(KEYS) })),
  "voice-path": many(8, () => ({
    changes: changes(12),
    tempo: 60 + next(90),
    limit: 12,
    cyclic: pick([true, false]),
  })),
  planted: many(2, () => ({
    changes: many(6, () => ({ symbol: pick(["G", "C", "D", "Em"]), beats: 4 })),
    tempo: 90,
    capos: [0, 2],
    allow: ["add9", "sus4"],
  })),
  "stand-ins": many(8, () => ({ symbol: pick(PITCHED), key: pick(KEYS) })),
  "degree-line": many(15, () => ({
    changes: many(8, () => ({ symbol: pick(PITCHED), beats: 4 })),
    range: ["E2", "C4"],
    allowed: ["1", "3", "5"],
  })),
  harmoniser: many(10, () => ({
    notes: many(4, () => pick(["D4", "E4", "F#4", "A4", "G4"])),
    interval: pick([-3, 4, 5, 12]),
  })),
  strum: many(30, () => ({
    meter: { beats: 4, unit: 4 },
    subdivision: pick([2, 4]),
    pattern: many(8, () => pick(["D", "U", ".", "x", "-", "D3"])).join(" "),
  })),
  split: many(4, splitCase),
  loops: many(20, looperCase),
  recover: many(10, recoverCase),
  tones: many(20, boardCase),
  pedals: many(10, () => ({
    pedals: PEDALS,
    sections: many(6, (at) => ({ id: `s${at}`, on: PEDALS.filter(() => next(2) === 1) })),
  })),
  delay: many(20, () => ({ tempo: 50 + next(150), note: pick(["1/4", "1/8.", "1/8", "1/8t"]) })),
  read: SHEETS.map((text) => ({ text })),
};

for (const { name } of CONTRACTS) {
  const outcomes = (INPUTS[name] ?? []).map((input) => runEngine(name, input));
  const hash = createHash("sha256").update(JSON.stringify(outcomes)).digest("hex").slice(0, 16);
  const answered = outcomes.filter(({ ok }) => ok).length;
  console.log(`engine ${name}: ${hash} over ${outcomes.length} inputs, ${answered} answered`);
}
