import { tempoMs, ticksOfBar } from "../../rhythm";
import type { VersionBody } from "../schema/documents";
import { outlineOf } from "./outline";
import { meterOfUse, playsOf, type TimelineTables, tempoOfUse, timelineOf, versionRow } from "./timeline";

/** How long a song is. */
export type SongLength = { readonly bars: number; readonly seconds: number };

/** Other words change neither lengths nor chords. */
const isPlain = (body: Pick<VersionBody, "exceptions">): boolean =>
  Object.values(body.exceptions).every(({ kind }) => kind === "words");

/**
 * How many bars a song has and how long it lasts: as its timeline says, but where nothing is otherwise at any place sums
 * are enough, and no line is laid.
 * @example songLength(body) // => { bars: 64, seconds: 192 }
 */
export function songLength(body: TimelineTables): SongLength {
  if (!isPlain(body)) {
    const { bars, seconds } = timelineOf(body);
    return { bars, seconds };
  }
  const version = versionRow(body);
  const lengths = new Map<string, number>();
  for (const { lineId, ticks } of Object.values(body.chords)) {
    const sectionId = body.lines[lineId]?.sectionId;
    if (sectionId !== undefined) lengths.set(sectionId, (lengths.get(sectionId) ?? 0) + ticks);
  }
  const plays = playsOf(outlineOf({ ...body, lines: {}, words: {}, chords: {} }));
  let bars = 0;
  let seconds = 0;
  for (const [index, { use, section }] of plays.entries()) {
    const ticks = lengths.get(section.section.id) ?? 0;
    const until = ticks + (plays[index + 1]?.section.section.pickup ?? 0);
    const counted = Math.ceil((until - section.section.pickup) / ticksOfBar(meterOfUse(version, use)));
    bars += Math.max(0, counted);
    seconds += tempoMs(ticks, tempoOfUse(version, use)) / 1000;
  }
  return { bars, seconds };
}

/** A chord as it is written, and the semitones a place of the form is raised by. */
export type PlayedSymbol = { readonly symbol: string; readonly shift: number };

/** Every chord that is played somewhere in the form, each once. */
export function playedSymbols(body: TimelineTables): PlayedSymbol[] {
  const found = new Map<string, PlayedSymbol>();
  const put = (symbol: string, shift: number) => found.set(`${shift} ${symbol}`, { symbol, shift });
  if (!isPlain(body)) {
    for (const { lines, shift } of timelineOf(body).passages)
      for (const { outline } of lines) for (const { chord } of outline.chords) put(chord.symbol, shift);
    return [...found.values()];
  }
  const symbols = new Map<string, Set<string>>();
  for (const { lineId, symbol } of Object.values(body.chords)) {
    const sectionId = body.lines[lineId]?.sectionId ?? "";
    const inSection = symbols.get(sectionId);
    if (inSection) inSection.add(symbol);
    else symbols.set(sectionId, new Set([symbol]));
  }
  for (const { sectionId, shift } of Object.values(body.uses))
    for (const symbol of symbols.get(sectionId) ?? []) put(symbol, shift);
  return [...found.values()];
}
