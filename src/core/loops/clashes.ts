import { type Chord, clashesWith, pitchClassesOf, type SoundingChord } from "../chord";
import { formatNoteName, type Key, nameOfPitchClass, pitchClassOf, signatureOf } from "../pitch";
import type { ChordBeats, LoopCase, LoopLayer } from "./loop-case";
import { runsOf, sectionBeats } from "./spans";
import type { LoopWay } from "./way";

/** A pitched layer against the chords of a section; beats from the first of the section, counted from 0. */
export type Clash = {
  readonly layer: string;
  readonly section: string;
  readonly beats: readonly number[];
  readonly why: string;
};

/** A loop that is stopped in the middle of a pass: at which of its bars, counted from 0. */
export type Cut = { readonly layer: string; readonly section: string; readonly bar: number };

const isSame = (a: number, b: number) => Math.abs(a - b) < 1e-6;

/**
 * Why two chords clash, or null: a tone of the loop's chord that is not in the other and lies a semitone from one of its
 * tones (a seventh of the key over its own chord is left in peace), or other roots with fewer than two shared tones.
 * @example clashOfChords(A, Dm, D minor) // => "C# of A lies a semitone from a tone of Dm"
 */
export function clashOfChords(loop: Chord, chord: Chord, key: Key | null): string | null {
  if (loop.kind === "none" || chord.kind === "none") return null;
  const [grating] = clashesWith(pitchClassesOf(loop), chord, key);
  if (grating !== undefined)
    return `${nameOf(grating, loop, key)} of ${loop.symbol} lies a semitone from a tone of ${chord.symbol}`;
  if (pitchClassOf(loop.root) === pitchClassOf(chord.root)) return null;
  const tones = pitchClassesOf(chord);
  const shared = pitchClassesOf(loop).filter((tone) => tones.includes(tone)).length;
  if (shared >= 2) return null;
  return `${loop.symbol} and ${chord.symbol} share ${shared === 0 ? "no tone" : "one tone only"}`;
}

const nameOf = (pitchClass: number, chord: SoundingChord, key: Key | null): string =>
  formatNoteName(nameOfPitchClass(pitchClass, key ? signatureOf(key) + 2 : chord.root + 2));

/** The chords that sound in `[from, to)` of a list, beats from its start. */
function chordsWithin(chords: readonly ChordBeats[], from: number, to: number): Chord[] {
  const found: Chord[] = [];
  let beat = 0;
  for (const { chord, beats } of chords) {
    const end = beat + beats;
    if (beat < to - 1e-6 && end > from + 1e-6) found.push(chord);
    beat = end;
  }
  return found;
}

/** The parts of `[from, to)` of a song in which a loop that started at `start` does not come round. */
function loopParts(start: number, length: number, from: number, to: number): (readonly [number, number])[] {
  const parts: (readonly [number, number])[] = [];
  let at = from - start;
  const end = to - start;
  while (at < end - 1e-6) {
    const pass = Math.floor(at / length + 1e-9) * length;
    const until = Math.min(end, pass + length);
    parts.push([at - pass, until - pass]);
    at = until;
  }
  return parts;
}

/** The reason of each pair of chords is worked out once. */
function rememberedClash(key: Key | null) {
  const known = new Map<string, string | null>();
  return (loop: Chord, chord: Chord): string | null => {
    const pair = `${loop.symbol}\n${chord.symbol}`;
    const before = known.get(pair);
    if (before !== undefined) return before;
    const why = clashOfChords(loop, chord, key);
    known.set(pair, why);
    return why;
  };
}

