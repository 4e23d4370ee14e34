import type { Ticks } from "../../base";
import { chordsHeard, type PlayerPart, type SheetPart } from "../parts";
import { type Key, moveByDegrees, scaleClasses, scaleOfKey } from "../pitch";
import { gateSpans, type Pattern, readGate, ticksOfPattern } from "../rhythm";
import { HARMONY_INTERVALS, type HarmonyChoice, type SoundMove, type StrumRow } from "../song/schema";
import { loudness, type Settings } from "../sounds";

/** What a box adds to each note. */
type Added = {
  /** So many semitones away, by the pitch class of the note. */
  readonly offsets: readonly number[];
  /** How loud it is beside the note as it is played: 1 is as loud. */
  readonly share: number;
  /** Whether it follows single notes only, not chords. */
  readonly onlySingle: boolean;
};

/** A stretch of the song in which a box adds notes. */
export type AddingSpan = {
  readonly from: Ticks;
  readonly to: Ticks;
  readonly adds: readonly Added[];
  /** What is left of the notes as they are played, 0 to 1. */
  readonly dry: number;
};

/** How loud a part is from a place on: 1 is as it is played. */
export type LevelAt = { readonly tick: Ticks; readonly gain: number };

/** What a player's sounds make of what they play: notes that are added, and how loud it is. */
export type HeardSound = { readonly adding: readonly AddingSpan[]; readonly levels: readonly LevelAt[] };

/** One use of a section with the sound that is on in it. */
export type SoundedUse = {
  readonly from: Ticks;
  readonly to: Ticks;
  readonly settings: Settings;
  /** Moves inside it, from its begin. */
  readonly moves: readonly SoundMove[];
  /** The key it sounds in. */
  readonly key: Key;
};

/** A ramp is told in steps of so many ticks: a twentieth of a quarter note. */
const RAMP_TICKS: Ticks = 48;
/** Half and half: what is added is as loud as what is played. */
const EVEN_MIX = 50;

const OCTAVES: Readonly<Record<string, number>> = Object.freeze({
  "one down": -12,
  "two down": -24,
  "one up": 12,
});

const always = (semitones: number): number[] => Array.from({ length: 12 }, () => semitones);

/**
 * What sounds and on–off rows make of a part, over the whole song.
 * @param uses the uses of sections a described sound is on in, in order
 * @param gates where sound is let through and where it is cut, by on–off rows; see {@link gatesOf}
 * @returns null where nothing is changed
 */
export function heardSound(uses: readonly SoundedUse[], gates: readonly LevelAt[]): HeardSound | null {
  const adding = uses.flatMap(addingIn);
  const levels = timesOf(uses.flatMap(levelsIn), gates);
  const isPlain = levels.every(({ gain }) => gain === 1);
  return adding.length === 0 && isPlain ? null : { adding, levels: isPlain ? [] : levels };
}

function addingIn({ from, to, settings, key }: SoundedUse): AddingSpan[] {
  const octave = OCTAVES[String(settings.octave)];
  const interval = HARMONY_INTERVALS[settings.harmony as HarmonyChoice];
  const mixes: { readonly mix: number; readonly offsets: readonly number[]; readonly onlySingle: boolean }[] =
    [];
  if (octave !== undefined)
    mixes.push({ mix: Number(settings["octave.mix"]), offsets: always(octave), onlySingle: false });
  if (interval)
    mixes.push({
      mix: Number(settings["harmony.mix"]),
      offsets: "semitones" in interval ? always(interval.semitones) : inKey(interval.degrees, key),
      onlySingle: true,
    });
  const adds = mixes
    .filter(({ mix }) => mix > 0)
    .map(({ mix, ...added }): Added => ({ ...added, share: Math.min(1, mix / EVEN_MIX) }));
  if (adds.length === 0) return [];
  const wettest = Math.max(...mixes.map(({ mix }) => mix));
  return [{ from, to, adds, dry: Math.min(1, (100 - wettest) / EVEN_MIX) }];
}

/** How far a harmony in a key lies from each pitch class. */
function inKey(degrees: number, key: Key): number[] {
  const scale = scaleClasses(key.tonic, scaleOfKey(key));
  return Array.from({ length: 12 }, (_, at) => moveByDegrees(60 + at, degrees, scale) - 60 - at);
}

