import type { Semitones, Ticks } from "../../../base";
import { canDo, type Level, type Style } from "../../fretboard";
import { beatsOfBar, beatUnitOf, isCompound, type Meter, ticksOfBeatUnit } from "../../rhythm";
import type { Instrument } from "../schema/players";
import type { Role } from "../schema/roles";

import { TECHNIQUE_IDS, type TechniqueId } from "../schema/technique-ids";

/** Where in a bar a way of playing usually begins its sounds. */
export const GRIDS = [
  "downbeat",
  "halves",
  "beats",
  "backbeat",
  "offbeats",
  "eighths",
  "skipping",
  "answers",
] as const;
export type Grid = (typeof GRIDS)[number];

/** Which strings a technique keeps to: counted on from the player's face, or from the floor. */
export type StringPart = "all" | "low two" | "low three" | "inner three" | "high three";

/** A way of playing: what it needs, when and how wide it sounds. Ours, common practice, no source. */
export type Technique = {
  readonly words: string;
  readonly instruments: readonly Instrument[];
  readonly needs: Level;
  readonly grid: Grid;
  /** From its lowest to its highest pitch, at most. */
  readonly span: Semitones;
  /** The roles it is good for, the likeliest first. */
  readonly roles: readonly Exclude<Role, "out">[];
  readonly strings: readonly StringPart[];
  /** The voicing that goes with it, for instruments with frets. */
  readonly style: Style;
  /** Whether a plectrum or a whole hand sweeps the strings: picked fingers are lost beside it. */
  readonly sweeps?: true;
  /** Only for somebody with a looper: the line is recorded once. */
  readonly looped?: true;
};

export const TECHNIQUES = Object.freeze({
  "open-strum": {
    words: "strum",
    instruments: ["guitar"],
    needs: "beginner",
    grid: "skipping",
    span: 24,
    roles: ["carry", "support"],
    strings: ["all"],
    style: "full",
    sweeps: true,
  },
  "beat-strum": {
    words: "strum on the beats",
    instruments: ["guitar"],
    needs: "beginner",
    grid: "beats",
    span: 17,
    roles: ["support", "carry"],
    strings: ["all", "low three"],
    style: "full",
    sweeps: true,
  },
  chops: {
    words: "short chops on the backbeat",
    instruments: ["guitar"],
    needs: "beginner",
    grid: "backbeat",
    span: 12,
    roles: ["support"],
    strings: ["high three", "inner three"],
    style: "triad",
    sweeps: true,
  },
  "off-chops": {
    words: "short chops between the beats",
    instruments: ["guitar"],
    needs: "steady",
    grid: "offbeats",
    span: 12,
    roles: ["support"],
    strings: ["high three", "inner three"],
    style: "triad",
    sweeps: true,
  },
  "low-power": {
    words: "low power chords",
    instruments: ["guitar"],
    needs: "steady",
    grid: "eighths",
    span: 12,
    roles: ["support", "carry"],
    strings: ["low three"],
    style: "power",
    sweeps: true,
  },
  picking: {
    words: "picking",
    instruments: ["guitar"],
    needs: "steady",
    grid: "eighths",
    span: 19,
    roles: ["carry", "support"],
    strings: ["all", "high three"],
    style: "full",
  },
  triads: {
    words: "small shapes",
    instruments: ["guitar"],
    needs: "steady",
    grid: "halves",
    span: 12,
    roles: ["support", "carry"],
    strings: ["high three", "inner three"],
    style: "triad",
    sweeps: true,
  },
  ringing: {
    words: "one chord a bar, ringing",
    instruments: ["guitar"],
    needs: "beginner",
    grid: "downbeat",
    span: 17,
    roles: ["support"],
    strings: ["all", "high three"],
    style: "full",
    sweeps: true,
  },
  octaves: {
    words: "octaves",
    instruments: ["guitar"],
    needs: "fluent",
    grid: "answers",
    span: 19,
    roles: ["line", "carry"],
    strings: ["low three", "inner three"],
    style: "octave",
  },
  line: {
    words: "single-note line",
    instruments: ["guitar"],
    needs: "steady",
    grid: "answers",
    span: 12,
    roles: ["line", "carry"],
    strings: ["high three", "inner three"],
    style: "single",
  },
  "thumb-bass": {
    words: "bass line by the thumb",
    instruments: ["guitar"],
    needs: "steady",
    grid: "halves",
    span: 12,
    roles: ["bass"],
    strings: ["low two"],
    style: "bass",
  },
  "looped-bass": {
    words: "looped bass line",
    instruments: ["guitar"],
    needs: "beginner",
    grid: "halves",
    span: 12,
    roles: ["bass"],
    strings: ["low two"],
    style: "bass",
    looped: true,
  },
  "bass-roots": {
    words: "roots on one and three",
    instruments: ["bass"],
    needs: "beginner",
    grid: "halves",
    span: 12,
    roles: ["bass"],
    strings: ["low two", "all"],
    style: "bass",
  },
  "bass-eighths": {
    words: "roots in eighths",
    instruments: ["bass"],
    needs: "steady",
    grid: "eighths",
    span: 12,
    roles: ["bass"],
    strings: ["low two", "all"],
    style: "bass",
  },
  "bass-walk": {
    words: "walking line",
    instruments: ["bass"],
    needs: "fluent",
    grid: "beats",
    span: 17,
    roles: ["bass"],
    strings: ["all"],
    style: "bass",
  },
  "bass-high": {
    words: "high line",
    instruments: ["bass"],
    needs: "fluent",
    grid: "answers",
    span: 12,
    roles: ["line"],
    strings: ["high three"],
    style: "bass",
  },
  pad: {
    words: "held chords",
    instruments: ["keys"],
    needs: "beginner",
    grid: "downbeat",
    span: 12,
    roles: ["support", "carry"],
    strings: ["all"],
    style: "full",
  },
  broken: {
    words: "broken chords",
    instruments: ["keys"],
    needs: "steady",
    grid: "eighths",
    span: 16,
    roles: ["carry", "support"],
    strings: ["all"],
    style: "full",
  },
  stabs: {
    words: "short chords between the beats",
    instruments: ["keys"],
    needs: "steady",
    grid: "offbeats",
    span: 12,
    roles: ["support"],
    strings: ["all"],
    style: "triad",
  },
  "keys-line": {
    words: "one-hand line",
    instruments: ["keys"],
    needs: "steady",
    grid: "answers",
    span: 12,
    roles: ["line", "carry"],
    strings: ["all"],
    style: "triad",
  },
  "left-hand": {
    words: "bass by the left hand",
    instruments: ["keys"],
    needs: "beginner",
    grid: "halves",
    span: 12,
    roles: ["bass"],
    strings: ["all"],
    style: "bass",
  },
  backbeat: {
    words: "backbeat",
    instruments: ["drums"],
    needs: "beginner",
    grid: "backbeat",
    span: 0,
    roles: ["support"],
    strings: ["all"],
    style: "full",
  },
  groove: {
    words: "full groove",
    instruments: ["drums"],
    needs: "steady",
    grid: "eighths",
    span: 0,
    roles: ["support"],
    strings: ["all"],
    style: "full",
  },
  shaker: {
    words: "soft, between the beats",
    instruments: ["drums"],
    needs: "beginner",
    grid: "offbeats",
    span: 0,
    roles: ["support"],
    strings: ["all"],
    style: "full",
  },
  melody: {
    words: "sings the melody",
    instruments: ["voice"],
    needs: "beginner",
    grid: "beats",
    span: 19,
    roles: ["carry"],
    strings: ["all"],
    style: "full",
  },
  "held-voice": {
    words: "held tones",
    instruments: ["voice"],
    needs: "beginner",
    grid: "downbeat",
    span: 5,
    roles: ["support"],
    strings: ["all"],
    style: "full",
  },
  "voice-answers": {
    words: "answers the melody",
    instruments: ["voice"],
    needs: "steady",
    grid: "answers",
    span: 7,
    roles: ["line", "support"],
    strings: ["all"],
    style: "full",
  },
} as const satisfies Readonly<Record<TechniqueId, Technique>>);