/** Every section in which a pitched layer sounds against other chords, in the order of sections, then layers. */
export function clashesOf(asked: LoopCase, way: Pick<LoopWay, "tracks" | "presses">): Clash[] {
  const starts = sectionBeats(asked);
  const clash = rememberedClash(asked.key);
  const layers = new Map(asked.layers.map((layer) => [layer.id, layer]));
  const found: (Clash & { readonly at: number; readonly order: number })[] = [];
  for (const { track, from, to } of runsOf(asked, way))
    for (const id of way.tracks[track]!) {
      const layer = layers.get(id)!;
      if (layer.kind !== "pitched" || layer.progression.length === 0) continue;
      for (let at = from; at < to; at++) {
        const { beats, reasons } = clashesIn(asked, layer, at, starts[from]!, starts[at]!, clash);
        if (beats.length === 0) continue;
        const why = `${reasons[0]!}${reasons.length > 1 ? ` (and ${reasons.length - 1} more)` : ""}`;
        const order = asked.layers.indexOf(layer);
        found.push({ layer: id, section: asked.sections[at]!.id, beats, why, at, order });
      }
    }
  return found
    .sort((a, b) => a.at - b.at || a.order - b.order)
    .map(({ at: _at, order: _order, ...clashing }) => clashing);
}

function clashesIn(
  { sections, beatsPerBar }: LoopCase,
  layer: LoopLayer,
  at: number,
  started: number,
  start: number,
  clash: (loop: Chord, chord: Chord) => string | null,
): { readonly beats: number[]; readonly reasons: readonly string[] } {
  const { bars, chords } = sections[at]!;
  const beats: number[] = [];
  const reasons = new Set<string>();
  if (chords.length === 0) return { beats, reasons: [] };
  const length = layer.bars * beatsPerBar;
  const all = bars * beatsPerBar;
  for (let beat = 0; beat < all - 1e-6; beat++) {
    let own: string | null = null;
    let into = beat;
    for (const [from, to] of loopParts(started, length, start + beat, start + Math.min(all, beat + 1))) {
      // Inside one beat both may change: only what sounds at the same time is compared.
      const edges = [
        from,
        to,
        ...edgesOf(layer.progression, from, to),
        ...edgesOf(chords, into, into + to - from).map((edge) => edge - into + from),
      ];
      const points = [...new Set(edges)].sort((a, b) => a - b);
      for (let index = 0; index + 1 < points.length; index++) {
        if (isSame(points[index]!, points[index + 1]!)) continue;
        const [loop] = chordsWithin(layer.progression, points[index]!, points[index + 1]!);
        const [chord] = chordsWithin(chords, into + points[index]! - from, into + points[index + 1]! - from);
        own ??= loop && chord ? clash(loop, chord) : null;
      }
      into += to - from;
    }
    if (own === null) continue;
    beats.push(beat);
    reasons.add(own);
  }
  return { beats, reasons: [...reasons] };
}

/** Where chords change strictly inside `(from, to)`. */
function edgesOf(chords: readonly ChordBeats[], from: number, to: number): number[] {
  const edges: number[] = [];
  let beat = 0;
  for (const { beats } of chords) {
    beat += beats;
    if (beat > from + 1e-6 && beat < to - 1e-6) edges.push(beat);
  }
  return edges;
}

/** Loops that are stopped in the middle of a pass, told with the last section in which they sound. */
export function cutsOf(asked: LoopCase, way: Pick<LoopWay, "tracks" | "presses">): Cut[] {
  const starts = sectionBeats(asked);
  const layers = new Map(asked.layers.map((layer) => [layer.id, layer]));
  return runsOf(asked, way)
    .sort((a, b) => a.to - b.to || a.track - b.track)
    .flatMap(({ track, from, to }) =>
      way.tracks[track]!.flatMap((id): Cut[] => {
        const length = layers.get(id)!.bars * asked.beatsPerBar;
        const played = starts[to]! - starts[from]!;
        const over = played - Math.round(played / length) * length;
        if (isSame(over, 0)) return [];
        const bar = (played - Math.floor(played / length + 1e-9) * length) / asked.beatsPerBar;
        return [{ layer: id, section: asked.sections[to - 1]!.id, bar: Math.round(bar * 1e6) / 1e6 }];
      }),
    );
}
