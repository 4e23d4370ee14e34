import { groupBy, type Midi } from "@/base";
import type { Bend, Onset } from "@/core/playing";
import { channelsFor, type PartChannels, type PartVoice, type SoundChannel } from "./channels";

/** Something without pitch that is struck: a key of the kit. */
export type Hit = { readonly ms: number; readonly key: Midi; readonly velocity: number };

/** Somebody's sounds: of chords and keys, of a line, of drums. */
export type PartSounds = {
  readonly onsets: readonly Onset[];
  readonly line?: readonly Onset[];
  readonly hits?: readonly Hit[];
  /** How loud it is from place to place, where that changes: 1 is as it is played. */
  readonly levels?: readonly Level[];
};

type Level = { readonly ms: number; readonly gain: number };

/** Somebody's sounds, and the voice they have. */
export type SoundPart = PartSounds & { readonly voice: PartVoice };

/** What a synthesizer is told, and when. */
export type SoundEvent =
  | {
      readonly ms: number;
      readonly type: "on";
      readonly channel: number;
      readonly key: Midi;
      readonly velocity: number;
    }
  | {
      readonly ms: number;
      readonly type: "off";
      readonly channel: number;
      readonly key: Midi;
      /** When what it ends was begun: it ends nothing that was begun since. */
      readonly of: number;
    }
  | {
      readonly ms: number;
      readonly type: "bend";
      readonly channel: number;
      readonly key: Midi;
      readonly semitones: number;
    }
  | {
      readonly ms: number;
      /** How loud the channel is from here on: 1 is as it is played. */
      readonly type: "level";
      readonly channel: number;
      readonly gain: number;
    };

/** What sounds, on which channels. */
export type SoundScore = {
  readonly channels: readonly SoundChannel[];
  readonly events: readonly SoundEvent[];
};

/** A damped string is heard as a short muted note down there. Ours, no source. */
const DEAD_KEY = 45;
/** A drum is ended so long after it is struck, ms: it rings as it likes. */
const HIT_MS = 100;
/** A bend is told in steps of so many ms. */
const BEND_STEP_MS = 8;

/**
 * Parts as a synthesizer is told them.
 * @example soundScore([{ voice: "steel", onsets }]).events[0] // => { ms: 0, type: "on", channel: 0, key: 43, velocity: 85 }
 */
export function soundScore(parts: readonly SoundPart[]): SoundScore {
  const { parts: places, channels } = channelsFor(parts.map(({ voice }) => voice));
  const events = inTime(parts.flatMap((part, at) => eventsOf(places[at]!, part)));
  return {
    channels: withLoudest(
      channels,
      parts.map(({ levels }) => levels ?? []),
    ),
    events,
  };
}

/** What a synthesizer is told of a part. A pitch that two strings of it sound at once ends with the later of them. */
export function eventsOf(
  { main, line, damped }: PartChannels,
  { onsets, line: lined = [], hits = [], levels = [] }: PartSounds,
): SoundEvent[] {
  const dead = [...onsets, ...lined].filter(({ pitch }) => pitch === null);
  return [
    ...levels.flatMap(({ ms, gain }) =>
      [...new Set([main, line, damped])].map((channel): SoundEvent => ({ ms, type: "level", channel, gain })),
    ),
    ...eventsOn(main, onsets.flatMap(sounding)),
    ...eventsOn(line, lined.flatMap(sounding)),
    ...eventsOn(damped, onePerMoment(dead)),
    ...eventsOn(
      main,
      hits.map((hit) => ({ ...hit, lastsMs: HIT_MS })),
    ),
  ];
}

const ORDER = { off: 0, level: 1, bend: 2, on: 3 } as const;

/** In the order of time, what ends before what begins. */
export const inTime = (events: readonly SoundEvent[]): SoundEvent[] =>
  events.toSorted((a, b) => a.ms - b.ms || ORDER[a.type] - ORDER[b.type]);

