import type { Ticks } from "../../../base";
import { beatUnitOf, type Meter, ticksOfBar, ticksOfBeatUnit } from "../../rhythm";
import type { ChordToken } from "./chord-line";

export type Timed = { readonly token: ChordToken; readonly ticks: Ticks; readonly guessed: boolean };

/** What is known where a line begins. */
export type LineSetting = {
  readonly meter: Meter;
  /** Ticks of a chord whose beats are not written, where somebody gave them. */
  readonly perChord: Ticks | null;
  /** The chord before, which a line may go on with. */
  readonly previous: string | null;
};

/**
 * Gives the chords of one line their lengths. With bar lines each bar is shared by its signs; where the
 * signs are as many as the beats that is exact, else a guess. Beats in brackets are exact.
 *
 * Without either everything is a guess: one chord a bar; two on a line half a bar each, if half a bar
 * is a whole number of beats.
 */
export function timeChords(
  tokens: readonly ChordToken[],
  setting: LineSetting,
): { timed: Timed[]; crowded: ChordToken[] } {
  const { meter } = setting;
  const bar = ticksOfBar(meter);
  const beat = ticksOfBeatUnit(beatUnitOf(meter)) ?? bar;
  if (tokens.some((token) => isBar(token))) return timeBars(tokens, setting, bar);
  const { slots, leading } = slotsOf(tokens);
  const counted = leading > 0 || slots.some((slot) => slot.length > 1 || slot.token.beats !== undefined);
  if (counted) {
    const held: Timed[] = [];
    if (leading > 0) goOn(held, tokens[0]!, leading * beat, setting.previous);
    return {
      timed: [
        ...held,
        ...slots.map(({ token, length }) => ({
          token,
          ticks: (token.beats ?? length) * beat,
          guessed: false,
        })),
      ],
      crowded: [],
    };
  }
  if (setting.perChord !== null) {
    const ticks = setting.perChord;
    return { timed: slots.map(({ token }) => ({ token, ticks, guessed: false })), crowded: [] };
  }
  const halves = slots.length === 2 && bar % 2 === 0 && (bar / 2) % beat === 0;
  const ticks = halves ? bar / 2 : bar;
  return { timed: slots.map(({ token }) => ({ token, ticks, guessed: true })), crowded: [] };
}

export const isBar = (token: ChordToken): boolean =>
  token.kind === "bar" || token.kind === "repeat-open" || token.kind === "repeat-close";

type Slot = { readonly token: ChordToken; length: number };

/** Chords with the signs that hold them on; `leading` signs stand before the first. */
function slotsOf(tokens: readonly ChordToken[]): { slots: Slot[]; leading: number } {
  const slots: Slot[] = [];
  let leading = 0;
  for (const token of tokens) {
    if (token.kind === "chord" || token.kind === "unreadable") slots.push({ token, length: 1 });
    else if (token.kind === "again") {
      if (slots.length > 0) slots.at(-1)!.length++;
      else leading++;
    }
  }
  return { slots, leading };
}

function timeBars(
  tokens: readonly ChordToken[],
  { meter, previous }: LineSetting,
  bar: Ticks,
): { timed: Timed[]; crowded: ChordToken[] } {
  const timed: Timed[] = [];
  const crowded: ChordToken[] = [];
  const beat = ticksOfBeatUnit(beatUnitOf(meter)) ?? bar;
  for (const group of barsOf(tokens)) {
    const { slots, leading } = slotsOf(group);
    const signs = slots.reduce((sum, slot) => sum + slot.length, 0) + leading;
    if (slots.length === 0) {
      goOn(timed, group[0]!, bar, previous);
      continue;
    }
    if (slots.some((slot) => slot.token.beats !== undefined)) {
      for (const { token, length } of slots)
        timed.push({ token, ticks: (token.beats ?? length) * beat, guessed: false });
      continue;
    }
    const sign = Math.floor(bar / signs);
    if (leading > 0) goOn(timed, group[0]!, sign * leading, previous);
    const exact = signs === 1 || signs === bar / beat || signs === meter.beats;
    if (signs > 2 * meter.beats) crowded.push(slots[0]!.token);
    timed.push(...shareBar(slots, sign, bar - sign * signs, exact, leading));
  }
  return { timed, crowded };
}

/** Cuts a bar among its chords; what does not divide goes to the first. */
function shareBar(
  slots: readonly Slot[],
  sign: Ticks,
  spare: Ticks,
  exact: boolean,
  leading: number,
): Timed[] {
  return slots.map((slot, index) => ({
    token: slot.token,
    ticks: slot.length * sign + (index === 0 && leading === 0 ? spare : 0),
    guessed: !exact,
  }));
}

/** A bar that begins with "/" or holds only "%" goes on with the chord before, in this line or the last. */
function goOn(timed: Timed[], sign: ChordToken, ticks: Ticks, previous: string | null): void {
  const last = timed.pop();
  if (last) timed.push({ ...last, ticks: last.ticks + ticks });
  else if (previous !== null)
    timed.push({ token: { ...sign, kind: "chord", text: previous }, ticks, guessed: false });
}

function barsOf(tokens: readonly ChordToken[]): ChordToken[][] {
  const bars: ChordToken[][] = [[]];
  for (const token of tokens) {
    if (isBar(token)) bars.push([]);
    else if (token.kind !== "repeat-mark" && token.kind !== "remark") bars.at(-1)!.push(token);
  }
  return bars.filter((bar) => bar.length > 0);
}
