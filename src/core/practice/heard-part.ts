import type { Midi, Ticks } from "../../base";
import type { SoundingChord } from "../chord";
import {
  type ChordHeard,
  chordsHeard,
  closeVoicing,
  isOnlyLine,
  isOnRoots,
  lineStrokes,
  type PlayerPart,
  patternOfPart,
  playedNotes,
  playedStrokes,
  type SheetPart,
  silenceOf,
  soundingChord,
} from "../parts";
import { pitchClassOf, pitchFrom } from "../pitch";
import {
  type DrumHit,
  type HeldShape,
  type TimedNote,
  type TimedPart,
  type TimedStroke,
  timedNote,
  withChoke,
} from "../playing";
import { PLAIN_WEIGHT, type Stroke } from "../rhythm";
import { barsIn, hasStrings, neckOfRiff, tuningOf } from "../song/read";
import type { Player } from "../song/schema";
import { grooveOf } from "./groove";
import type { HeardSound } from "./heard-sound";

/** Everything one player sounds in a song, or one layer of a looper, in ticks from its begin. */
export type HeardPart = TimedPart & {
  readonly player: Pick<Player, "id" | "name" | "instrument"> & {
    /** Whether they play through a box of sounds: then it is an electric guitar, as far as is known. */
    readonly plugged: boolean;
    /** Whether it is no player, but goes round on a looper. */
    readonly isLoop?: true;
  };
  /** What their sounds make of it, where that is anything. */
  readonly sound?: HeardSound;
};

/** How loud each level of light is beside the usual: out, ember, low, bright, full. Ours, no source. */
const LOUD = Object.freeze([0, 0.6, 0.8, 1, 1.2]);
/** The lowest string of a bass, where nothing else is known of its register. */
const BASS_LOW: Midi = 28;

type PartPassage = PlayerPart["passages"][number];

/**
 * What a player sounds in every time through every section: shapes in their strums, lines in tab, the root of each chord on a bass,
 * close chords on keys, a plain groove on drums; nothing where they are silent.
 * @param partOf the player's part at a use
 * @param anchorOf where a pattern begins again
 */
export function heardPart(
  { player, passages }: PlayerPart,
  partOf: (useId: string) => SheetPart | undefined,
  anchorOf: (strumId: string | null) => "chord" | "section",
  plugged = false,
): HeardPart {
  const heard = passages.map((one): TimedPart => {
    const part = partOf(one.passage.use.id);
    return part && !part.out ? heardIn(one, part, anchorOf(part.cell.strumId.value)) : NOTHING;
  });
  const { id, name, instrument } = player;
  return {
    player: { id, name, instrument, plugged },
    strokes: heard.flatMap(({ strokes }) => strokes),
    notes: heard.flatMap(({ notes }) => notes),
    drums: heard.flatMap(({ drums }) => drums),
  };
}

const NOTHING: TimedPart = Object.freeze({ strokes: [], notes: [], drums: [] });

function heardIn(one: PartPassage, part: SheetPart, anchor: "chord" | "section"): TimedPart {
  const { passage, cell } = one;
  if (passage.tacet) return NOTHING;
  const silent = silenceOf(cell, passage);
  const isSilent = (tick: Ticks): boolean => silent(tick, tick + 1);
  const loud = LOUD[cell.light.value] ?? 1;
  const strokes = strokesIn(one, part, anchor).filter(({ tick }) => !isSilent(tick));
  return {
    strokes: strokes.map((stroke) => ({ ...stroke, loud })),
    notes: notesIn(one, part, isSilent).map((note) => ({ ...note, loud })),
    drums: drumsIn(one, part)
      .filter(({ tick }) => !isSilent(tick))
      .map((hit) => ({ ...hit, loud })),
  };
}

function strokesIn(one: PartPassage, part: SheetPart, anchor: "chord" | "section"): TimedStroke[] {
  const { player } = part;
  if (player.instrument === "drums" || isOnlyLine(part)) return [];
  const heard = chordsHeard(one.passage);
  if (hasStrings(player)) return struckIn(one, part, heard, anchor);
  return player.instrument === "voice" ? heldTones(one, part, heard) : onKeys(one, part, heard);
}

const soundOf = (one: PartPassage, { symbol }: ChordHeard): SoundingChord | null =>
  soundingChord(one.chords.get(symbol)?.sounding ?? symbol);

const once = (weight = PLAIN_WEIGHT): Stroke => ({ kind: "down", weight });

