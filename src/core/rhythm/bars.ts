import { modulo, type Ticks } from "../../base";

/** A chord's length within a line; the symbol is carried through untouched. */
export type TimedChord = { readonly symbol: string; readonly ticks: Ticks };

/** A section as the bar arithmetic sees it. `pickup` ticks stand at the head of the first line. */
export type BarSection = { readonly pickup: Ticks; readonly lines: readonly (readonly TimedChord[])[] };

export type LineSum = { readonly ticks: Ticks; readonly carryIn: Ticks; readonly carryOut: Ticks };

/** A change of one chord's length that closes the section. */
export type LengthFix = { readonly line: number; readonly at: number; readonly ticks: Ticks };

/** Why a section does not close: it ends `over` ticks into a bar that would need `missing` more. */
export type OpenSection = {
  readonly line: number;
  readonly at: number;
  readonly over: Ticks;
  readonly missing: Ticks;
  readonly fixes: readonly LengthFix[];
};

export type BarSum = {
  readonly bars: readonly (readonly TimedChord[])[];
  readonly lines: readonly LineSum[];
  readonly open: OpenSection | null;
  /** Ticks of the last bar that the pickup of the next section fills. */
  readonly nextPickup: Ticks;
};

/**
 * Lays sections on bars. Bars close over a section, counting from after its pickup, less the pickup of
 * the next; a line may end inside a bar. A pickup is the end of the bar before (at the very start, a
 * short bar of its own).
 * @param bar ticks of one bar
 */
export function sumBars(sections: readonly BarSection[], bar: Ticks): BarSum[] {
  return sections.map((section, index) => {
    const own = section.lines.flat();
    const [pickup, rest] = splitAt(own, section.pickup);
    const nextPickup = sections[index + 1] ? headOf(sections[index + 1]!) : [];
    const bars = cutIntoBars([...rest, ...nextPickup], bar);
    if (index === 0 && pickup.length > 0) bars.unshift(pickup);
    const expected = sections[index + 1]?.pickup ?? 0;
    return {
      bars,
      lines: sumLines(section, bar),
      open: findOpen(section, bar, expected),
      nextPickup: expected,
    };
  });
}

const headOf = (section: BarSection): TimedChord[] => splitAt(section.lines.flat(), section.pickup)[0];

const totalOf = (chords: readonly TimedChord[]): Ticks => chords.reduce((sum, chord) => sum + chord.ticks, 0);

/** Cuts a run of chords after some ticks; a chord across the cut becomes two. */
function splitAt(chords: readonly TimedChord[], ticks: Ticks): [TimedChord[], TimedChord[]] {
  const head: TimedChord[] = [];
  if (ticks <= 0) return [head, [...chords]];
  let left = ticks;
  for (const [index, chord] of chords.entries()) {
    if (left <= 0) return [head, chords.slice(index)];
    if (chord.ticks > left) {
      head.push({ ...chord, ticks: left });
      return [head, [{ ...chord, ticks: chord.ticks - left }, ...chords.slice(index + 1)]];
    }
    head.push(chord);
    left -= chord.ticks;
  }
  return [head, []];
}

function cutIntoBars(chords: readonly TimedChord[], bar: Ticks): TimedChord[][] {
  const bars: TimedChord[][] = [];
  let room = 0;
  for (const chord of chords) {
    for (let left = chord.ticks; left > 0; ) {
      if (room === 0) {
        bars.push([]);
        room = bar;
      }
      const ticks = Math.min(left, room);
      bars.at(-1)!.push(ticks === chord.ticks ? chord : { ...chord, ticks });
      left -= ticks;
      room -= ticks;
    }
  }
  return bars;
}

function sumLines(section: BarSection, bar: Ticks): LineSum[] {
  let place = modulo(-section.pickup, bar);
  return section.lines.map((line) => {
    const carryIn = place;
    const ticks = totalOf(line);
    place = modulo(place + ticks, bar);
    return { ticks, carryIn, carryOut: place };
  });
}

function findOpen(section: BarSection, bar: Ticks, nextPickup: Ticks): OpenSection | null {
  const total = totalOf(section.lines.flat());
  if (total === 0) return null;
  const over = modulo(total - section.pickup + nextPickup, bar);
  if (over === 0) return null;
  const missing = bar - over;
  const places = fixPlaces(section, bar);
  const [line, at] = places[0]!;
  const fixes = places.flatMap(([lineIndex, chordIndex]) => {
    const { ticks } = section.lines[lineIndex]![chordIndex]!;
    const longer = { line: lineIndex, at: chordIndex, ticks: ticks + missing };
    const shorter = { line: lineIndex, at: chordIndex, ticks: ticks - over };
    if (shorter.ticks <= 0) return [longer];
    return missing <= over ? [longer, shorter] : [shorter, longer];
  });
  return { line, at, over, missing, fixes };
}

/** Where a length is most likely wrong: the last chord of the one uneven line, then of the last line. */
function fixPlaces(section: BarSection, bar: Ticks): [line: number, at: number][] {
  const filled = [...section.lines.entries()].filter(([, line]) => line.length > 0);
  const uneven = filled.filter(
    ([index, line]) => modulo(totalOf(line) - (index === 0 ? section.pickup : 0), bar) !== 0,
  );
  const last = filled.at(-1)!;
  const chosen = uneven.length === 1 && uneven[0]![0] !== last[0] ? [uneven[0]!, last] : [last];
  return chosen.map(([index, line]) => [index, line.length - 1]);
}
