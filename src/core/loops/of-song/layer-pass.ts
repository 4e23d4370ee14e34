import type { Midi, Ticks } from "../../../base";
import { closeVoicing, lineStrokes, patternOfRow } from "../../parts";
import { pitchClassOf, pitchFrom } from "../../pitch";
import {
  type DrumHit,
  type HeldShape,
  type TimedNote,
  type TimedPart,
  type TimedStroke,
  timedNote,
  withChoke,
} from "../../playing";
import { fitPattern, isOnset, PLAIN_WEIGHT, type Stroke } from "../../rhythm";
import { meterOf, neckOfRiff, notesOfRiff } from "../../song/read";
import type { LayerSound, LoopLayerRow, VersionBody } from "../../song/schema";
import { amplitudeOf } from "../box/levels";
import type { LoopLayer } from "../loop-case";

/** Lowest notes of what has no shape, MIDI. Ours, no source. */
const LOWEST: Readonly<Record<"chords" | "bass" | "voice", Midi>> = Object.freeze({
  chords: 52,
  bass: 40,
  voice: 57,
});
/** A layer at this peak is as loud as a player, dBFS: it is what a new layer has. */
const AS_PLAYED = -12;

/** A chord of a pass; null where none is known: then one tone stands for it. */
type Span = {
  readonly tick: Ticks;
  readonly ticks: Ticks;
  readonly chord: LoopLayer["progression"][number]["chord"] | null;
  readonly symbol: string | null;
};

/**
 * What a layer sounds in one pass, in ticks from its begin: shapes as the player holds them in the layer's pattern, its line in
 * tab, roots of a bass, a held tone of a voice, or knocks. Without a pattern a strum stands on each beat, chords where they
 * change; a thump stands on the first beat (of four or more on the middle one too), a clap on the others, a chop between them.
 * @param layer the layer as it is planned, its chords named as they sound
 * @param shapes what the player holds, by the chord as it is written
 */
export function layerPass(
  body: VersionBody,
  row: LoopLayerRow,
  layer: LoopLayer,
  { beatTicks, barTicks }: { readonly beatTicks: Ticks; readonly barTicks: Ticks },
  shapes: ReadonlyMap<string, HeldShape>,
): TimedPart {
  const length = layer.bars * barTicks;
  const plays = row.pitch === "damped" ? "chop" : row.plays;
  const loud = amplitudeOf(row.level) / amplitudeOf(AS_PLAYED);
  const notes = plays === "line" ? lineOf(body, row, length) : [];
  const drums = isDrum(plays) ? drumsOf(body, row, plays, length, beatTicks, barTicks) : [];
  const strokes =
    notes.length > 0 || drums.length > 0
      ? []
      : strokesOf(body, row, plays, spansOf(row, layer, length, beatTicks), beatTicks, shapes);
  return {
    strokes: strokes.map((stroke) => ({ ...stroke, loud })),
    notes: notes.map((note) => ({ ...note, loud })),
    drums: drums.map((hit) => ({ ...hit, loud })),
  };
}

type DrumSound = "thump" | "clap";
const isDrum = (plays: LayerSound): plays is DrumSound => plays === "thump" || plays === "clap";

/** The chords of a pass one after the other; of a box with one length for all they come round. */
function spansOf(row: LoopLayerRow, { progression }: LoopLayer, length: Ticks, beatTicks: Ticks): Span[] {
  if (progression.length === 0) return [{ tick: 0, ticks: length, chord: null, symbol: null }];
  let tick = 0;
  return progression.map(({ chord, beats }, at): Span => {
    const ticks = beats * beatTicks;
    const span = { tick, ticks, chord, symbol: row.chords[at % row.chords.length]?.symbol ?? null };
    tick += ticks;
    return span;
  });
}

const once: Stroke = Object.freeze({ kind: "down", weight: PLAIN_WEIGHT });

/** What is struck, and until when: in the layer's pattern, or at the places its way of playing has by itself. */
function placesOf(
  body: VersionBody,
  row: LoopLayerRow,
  plays: LayerSound,
  spans: readonly Span[],
  beatTicks: Ticks,
): { readonly tick: Ticks; readonly until: Ticks; readonly stroke: Stroke }[] {
  const strum = row.strumId ? body.strums[row.strumId] : undefined;
  const pattern = strum && plays !== "voice" ? patternOfRow(strum) : null;
  const end = (spans.at(-1)?.tick ?? 0) + (spans.at(-1)?.ticks ?? 0);
  if (pattern && strum) return fitPattern(pattern, spans, strum.anchor);
  if (plays === "chords" || plays === "voice")
    return spans.map(({ tick, ticks }) => ({ tick, until: tick + ticks, stroke: once }));
  const later = plays === "chop" ? beatTicks / 2 : 0;
  return Array.from({ length: Math.ceil(end / beatTicks) }, (_, beat) => {
    const tick = beat * beatTicks + later;
    return { tick, until: Math.min(end, tick + beatTicks), stroke: once };
  }).filter(({ tick }) => tick < end);
}

