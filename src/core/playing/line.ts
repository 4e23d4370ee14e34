import { heardPitch, type LineNeck, type NoteArt, stoppedPitch } from "../fretboard";
import type { Weight } from "../rhythm";
import type { Bend, Onset } from "./onset";
import { type Act, ringing } from "./ringing";
import { DEAD_MS, velocityOf } from "./strokes";

/** A note of a line at its moment. */
export type NoteAt = {
  readonly ms: number;
  readonly lastsMs: number;
  /** Counted from the player's face. */
  readonly string: number;
  /** From the capo. */
  readonly fret: number;
  readonly art: NoteArt;
  /** Quarter tones it is bent up. */
  readonly bend: number;
  /** Left to ring past its time: until its string is struck again. */
  readonly ring: boolean;
  /** Cut short. */
  readonly short: boolean;
  readonly weight: Weight;
  readonly stroke: "down" | "up" | null;
  readonly neck: LineNeck;
  /** How much louder or softer than usual: 1 is as usual. */
  readonly loud?: number;
};

/** What is not plucked is so much softer. Ours, no source. */
const UNPLUCKED = 0.75;
/** A note cut short is heard for this share of its time. Ours, no source. */
const SHORT_SHARE = 0.45;
/** A bend is up after so long, and a slide takes so long, ms; at most half of their note. Ours, no source. */
const BEND_MS = 140;
const SLIDE_MS = 90;
/** A note left to ring dies away by itself, ms. */
const RINGS_MS = 8000;

const isPlucked = (art: NoteArt): boolean => art === "plain" || art === "dead";

/**
 * What sounds of a line in tab: hammered, pulled and slid notes go on from the note before on their string, softer; a slide glides
 * there first, a bend rises to its pitch; dead notes have none.
 * @param notes in order of time
 * @example playLine([{ ms: 0, lastsMs: 400, string: 1, fret: 3, art: "plain", … }])[0].pitch // => 48
 */
export function playLine(notes: readonly NoteAt[]): Onset[] {
  const slidTo = slides(notes);
  return ringing(
    notes.flatMap((note, at): Act[] => {
      const { ms, lastsMs, string, neck, art, bend } = note;
      const stopped = stoppedPitch(note, neck);
      if (stopped === null) return [];
      const isDead = heardPitch(note, neck) === null;
      const length = note.short ? lastsMs * SHORT_SHARE : note.ring ? RINGS_MS : lastsMs;
      const bends = [
        ...(bend > 0 && !isDead ? rise(bend / 2, Math.min(BEND_MS, lastsMs / 2)) : []),
        ...glide(slidTo.get(at), note, bend),
      ];
      return [
        {
          type: "strike",
          voice: `string ${string}`,
          ms,
          until: ms + (isDead ? Math.min(DEAD_MS, length) : length),
          pitch: isDead ? null : stopped,
          string,
          velocity: velocityOf(note.weight, (note.loud ?? 1) * (isPlucked(art) ? 1 : UNPLUCKED)),
          stroke: isDead ? "dead" : isPlucked(art) ? (note.stroke ?? "pluck") : null,
          ...(bends.length > 0 ? { bends } : {}),
        },
      ];
    }),
  );
}

/** By the place of a note, the note on its string that is slid to from it. */
function slides(notes: readonly NoteAt[]): ReadonlyMap<number, NoteAt> {
  const last = new Map<number, number>();
  const found = new Map<number, NoteAt>();
  for (const [at, note] of notes.entries()) {
    const before = last.get(note.string);
    if (note.art === "slide" && before !== undefined && notes[before]!.art !== "dead")
      found.set(before, note);
    last.set(note.string, at);
  }
  return found;
}

const rise = (semitones: number, ms: number): Bend[] => [
  { ms: 0, semitones: 0 },
  { ms, semitones },
];

/** How a note glides to the one it is slid from it to; that one's own bend is not reached yet. */
function glide(to: NoteAt | undefined, from: NoteAt, bend: number): Bend[] {
  if (!to) return [];
  const end = to.ms - from.ms;
  const ms = Math.min(SLIDE_MS, end / 2);
  const semitones = (stoppedPitch(to, to.neck) ?? 0) - (stoppedPitch(from, from.neck) ?? 0);
  return [
    { ms: end - ms, semitones: bend / 2 },
    { ms: end, semitones },
  ];
}
