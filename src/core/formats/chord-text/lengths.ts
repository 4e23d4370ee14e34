import type { Ticks } from "../../base";
import { beatUnitOf, type Meter, ticksOfBar, ticksOfBeatUnit } from "../../rhythm";
import type { ChordToken } from "./chord-line";

export type Timed = { readonly token: ChordToken; readonly ticks: Ticks; readonly guessed: boolean };

/**
 * Gives the chords of one line their lengths. With bar lines each bar is shared by its signs; where the
 * signs are as many as the beats that is exact, else a guess.
 *
 * Without bar lines everything is a guess: one chord a bar; two on a line half a bar each, if half a bar
 * is a whole number of beats.
 */
export function timeChords(
  tokens: readonly ChordToken[],
  meter: Meter,
): { timed: Timed[]; crowded: ChordToken[] } {
  const bar = ticksOfBar(meter);
  if (tokens.some((token) => token.kind === "bar")) return timeBars(tokens, meter, bar);
  const slots = slotsOf(tokens);
  const beat = ticksOfBeatUnit(beatUnitOf(meter)) ?? bar;
  const counted = slots.some((slot) => slot.length > 1);
  if (counted)
    return {
      timed: slots.map((slot) => ({ token: slot.token, ticks: slot.length * beat, guessed: false })),
      crowded: [],
    };
  const halves = slots.length === 2 && bar % 2 === 0 && (bar / 2) % beat === 0;
  const ticks = halves ? bar / 2 : bar;
  return { timed: slots.map((slot) => ({ token: slot.token, ticks, guessed: true })), crowded: [] };
}

type Slot = { readonly token: ChordToken; length: number };

/** Chords with the signs that hold them on. */
function slotsOf(tokens: readonly ChordToken[]): Slot[] {
  const slots: Slot[] = [];
  for (const token of tokens) {
    if (token.kind === "chord" || token.kind === "unreadable") slots.push({ token, length: 1 });
    else if (token.kind === "again" && slots.length > 0) slots.at(-1)!.length++;
  }
  return slots;
}

function timeBars(
  tokens: readonly ChordToken[],
  meter: Meter,
  bar: Ticks,
): { timed: Timed[]; crowded: ChordToken[] } {
  const timed: Timed[] = [];
  const crowded: ChordToken[] = [];
  for (const group of barsOf(tokens)) {
    const slots = slotsOf(group);
    const leading = group.findIndex((token) => token.kind !== "again");
    const signs = slots.reduce((sum, slot) => sum + slot.length, 0) + Math.max(0, leading);
    if (leading > 0 || (slots.length === 0 && group.length > 0))
      extendLast(timed, bar, leading > 0 ? leading / signs : 1);
    if (slots.length === 0) continue;
    const beats = bar / (ticksOfBeatUnit(beatUnitOf(meter)) ?? bar);
    const exact = signs === 1 || signs === beats || signs === meter.beats;
    if (signs > 2 * meter.beats) crowded.push(slots[0]!.token);
    timed.push(...shareBar(slots, signs, bar, exact, Math.max(0, leading)));
  }
  return { timed, crowded };
}

/** Cuts a bar among its chords; what does not divide goes to the first. */
function shareBar(
  slots: readonly Slot[],
  signs: number,
  bar: Ticks,
  exact: boolean,
  leading: number,
): Timed[] {
  const sign = Math.floor(bar / signs);
  const spare = bar - sign * signs;
  return slots.map((slot, index) => ({
    token: slot.token,
    ticks: slot.length * sign + (index === 0 && leading === 0 ? spare : 0),
    guessed: !exact,
  }));
}

/** A bar that begins with "/" or holds only "%" goes on with the chord before. */
function extendLast(timed: Timed[], bar: Ticks, share: number): void {
  const last = timed.pop();
  if (last) timed.push({ ...last, ticks: last.ticks + Math.round(bar * share) });
}

function barsOf(tokens: readonly ChordToken[]): ChordToken[][] {
  const bars: ChordToken[][] = [[]];
  for (const token of tokens) {
    if (token.kind === "bar") bars.push([]);
    else if (token.kind !== "repeat-mark") bars.at(-1)!.push(token);
  }
  return bars.filter((bar) => bar.length > 0);
}