type Sounding = Pick<Onset, "ms" | "lastsMs" | "velocity" | "bends"> & { readonly key: Midi };

const sounding = ({ pitch, ...onset }: Onset): Sounding[] =>
  pitch === null ? [] : [{ ...onset, key: pitch }];

/** Strings damped by one hand in one stroke are one sound. */
function onePerMoment(dead: readonly Onset[]): Sounding[] {
  const found: Sounding[] = [];
  for (const { ms, lastsMs, velocity } of dead.toSorted((a, b) => a.ms - b.ms)) {
    const before = found.at(-1);
    if (before && ms < before.ms + before.lastsMs) continue;
    found.push({ ms, lastsMs, velocity, key: DEAD_KEY });
  }
  return found;
}

/** Notes begun, bent and ended: one that others still hold is not ended. */
function eventsOn(channel: number, notes: readonly Sounding[]): SoundEvent[] {
  const byKey = groupBy(notes, ({ key }) => String(key));
  return [...byKey.values()].flatMap((same) => {
    const { key } = same[0]!;
    const inOrder = same.toSorted((a, b) => a.ms - b.ms);
    let until = Number.NEGATIVE_INFINITY;
    return inOrder.flatMap(({ ms, lastsMs, velocity, bends }, at): SoundEvent[] => {
      until = Math.max(until, ms + lastsMs);
      const next = inOrder[at + 1];
      const ends: SoundEvent[] =
        next && next.ms < until ? [] : [{ ms: until, type: "off", channel, key, of: ms }];
      const bent = stepsOf(bends ?? [], Math.min(lastsMs, (next?.ms ?? Number.POSITIVE_INFINITY) - ms)).map(
        (step): SoundEvent => ({
          ms: ms + step.ms,
          type: "bend",
          channel,
          key,
          semitones: step.semitones,
        }),
      );
      return [{ ms, type: "on", channel, key, velocity }, ...bent, ...ends];
    });
  });
}

/** A bend in small steps, as far as its note goes. */
function stepsOf(bends: readonly Bend[], lastsMs: number): Bend[] {
  const steps: Bend[] = [];
  for (const [at, to] of bends.entries()) {
    const from = bends[at - 1] ?? { ms: to.ms, semitones: to.semitones };
    const count = Math.max(1, Math.ceil((to.ms - from.ms) / BEND_STEP_MS));
    for (let step = 1; step <= count; step++) {
      const share = step / count;
      const ms = from.ms + (to.ms - from.ms) * share;
      if (ms < lastsMs)
        steps.push({ ms, semitones: from.semitones + (to.semitones - from.semitones) * share });
    }
  }
  return steps;
}

/** Each note of a score, and how long it is held. */
export function notesOf(
  events: readonly SoundEvent[],
): { readonly key: Midi; readonly channel: number; readonly ms: number; readonly lastsMs: number }[] {
  return events.flatMap((event, at) => {
    if (event.type !== "on") return [];
    const { channel, key, ms } = event;
    const end = events
      .slice(at + 1)
      .find((other) => other.type === "off" && other.channel === channel && other.key === key);
    return end ? [{ key, channel, ms, lastsMs: end.ms - ms }] : [];
  });
}

/** The most a channel is raised, of what a synthesizer can still give. */
const MOST_LOUD = 1.6;

/** Channels of parts that get louder than they are played: their synthesizer leaves room for it. */
export const withLoudest = (
  channels: readonly SoundChannel[],
  levels: readonly (readonly Pick<Level, "gain">[])[],
): readonly SoundChannel[] =>
  channels.map((channel) => {
    const loudest = Math.min(MOST_LOUD, Math.max(1, ...(levels[channel.part] ?? []).map(({ gain }) => gain)));
    return loudest > 1 ? { ...channel, loudest } : channel;
  });

/** How long a score is, ms. */
export const lengthOf = ({ events }: Pick<SoundScore, "events">): number => events.at(-1)?.ms ?? 0;
