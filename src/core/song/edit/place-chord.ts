import type { Ticks } from "../../../base";
import { type MakeId, orderBetween } from "../../../document";
import type { OutlineLine } from "../read/outline";
import type { VersionBody } from "../schema/documents";
import { removeChord } from "./commands";
import type { VersionCommand } from "./edits";
import { add, batch, set } from "./makers";

/** Where on a line's time something stands: which chord sounds there, and how far into it. */
export type Spot = { readonly index: number; readonly into: Ticks };

/** The chord that sounds at a tick of the line, counted from its start; null past its end. */
export function spotAt(line: OutlineLine, tick: Ticks): Spot | null {
  let start = 0;
  for (const [index, { chord }] of line.chords.entries()) {
    if (tick < start + chord.ticks) return { index, into: tick - start };
    start += chord.ticks;
  }
  return null;
}

/**
 * Puts a chord at a tick of the line. Where a chord begins it takes another name; inside one it begins there and the
 * one before is shortened; past the end it is added, a bar long. The line's other times stay.
 * @example at beat 3 of "G 4": G 2, D 2
 */
export function placeChord(
  line: OutlineLine,
  tick: Ticks,
  symbol: string,
  bar: Ticks,
  makeId: MakeId,
): VersionCommand {
  const spot = spotAt(line, tick);
  const fresh = { originId: null, lineId: line.line.id, symbol, sourceId: null, sure: true, guessed: false };
  if (!spot) {
    const last = line.chords.at(-1);
    const word = line.words.at(-1)?.word;
    const row = { ...fresh, id: makeId(), order: orderBetween(last?.chord.order ?? null, null), ticks: bar };
    return add("chords", { ...row, wordId: word?.id ?? null, offset: word && last ? word.text.length : 0 });
  }
  const here = line.chords[spot.index]!;
  if (spot.into === 0) return set("chords", here.chord.id, { symbol, sure: true, sourceId: null });
  const next = line.chords[spot.index + 1];
  const row = {
    ...fresh,
    id: makeId(),
    order: orderBetween(here.chord.order, next?.chord.order ?? null),
    ticks: here.chord.ticks - spot.into,
    ...wordFor(line, spot, next?.at ?? line.text.length),
  };
  return batch("Put a chord", [
    set("chords", here.chord.id, { ticks: spot.into, guessed: false }),
    add("chords", row),
  ]);
}

/** The word sung where a chord begins inside another's time: by its share of that time, at the nearest word. */
function wordFor(
  line: OutlineLine,
  { index, into }: Spot,
  to: number,
): { wordId: string | null; offset: number } {
  const { chord, at } = line.chords[index]!;
  const wanted = at + ((to - at) * into) / chord.ticks;
  const later = line.words.filter((word) => word.at > at && word.at < Math.max(to, at + 1));
  const nearest = later.reduce<(typeof later)[number] | null>(
    (best, word) => (best && Math.abs(best.at - wanted) <= Math.abs(word.at - wanted) ? best : word),
    null,
  );
  if (nearest) return { wordId: nearest.word.id, offset: 0 };
  const own = line.words.findLast((word) => word.at <= at) ?? line.words[0];
  return {
    wordId: own?.word.id ?? null,
    offset: own ? Math.min(400, Math.max(0, Math.round(wanted) - own.at)) : 0,
  };
}

/** Takes a chord away; the one before goes on through its time, or the next begins earlier. */
export function liftChord(body: VersionBody, line: OutlineLine, index: number): VersionCommand {
  const { chord } = line.chords[index]!;
  const heir = line.chords[index - 1] ?? line.chords[index + 1];
  const removal = removeChord(body, chord.id);
  if (!heir || removal.type !== "batch") return removal;
  return batch("Take a chord away", [
    set("chords", heir.chord.id, { ticks: heir.chord.ticks + chord.ticks, guessed: false }),
    ...removal.commands,
  ]);
}

/** Makes a chord longer or shorter by some ticks, never shorter than the least; what follows moves along. */
export function lengthenChord(
  line: OutlineLine,
  index: number,
  by: Ticks,
  least: Ticks,
): VersionCommand | null {
  const chord = line.chords[index]?.chord;
  if (!chord || chord.ticks + by < least) return null;
  return set("chords", chord.id, { ticks: chord.ticks + by, guessed: false });
}

/** Moves where a chord begins within its line, at the cost of the chord before or of its own length. */
export function moveChordStart(
  line: OutlineLine,
  index: number,
  by: Ticks,
  least: Ticks,
): VersionCommand | null {
  const [before, here] = [line.chords[index - 1]?.chord, line.chords[index]?.chord];
  if (!before || !here || before.ticks + by < least || here.ticks - by < least) return null;
  return batch("Move a chord", [
    set("chords", before.id, { ticks: before.ticks + by, guessed: false }),
    set("chords", here.id, { ticks: here.ticks - by, guessed: false }),
  ]);
}

/** Puts a chord under the next or the last word of its line. */
export function moveChordWord(line: OutlineLine, index: number, by: 1 | -1): VersionCommand | null {
  const placed = line.chords[index];
  if (!placed) return null;
  const low = line.chords[index - 1]?.at ?? -1;
  const high = line.chords[index + 1]?.at ?? Number.POSITIVE_INFINITY;
  const words = by > 0 ? line.words : line.words.toReversed();
  const word = words.find(({ at }) => (by > 0 ? at > placed.at : at < placed.at));
  if (!word || word.at <= low || word.at >= high) return null;
  return set("chords", placed.chord.id, { wordId: word.word.id, offset: 0 });
}
