import { type Chord, clashesWith, pitchClassesOf, type SoundingChord } from "../chord";
import { formatNoteName, type Key, type NoteName, nameInKey, nameOfPitchClass, pitchClassOf } from "../pitch";
import type { ChordBeats, LoopCase, LoopLayer } from "./loop-case";
import { runsOf, sectionBeats } from "./track-runs";
import type { LoopWay } from "./way";

/** A pitched layer against the chords of a section; beats from the first of the section, counted from 0. */
export type Clash = {
  readonly layer: string;
  readonly section: string;
  readonly beats: readonly number[];
  /** The first reason, and how many others there are. */
  readonly reason: ClashReason;
  readonly more: number;
  /** Both in letters, as they sound. */
  readonly why: string;
  /**
   * Where the loop clashes only because it was let in at another place of its pass: the bars by which the entry must move to cure
   * it, above 0 later. The fewest bars; of two, later.
   */
  readonly shift?: number;
};

/** Why a loop's chord clashes with another, both as they sound. */
export type ClashReason = { readonly loop: string; readonly chord: string } & (
  | { readonly kind: "semitone"; readonly note: NoteName }
  | { readonly kind: "shared"; readonly tones: 0 | 1 }
);

/** A loop that is stopped in the middle of a pass: at which of its bars, counted from 0. */
export type Cut = { readonly layer: string; readonly section: string; readonly bar: number };

/** Beats nearer than this are the same. */
const EPSILON = 1e-6;

/**
 * Why two chords clash, or null: a tone of the loop's chord that is not in the other and lies a semitone from one of its
 * tones (a seventh of the key over its own chord is left in peace), or other roots with fewer than two shared tones.
 * @example clashOfChords(A, Dm, D minor) // => { kind: "semitone", note: C#, loop: "A", chord: "Dm" }
 */
export function clashOfChords(loop: Chord, chord: Chord, key: Key | null): ClashReason | null {
  if (loop.kind === "none" || chord.kind === "none") return null;
  const [grating] = clashesWith(pitchClassesOf(loop), chord, key);
  const both = { loop: loop.symbol, chord: chord.symbol };
  if (grating !== undefined) return { kind: "semitone", note: nameOf(grating, loop, key), ...both };
  if (pitchClassOf(loop.root) === pitchClassOf(chord.root)) return null;
  const tones = pitchClassesOf(chord);
  const shared = pitchClassesOf(loop).filter((tone) => tones.includes(tone)).length;
  return shared >= 2 ? null : { kind: "shared", tones: shared === 0 ? 0 : 1, ...both };
}

/**
 * A reason in words.
 * @param nameOf how chords are told, and notes; in letters when left out
 * @example "C# of A lies a semitone from a tone of Dm"
 */
export function describeClash(
  reason: ClashReason,
  nameOf: { readonly chord: (symbol: string) => string; readonly note: (name: NoteName) => string } = {
    chord: (symbol) => symbol,
    note: formatNoteName,
  },
): string {
  const [loop, chord] = [nameOf.chord(reason.loop), nameOf.chord(reason.chord)];
  return reason.kind === "semitone"
    ? `${nameOf.note(reason.note)} of ${loop} lies a semitone from a tone of ${chord}`
    : `${loop} and ${chord} share ${reason.tones === 0 ? "no tone" : "one tone only"}`;
}

const nameOf = (pitchClass: number, chord: SoundingChord, key: Key | null): NoteName =>
  key ? nameInKey(pitchClass, key) : nameOfPitchClass(pitchClass, chord.root + 2);

/** A chord from one beat to another. */
type ChordSpan = { readonly chord: Chord; readonly from: number; readonly to: number };

function spansOf(chords: readonly ChordBeats[], start = 0): ChordSpan[] {
  let beat = start;
  return chords.map(({ chord, beats }) => {
    const from = beat;
    beat += beats;
    return { chord, from, to: beat };
  });
}

/** What a loop of so many beats sounds over a section that begins `gone` beats after the loop did. */
function loopSpans(
  progression: readonly ChordBeats[],
  length: number,
  gone: number,
  beats: number,
): ChordSpan[] {
  const first = Math.floor(gone / length + 1e-9);
  const passes = Math.ceil((gone + beats) / length - 1e-9) - first;
  return Array.from({ length: passes }, (_, pass) =>
    spansOf(progression, (first + pass) * length - gone),
  ).flat();
}

/** The reason of each pair of chords is worked out once. */
function rememberedClash(key: Key | null) {
  const known = new Map<string, ClashReason | null>();
  return (loop: Chord, chord: Chord): ClashReason | null => {
    const pair = `${loop.symbol}\n${chord.symbol}`;
    const before = known.get(pair);
    if (before !== undefined) return before;
    const why = clashOfChords(loop, chord, key);
    known.set(pair, why);
    return why;
  };
}

/**
 * How far an entry must move so that a section of its run no longer clashes, and no other section of the run clashes in more
 * beats than before; null where no move by whole bars does that.
 * @param beatsAt the clashing beats of a section when its loop is so many beats into its pass as it begins
 */
