/** Thirty made-up songs and bands of several kinds: forms as they are played, bands as they stand. All invented. */
import { ARRANGE_WEIGHTS, type ArrangeCase, type ArrangeUse } from "../src/core/parts";
import type { Meter } from "../src/core/rhythm";

type Player = ArrangeCase["players"][number];

const GUITAR = [40, 45, 50, 55, 59, 64] as const;
const BASS = [28, 33, 38, 43] as const;
const player = (id: string, instrument: Player["instrument"], more: Partial<Player> = {}): Player => ({
  id,
  instrument,
  tuning: instrument === "guitar" ? GUITAR : instrument === "bass" ? BASS : [],
  capo: 0,
  level: "steady",
  range:
    instrument === "guitar"
      ? [40, 79]
      : instrument === "bass"
        ? [28, 58]
        : instrument === "voice"
          ? [55, 74]
          : [36, 84],
  sings: false,
  loops: false,
  away: false,
  sounds: null,
  ...more,
});

/** Bands by what they are called here. */
const BANDS = {
  "one who sings": [player("a", "guitar", { sings: true })],
  "one with a looper": [player("a", "guitar", { level: "fluent", loops: true }), player("v", "voice")],
  "two guitars": [player("a", "guitar", { sings: true }), player("b", "guitar", { capo: 4 })],
  "two guitars and bass": [
    player("a", "guitar", { sings: true }),
    player("b", "guitar", { level: "fluent" }),
    player("c", "bass"),
  ],
  "a beginner among them": [
    player("a", "guitar", { sings: true }),
    player("b", "guitar", { level: "beginner" }),
    player("c", "bass"),
    player("v", "voice"),
  ],
  "guitar, bass, drums": [player("a", "guitar", { sings: true }), player("c", "bass"), player("d", "drums")],
  "keys first": [player("k", "keys"), player("a", "guitar"), player("v", "voice"), player("c", "bass")],
  "no bass": [player("a", "guitar", { sings: true }), player("b", "guitar"), player("d", "drums")],
  "a whole band": [
    player("a", "guitar", { sings: true }),
    player("b", "guitar", { level: "fluent" }),
    player("c", "bass"),
    player("k", "keys"),
    player("d", "drums"),
  ],
  "a whole band with voices": [
    player("a", "guitar"),
    player("b", "guitar", { level: "fluent", capo: 3 }),
    player("c", "bass", { level: "fluent" }),
    player("k", "keys"),
    player("d", "drums"),
    player("v", "voice"),
    player("w", "voice"),
  ],
} as const satisfies Record<string, readonly Player[]>;

const KINDS = {
  I: ["intro", 4, 1, false],
  V: ["verse", 8, 2, true],
  P: ["pre-chorus", 4, 2, true],
  C: ["chorus", 8, 3, true],
  B: ["bridge", 8, 2, true],
  N: ["instrumental", 8, 2, false],
  S: ["solo", 8, 3, false],
  T: ["tag", 4, 2, true],
  O: ["outro", 4, 1, false],
} as const;

/** Forms, a letter a use. */
const FORMS = ["IVPCVPCBCO", "IVCVCBCO", "VCVC", "VVVV", "IVVCVCNCT", "IVCVCSVCO"] as const;
const METERS: readonly Meter[] = [
  { beats: 4, unit: 4 },
  { beats: 6, unit: 8 },
  { beats: 3, unit: 4 },
];
const TITLES = ["Quay", "Lamp", "Tide", "Ferry", "Rope", "Salt", "Gull", "Bell", "Net", "Mast"] as const;
const ENDS = ["at Dusk", "in the Rain", "Going Home"] as const;

export type BenchSong = { readonly title: string; readonly band: string; readonly asked: ArrangeCase };

/** Each band with three of the forms, by turns, in three metres. */
export const ARRANGE_SONGS: readonly BenchSong[] = Object.entries(BANDS).flatMap(([band, players], at) =>
  METERS.map((meter, turn): BenchSong => {
    const form = FORMS[(at + 2 * turn) % FORMS.length]!;
    return { title: `${TITLES[at]} ${ENDS[turn]}`, band, asked: caseOf(form, players, meter) };
  }),
);

/** A case of a form, written a letter a use. */
export function caseOf(form: string, players: readonly Player[], meter: Meter): ArrangeCase {
  const couldBass = players.some(({ instrument }) => instrument === "bass" || instrument === "keys");
  const guitars = players.filter(({ instrument }) => instrument === "guitar").length;
  const uses = [...form].map((letter, at): ArrangeUse => {
    const [kind, bars, energy, sung] = KINDS[letter as keyof typeof KINDS];
    return {
      id: `${letter}${at}`,
      section: letter,
      kind,
      bars,
      chordBars: Array.from({ length: bars }, (_, bar) => bar),
      voice: sung ? { low: 57, high: 69 } : null,
      energy,
      bass: (couldBass || guitars > 1) && letter !== "B" ? "needed" : "free",
    };
  });
  return {
    meter,
    players,
    uses,
    arc: "rising",
    weights: ARRANGE_WEIGHTS,
    limits: [],
    tastes: [],
    ideas: null,
  };
}

export const WHOLE_BAND: readonly Player[] = BANDS["a whole band with voices"].slice(0, 6);
