import { groupBy, type Midi } from "@/base";
import type { Onset } from "@/core/playing";
import { VOICES, type VoiceName } from "./voices";

/** Somebody's sounds, and the voice they have. */
export type SoundPart = { readonly voice: VoiceName; readonly onsets: readonly Onset[] };

/** What a synthesizer is told, and when. */
export type SoundEvent =
  | {
      readonly ms: number;
      readonly type: "on";
      readonly channel: number;
      readonly key: Midi;
      readonly velocity: number;
    }
  | { readonly ms: number; readonly type: "off"; readonly channel: number; readonly key: Midi };

/** Which program each channel has. */
export type SoundScore = {
  readonly programs: readonly { readonly channel: number; readonly program: number }[];
  readonly events: readonly SoundEvent[];
};

/** Channels that are not the kit's: each part takes one, and one more for damped strings where it has any. */
const CHANNELS = Object.freeze([0, 1, 2, 3, 4, 5, 6, 7, 8, 10, 11, 12, 13, 14, 15]);
/** A damped string is heard as a short muted note down there. Ours, no source. */
const DEAD_KEY = 45;

/**
 * Parts as a synthesizer is told them. A pitch that two strings of a part sound at once ends with the later of them.
 * @throws when there are more parts than a synthesizer has channels
 */
export function soundScore(parts: readonly SoundPart[]): SoundScore {
  const free = [...CHANNELS];
  const take = (): number => {
    const channel = free.shift();
    if (channel === undefined) throw new Error(`Expected parts for at most ${CHANNELS.length} channels.`);
    return channel;
  };
  const programs: { channel: number; program: number }[] = [];
  const events: SoundEvent[] = [];
  for (const { voice, onsets } of parts) {
    const channel = take();
    programs.push({ channel, program: VOICES[voice].program });
    const dead = onsets.filter(({ pitch }) => pitch === null);
    events.push(...eventsOn(channel, onsets.flatMap(sounding)));
    if (dead.length === 0) continue;
    const damped = take();
    programs.push({ channel: damped, program: VOICES.muted.program });
    events.push(...eventsOn(damped, onePerMoment(dead)));
  }
  return { programs, events: events.sort((a, b) => a.ms - b.ms || ENDS_FIRST[a.type] - ENDS_FIRST[b.type]) };
}

const ENDS_FIRST = { off: 0, on: 1 } as const;

type Sounding = Pick<Onset, "ms" | "lastsMs" | "velocity"> & { readonly key: Midi };

const sounding = ({ ms, lastsMs, velocity, pitch }: Onset): Sounding[] =>
  pitch === null ? [] : [{ ms, lastsMs, velocity, key: pitch }];

/** Strings damped by one hand in one stroke are one sound. */
function onePerMoment(dead: readonly Onset[]): Sounding[] {
  const found: Sounding[] = [];
  for (const { ms, lastsMs, velocity } of dead) {
    const before = found.at(-1);
    if (before && ms < before.ms + before.lastsMs) continue;
    found.push({ ms, lastsMs, velocity, key: DEAD_KEY });
  }
  return found;
}

/** Notes begun and ended: one that others still hold is not ended. */
function eventsOn(channel: number, notes: readonly Sounding[]): SoundEvent[] {
  const byKey = groupBy(notes, ({ key }) => String(key));
  return [...byKey.values()].flatMap((same) => {
    const { key } = same[0]!;
    const inOrder = same.toSorted((a, b) => a.ms - b.ms);
    let until = Number.NEGATIVE_INFINITY;
    return inOrder.flatMap(({ ms, lastsMs, velocity }, at): SoundEvent[] => {
      until = Math.max(until, ms + lastsMs);
      const next = inOrder[at + 1];
      const ends: SoundEvent[] = next && next.ms < until ? [] : [{ ms: until, type: "off", channel, key }];
      return [{ ms, type: "on", channel, key, velocity }, ...ends];
    });
  });
}

/** Each note of a score, and how long it is held. */
export function notesOf({
  events,
}: SoundScore): { readonly key: Midi; readonly ms: number; readonly lastsMs: number }[] {
  return events.flatMap((event, at) => {
    if (event.type === "off") return [];
    const { channel, key, ms } = event;
    const end = events
      .slice(at + 1)
      .find((other) => other.type === "off" && other.channel === channel && other.key === key);
    return end ? [{ key, ms, lastsMs: end.ms - ms }] : [];
  });
}

/** How long a score is, ms. */
export const lengthOf = ({ events }: SoundScore): number => events.at(-1)?.ms ?? 0;