function shiftOf(
  { beatsPerBar }: LoopCase,
  bars: number,
  at: number,
  run: readonly { readonly at: number; readonly gone: number }[],
  beatsAt: (at: number, gone: number) => number,
): number | null {
  for (let by = 1; by < bars; by++)
    for (const shift of [by, -by]) {
      const moved = (gone: number) => gone - shift * beatsPerBar;
      const cures = run.every((one) => {
        const beats = beatsAt(one.at, moved(one.gone));
        return one.at === at ? beats === 0 : beats <= beatsAt(one.at, one.gone);
      });
      if (cures) return shift;
    }
  return null;
}

/** Every section in which a pitched layer sounds against other chords, in the order of sections, then layers. */
export function clashesOf(asked: LoopCase, way: Pick<LoopWay, "tracks" | "presses">): Clash[] {
  const starts = sectionBeats(asked);
  const clash = rememberedClash(asked.key);
  const layers = new Map(asked.layers.map((layer) => [layer.id, layer]));
  const found: (Clash & { readonly at: number; readonly order: number })[] = [];
  for (const { track, from, to, since } of runsOf(asked, way))
    for (const id of way.tracks[track]!) {
      const layer = layers.get(id)!;
      if (layer.kind !== "pitched" || layer.progression.length === 0) continue;
      const length = layer.bars * asked.beatsPerBar;
      const known = new Map<string, ReturnType<typeof clashesIn>>();
      const clashesAt = (at: number, gone: number) => {
        const into = ((gone % length) + length) % length;
        const place = `${at} ${into.toFixed(6)}`;
        const found = known.get(place) ?? clashesIn(asked, layer, at, into, clash);
        known.set(place, found);
        return found;
      };
      const run = Array.from({ length: to - from }, (_, index) => ({
        at: from + index,
        gone: starts[from + index]! - starts[since]!,
      }));
      for (const { at, gone } of run) {
        const { beats, reasons } = clashesAt(at, gone);
        if (beats.length === 0) continue;
        const shift = shiftOf(asked, layer.bars, at, run, (...place) => clashesAt(...place).beats.length);
        const reason = reasons[0]!;
        const more = reasons.length - 1;
        const why = `${describeClash(reason)}${more > 0 ? ` (and ${more} more)` : ""}`;
        const order = asked.layers.indexOf(layer);
        found.push({
          layer: id,
          section: asked.sections[at]!.id,
          beats,
          reason,
          more,
          why,
          ...(shift === null ? {} : { shift }),
          at,
          order,
        });
      }
    }
  return found
    .sort((a, b) => a.at - b.at || a.order - b.order)
    .map(({ at: _at, order: _order, ...clashing }) => clashing);
}

/** Beats of a section in which something clashes, and the reasons, each once, in the order they come. */
function clashesIn(
  { sections, beatsPerBar }: LoopCase,
  layer: LoopLayer,
  at: number,
  gone: number,
  clash: (loop: Chord, chord: Chord) => ClashReason | null,
): { readonly beats: number[]; readonly reasons: readonly ClashReason[] } {
  const { bars, chords } = sections[at]!;
  const all = bars * beatsPerBar;
  const reasonOf = new Map<number, ClashReason>();
  const section = spansOf(chords);
  for (const loop of loopSpans(layer.progression, layer.bars * beatsPerBar, gone, all))
    for (const one of section) {
      const [from, to] = [Math.max(0, loop.from, one.from), Math.min(all, loop.to, one.to)];
      const why = to - from > EPSILON ? clash(loop.chord, one.chord) : null;
      if (why === null) continue;
      for (let beat = Math.floor(from + EPSILON); beat < to - EPSILON; beat++)
        if (!reasonOf.has(beat)) reasonOf.set(beat, why);
    }
  const beats = [...reasonOf.keys()].sort((a, b) => a - b);
  return { beats, reasons: [...new Set(beats.map((beat) => reasonOf.get(beat)!))] };
}

/** Loops that are stopped in the middle of a pass, told with the last section in which they sound. */
export function cutsOf(asked: LoopCase, way: Pick<LoopWay, "tracks" | "presses">): Cut[] {
  const starts = sectionBeats(asked);
  const layers = new Map(asked.layers.map((layer) => [layer.id, layer]));
  return runsOf(asked, way)
    .sort((a, b) => a.to - b.to || a.track - b.track)
    .flatMap(({ track, to, since }) =>
      way.tracks[track]!.flatMap((id): Cut[] => {
        const length = layers.get(id)!.bars * asked.beatsPerBar;
        const played = starts[to]! - starts[since]!;
        const over = played - Math.round(played / length) * length;
        if (Math.abs(over) < EPSILON) return [];
        const bar = (played - Math.floor(played / length + 1e-9) * length) / asked.beatsPerBar;
        return [{ layer: id, section: asked.sections[to - 1]!.id, bar: Math.round(bar * 1e6) / 1e6 }];
      }),
    );
}