const LEVEL_SETTINGS = ["level", "boost", "pedal", "volume"] as const;

/** How loud a sound is: its level in dB, and pedal and knob, whose way is squared. Ours, no source. */
function gainOf(settings: Settings): number {
  const db = loudness(settings);
  return 10 ** (db / 20) * (Number(settings.pedal) / 10) ** 2 * (Number(settings.volume) / 10) ** 2;
}

/** How loud it is through a use: its sound, and what is moved in it; a move takes its time. */
function levelsIn({ from, to, settings, moves }: SoundedUse): LevelAt[] {
  const moved = moves
    .filter(({ setting }) => LEVEL_SETTINGS.some((one) => one === setting))
    .toSorted((a, b) => a.from - b.from);
  let now: Settings = settings;
  const levels: LevelAt[] = [{ tick: from, gain: gainOf(now) }];
  for (const move of moved) {
    const before = now;
    now = { ...now, [move.setting]: move.value };
    const steps = Math.max(1, Math.ceil((move.to - move.from) / RAMP_TICKS));
    for (let step = 1; step <= steps; step++) {
      const share = step / steps;
      const tick = from + move.from + Math.round((move.to - move.from) * share);
      if (tick >= to) break;
      levels.push({ tick, gain: gainOf(between(before, now, move.setting, share)) });
    }
  }
  return levels;
}

/** Settings on the way of one of them. */
function between(before: Settings, after: Settings, setting: SoundMove["setting"], share: number): Settings {
  const [from, to] = [before[setting], after[setting]];
  if (typeof from !== "number" || typeof to !== "number") return after;
  return { ...after, [setting]: from + (to - from) * share };
}

/** Where the on–off row of a pattern lets sound through in one time through a section: 1 and 0 from each place on. */
export function gatesOf(
  { passage, cell }: PlayerPart["passages"][number],
  part: SheetPart,
  strum: Pick<StrumRow, "gate" | "anchor"> | undefined,
): LevelAt[] {
  const { pattern } = part;
  const end = passage.tick + passage.ticks;
  if (!strum || strum.gate.trim() === "" || !pattern || part.out || cell.strumId.value === null)
    return [{ tick: passage.tick, gain: 1 }];
  const gate = readGate(strum.gate, pattern);
  if (!gate.ok) return [{ tick: passage.tick, gain: 1 }];
  const origin = passage.tick + passage.section.pickup;
  const stretches =
    strum.anchor === "section"
      ? [{ from: origin, to: end }]
      : chordsHeard(passage).map(({ from, to }) => ({ from, to }));
  return stretches.flatMap(({ from, to }) => gated(gate.value, pattern, from, to));
}

function gated(gate: readonly boolean[], pattern: Pattern, from: Ticks, to: Ticks): LevelAt[] {
  const spans = gateSpans(gate, pattern);
  const length = ticksOfPattern(pattern);
  const levels: LevelAt[] = [];
  for (let round = from; round < to; round += length) {
    if (spans[0]?.from !== 0) levels.push({ tick: round, gain: 0 });
    for (const span of spans) {
      levels.push({ tick: round + span.from, gain: 1 });
      if (span.to < length) levels.push({ tick: round + span.to, gain: 0 });
    }
  }
  return [...levels.filter(({ tick }) => tick < to), { tick: to, gain: 1 }];
}

/** Two courses of loudness as one: what is as loud as before is not told again. */
function timesOf(one: readonly LevelAt[], other: readonly LevelAt[]): LevelAt[] {
  // Of what is told at one place the last is right.
  const courses = [one, other].map((list) => new Map(list.map(({ tick, gain }) => [tick, gain])));
  const ticks = [...new Set(courses.flatMap((course) => [...course.keys()]))].sort((a, b) => a - b);
  const now = courses.map(() => 1);
  const levels: LevelAt[] = [];
  for (const tick of ticks) {
    for (const [at, course] of courses.entries()) now[at] = course.get(tick) ?? now[at]!;
    const gain = now[0]! * now[1]!;
    if (gain !== (levels.at(-1)?.gain ?? 1)) levels.push({ tick, gain });
  }
  return levels;
}