function strokesOf(
  body: VersionBody,
  row: LoopLayerRow,
  plays: LayerSound,
  spans: readonly Span[],
  beatTicks: Ticks,
  shapes: ReadonlyMap<string, HeldShape>,
): TimedStroke[] {
  const places = placesOf(body, row, plays, spans, beatTicks);
  return places.flatMap(({ tick, until, stroke }, at): TimedStroke[] => {
    const span = spans.findLast((one) => one.tick <= tick);
    if (!span) return [];
    const to = span.tick + span.ticks;
    const next = places[at + 1]?.tick ?? to;
    const hand = plays === "chop" ? DAMPED : handOn(plays, span, shapes);
    if (!hand) return [];
    const isDead = plays === "chop" && isOnset(stroke);
    const struck: TimedStroke = { tick, until: to, stroke: isDead ? { kind: "dead" } : stroke, ...hand };
    return withChoke(struck, until, next);
  });
}

type Hand = Pick<TimedStroke, "held" | "notes">;
/** Damped strings have no pitch: which is written does not matter. */
const DAMPED: Hand = Object.freeze({ held: null, notes: [LOWEST.chords] });

/** What is held for a chord; null where nothing sounds. */
function handOn(
  plays: LayerSound,
  { chord, symbol }: Span,
  shapes: ReadonlyMap<string, HeldShape>,
): Hand | null {
  if (chord && chord.kind === "none") return null;
  const root = chord ? pitchClassOf(chord.root) : 0;
  if (plays === "thumb bass") {
    const bass = chord?.bass ? pitchClassOf(chord.bass) : root;
    return { held: null, notes: [pitchFrom(LOWEST.bass, bass)] };
  }
  if (plays === "voice" || plays === "line" || !chord)
    return {
      held: null,
      notes: [pitchFrom(plays === "voice" || plays === "line" ? LOWEST.voice : LOWEST.chords, root)],
    };
  const held = symbol === null ? undefined : shapes.get(symbol);
  return held ? { held, notes: [] } : { held: null, notes: closeVoicing(chord, LOWEST.chords) };
}

/** The layer's line, again and again until the pass is full. */
function lineOf(body: VersionBody, { riffId }: LoopLayerRow, length: Ticks): TimedNote[] {
  const riff = riffId ? body.riffs[riffId] : undefined;
  if (!riff || riff.ticks <= 0) return [];
  const neck = neckOfRiff(riff);
  const notes = notesOfRiff(body, riff.id);
  const strokes = lineStrokes(riff, notes, meterOf(body));
  return Array.from({ length: Math.ceil(length / riff.ticks) }, (_, round) =>
    notes.map((note, at): TimedNote => {
      const tick = round * riff.ticks + note.tick;
      const ticks = Math.min(note.ticks, length - tick);
      return timedNote(note, { tick, ticks, stroke: strokes[at] ?? null, neck });
    }),
  )
    .flat()
    .filter(({ tick }) => tick < length)
    .sort((a, b) => a.tick - b.tick || a.string - b.string);
}

/** Knocks on the body of an instrument, in the layer's pattern where it has one. */
function drumsOf(
  body: VersionBody,
  row: LoopLayerRow,
  plays: DrumSound,
  length: Ticks,
  beatTicks: Ticks,
  barTicks: Ticks,
): DrumHit[] {
  const drum = plays === "thump" ? "low" : "high";
  const strum = row.strumId ? body.strums[row.strumId] : undefined;
  const pattern = strum ? patternOfRow(strum) : null;
  if (pattern)
    return fitPattern(pattern, [{ tick: 0, ticks: length }], "section").flatMap(({ tick, stroke }) =>
      isOnset(stroke) ? [{ tick, drum, weight: PLAIN_WEIGHT }] : [],
    );
  const beats = barTicks / beatTicks;
  const isStrong = (beat: number): boolean =>
    beat % beats === 0 || (beats >= 4 && beats % 2 === 0 && beat % beats === beats / 2);
  return Array.from({ length: Math.round(length / beatTicks) }, (_, beat) => beat).flatMap((beat) =>
    isStrong(beat) === (plays === "thump") ? [{ tick: beat * beatTicks, drum, weight: PLAIN_WEIGHT }] : [],
  );
}
