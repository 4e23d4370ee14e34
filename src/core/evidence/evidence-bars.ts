import { type Chord, parseChord, pitchClassesOf } from "../chord";
import { formatKey, type Key, pitchClassOf, semitonesUp } from "../pitch";
import { namerByShift } from "../song/names";
import { keysOf, type Timeline, timelineOf } from "../song/read";
import type { VersionBody } from "../song/schema";

/** A stretch of one bar under one chord; `from` and `to` are shares of the bar, 0 to 1. */
type BarChord = {
  readonly symbol: string;
  /** The chord's row in its version. */
  readonly chordId: string;
  readonly from: number;
  readonly to: number;
};

/** One bar of a source, played out. */
export type EvidenceBar = {
  readonly chords: readonly BarChord[];
  readonly section: string;
  /** Whether a section begins here. */
  readonly starts: boolean;
  readonly number: number;
  readonly beats: number;
  /** Semitones it is played above its version's key. */
  readonly shift: number;
};

/** One reading of the song: bar after bar as it is played, in the key all are compared in. */
export type EvidenceSource = { readonly name: string; readonly bars: readonly EvidenceBar[] };

/**
 * Plays a version out into bars, its chords moved into another key by their distance from its own.
 * @param into the key all sources are laid in
 */
export function evidenceOf(
  body: VersionBody,
  name: string,
  into: Key = keysOf(body).sounding,
): EvidenceSource {
  const timeline = timelineOf(body);
  const by = semitonesUp(keysOf(body).sounding.tonic, into.tonic);
  const version = Object.values(body.version)[0]!;
  const placed = { version: { [version.id]: { ...version, key: formatKey(into) } } };
  const namerAt = namerByShift(by === 0 ? body : placed);
  const nameOf = (symbol: string, shift: number): string => namerAt(shift).name(symbol).sounding;
  return { name, bars: barsOf(timeline, nameOf) };
}

function barsOf(timeline: Timeline, nameOf: (symbol: string, shift: number) => string): EvidenceBar[] {
  const events = timeline.passages.flatMap((passage) =>
    passage.lines.flatMap(({ outline, events: own }) =>
      outline.chords.map(({ chord }, at) => ({
        tick: own[at]!.tick + own[at]!.early,
        end: own[at]!.tick + own[at]!.ticks,
        chordId: chord.id,
        symbol: nameOf(chord.symbol, passage.shift),
      })),
    ),
  );
  let at = 0;
  return timeline.passages.flatMap((passage) =>
    passage.bars.map((bar, index): EvidenceBar => {
      const end = bar.tick + bar.ticks;
      while (at > 0 && events[at - 1]!.end > bar.tick) at--;
      while (at < events.length && events[at]!.end <= bar.tick) at++;
      const chords: BarChord[] = [];
      for (let next = at; next < events.length && events[next]!.tick < end; next++) {
        const { tick, symbol, chordId } = events[next]!;
        const from = Math.max(0, (tick - bar.tick) / bar.ticks);
        const to = Math.min(1, ((events[next + 1]?.tick ?? events[next]!.end) - bar.tick) / bar.ticks);
        if (to > from) chords.push({ symbol, chordId, from, to });
      }
      return {
        chords,
        section: passage.label,
        starts: index === 0,
        number: bar.number,
        shift: passage.shift,
        beats: (bar.ticks / timelineBar(passage.meter)) * passage.meter.beats,
      };
    }),
  );
}

const timelineBar = ({ beats, unit }: { beats: number; unit: number }): number => (beats * 4 * 960) / unit;

/** What a chord sounds: its pitch classes and its lowest note; null where no chord sounds. */
export type Sound = {
  readonly classes: readonly number[];
  readonly bass: number;
  readonly root: number;
} | null;

export function soundOf(symbol: string): Sound | "unknown" {
  const chord = parseChord(symbol);
  return chord.ok ? soundOfChord(chord.value) : "unknown";
}

const soundOfChord = (chord: Chord): Sound => {
  if (chord.kind === "none") return null;
  const root = pitchClassOf(chord.root);
  return {
    classes: pitchClassesOf(chord),
    bass: chord.bass === null ? root : pitchClassOf(chord.bass),
    root,
  };
};