/** Shapes, or the roots of a bass, in the strokes of their pattern; once a chord where nothing is said of them. */
function struckIn(
  one: PartPassage,
  part: SheetPart,
  heard: readonly ChordHeard[],
  anchor: "chord" | "section",
): TimedStroke[] {
  const { passage } = one;
  const usual = part.pattern === null ? patternOfPart(part, passage.meter) : null;
  const strokes =
    part.pattern !== null
      ? playedStrokes(part, passage, anchor)
      : usual
        ? playedStrokes({ pattern: usual, out: false }, passage, "section")
        : heard.map(({ from, to }) => ({ tick: from, until: to, stroke: once() }));
  return strokes.flatMap(({ tick, until, stroke }, at): TimedStroke[] => {
    const chord = heard.findLast(({ from }) => from <= tick);
    if (!chord) return [];
    const next = strokes[at + 1]?.tick ?? chord.to;
    const struck = { tick, until: chord.to, stroke, ...handOn(one, part, chord) };
    return withChoke(struck, until, next);
  });
}

/** What the hand holds for a chord: its shape; where none can be held, its lowest note. */
function handOn(
  one: PartPassage,
  { player, cell, low }: SheetPart,
  chord: ChordHeard,
): { readonly held: HeldShape | null; readonly notes: readonly Midi[] } {
  const shape = one.held.get(chord.event);
  if (shape)
    return {
      held: { frets: shape.frets, tuning: tuningOf(player), capo: cell.capo.value },
      notes: [],
    };
  const sounds = soundOf(one, chord);
  if (!sounds) return { held: null, notes: [] };
  return { held: null, notes: [pitchFrom(low ?? BASS_LOW, pitchClassOf(sounds.bass ?? sounds.root))] };
}

/** Close chords on keys at the places of their way of playing, and wherever the chord changes; broken ones a tone at a time. */
function onKeys(one: PartPassage, part: SheetPart, heard: readonly ChordHeard[]): TimedStroke[] {
  const { low, cell, technique, onsets } = part;
  if (low === null) return [];
  const bars = barsIn(one.passage);
  return heard.flatMap((chord): TimedStroke[] => {
    const sounds = soundOf(one, chord);
    if (!sounds) return [];
    const tones =
      cell.role.value === "bass"
        ? [pitchFrom(low, pitchClassOf(sounds.bass ?? sounds.root))]
        : closeVoicing(sounds, low);
    const inBars = bars.flatMap(({ tick }) => onsets.map((onset) => tick + onset));
    const inside = inBars.filter((tick) => tick > chord.from && tick < chord.to);
    const places = technique?.grid === "offbeats" && inside.length > 0 ? inside : [chord.from, ...inside];
    return places.map((tick, at): TimedStroke => {
      const until = places[at + 1] ?? chord.to;
      const isBroken = cell.technique.value === "broken";
      const notes = isBroken ? [tones[at % tones.length]!] : tones;
      return { tick, until, stroke: once(), held: null, notes };
    });
  });
}

/** A second voice: a tone of each chord, held, as near to the middle of its register as can be. */
function heldTones(one: PartPassage, { low, high }: SheetPart, heard: readonly ChordHeard[]): TimedStroke[] {
  if (low === null || high === null || !one.passage.vocals) return [];
  const middle = (low + high) / 2;
  return heard.flatMap((chord): TimedStroke[] => {
    const sounds = soundOf(one, chord);
    if (!sounds) return [];
    const tones = closeVoicing(sounds, Math.max(0, Math.round(middle) - 6));
    const [near] = tones.toSorted((a, b) => Math.abs(a - middle) - Math.abs(b - middle));
    return near === undefined
      ? []
      : [{ tick: chord.from, until: chord.to, stroke: once(), held: null, notes: [near] }];
  });
}

function notesIn(
  { passage, cell }: PartPassage,
  { riff, notes }: SheetPart,
  isSilent: (tick: Ticks) => boolean,
): TimedNote[] {
  if (!riff || notes.length === 0) return [];
  const neck = neckOfRiff(riff);
  const played = playedNotes(notes, riff.ticks, passage, isSilent, cell, isOnRoots(riff));
  // The hand swings by the bars, and a pickup lies before the first.
  const byBars = played.map((note) => ({ ...note, tick: note.tick - passage.section.pickup }));
  const strokes = lineStrokes(riff, byBars, passage.meter);
  const end = passage.tick + passage.ticks;
  return played
    .map((note, at): TimedNote => {
      const tick = passage.tick + note.tick;
      const ticks = Math.min(note.ticks, end - tick);
      return timedNote(note, { tick, ticks, stroke: strokes[at] ?? null, neck });
    })
    .sort((a, b) => a.tick - b.tick || a.string - b.string);
}

function drumsIn({ passage, cell }: PartPassage, { player }: SheetPart): DrumHit[] {
  if (player.instrument !== "drums") return [];
  const groove = grooveOf(cell.technique.value, passage.meter);
  return barsIn(passage).flatMap(({ tick, ticks }) =>
    groove.flatMap((hit) => (hit.tick < ticks ? [{ ...hit, tick: tick + hit.tick }] : [])),
  );
}