export const techniqueOf = (id: TechniqueId): Technique => TECHNIQUES[id];

/** The techniques of an instrument, in the table's order. */
export const techniquesFor = (instrument: Instrument): readonly TechniqueId[] =>
  TECHNIQUE_IDS.filter((id) => techniqueOf(id).instruments.includes(instrument));

/** What a player can play: on their instrument, within their level, with a looper if it takes one. */
export const techniquesOf = ({
  instrument,
  level,
  loops,
}: {
  readonly instrument: Instrument;
  readonly level: Level;
  readonly loops: boolean;
}): readonly TechniqueId[] =>
  techniquesFor(instrument).filter((id) => {
    const { needs, looped } = techniqueOf(id);
    return canDo(level, needs) && (!looped || loops);
  });

/**
 * Where in one bar a grid strikes, in ticks. Beats are the metre's own; what lies between them is half a beat, two
 * thirds of a dotted one.
 * @example gridOnsets("backbeat", { beats: 4, unit: 4 }) // => [960, 2880]
 */
export function gridOnsets(grid: Grid, meter: Meter): readonly Ticks[] {
  const beats = beatsOfBar(meter);
  const beat = ticksOfBeatUnit(beatUnitOf(meter))!;
  const parts = isCompound(meter) ? 3 : 2;
  const all = Array.from({ length: beats }, (_, at) => at * beat);
  const between = (at: number) => at + Math.round((beat * (parts - 1)) / parts);
  switch (grid) {
    case "downbeat":
      return [0];
    case "halves":
      return beats === 1 ? [0] : [0, Math.ceil(beats / 2) * beat];
    case "beats":
      return all;
    case "backbeat": {
      const back = all.filter((_, at) => at % 2 === 1);
      return back.length > 0 ? back : [between(0)];
    }
    case "offbeats":
      return all.map(between);
    case "eighths":
      return Array.from({ length: beats * parts }, (_, at) => Math.round((at * beat) / parts));
    case "skipping":
      // Every beat but the one in the middle of the bar, which is only answered.
      return all.flatMap((tick, at) => {
        if (beats > 2 && at === Math.ceil(beats / 2)) return [between(tick)];
        return at === 0 ? [tick] : [tick, between(tick)];
      });
    case "answers":
      // The last quarter of each beat in the second half of the bar.
      return all
        .slice(Math.floor(beats / 2))
        .map((tick) => tick + Math.round((beat * (parts * 2 - 1)) / (parts * 2)));
  }
}

/** The strings a part of the neck stands for, counted from the player's face. */
export function stringsOfPart(part: StringPart, strings: number): readonly number[] {
  const all = Array.from({ length: strings }, (_, at) => at);
  switch (part) {
    case "all":
      return all;
    case "low two":
      return all.slice(0, 2);
    case "low three":
      return all.slice(0, 3);
    case "inner three":
      return all.slice(Math.max(0, strings - 4), Math.max(3, strings - 1));
    case "high three":
      return all.slice(-3);
  }
}
