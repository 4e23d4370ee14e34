import type { Looper } from "./loop-case";

/** Tracks that sound, as bits: bit `i` is track `i`. */
export type Sounding = number;

export type Pedal =
  | { readonly press: "track"; readonly track: number }
  | { readonly press: "start-all" }
  | { readonly press: "stop-all" };

/** A press of the foot, with what it does and whether it comes after another one at the same boundary. */
export type Press = Pedal & { readonly effect: "start" | "stop"; readonly late: boolean };

/** What a press costs: itself, and more when it is late. From us, no source. */
export const PRESS_COST = 1;
export const LATE_STOP = 3;
export const LATE_START = 8;

/**
 * What sounds after a press. The same step drives the planner, the simulated box and the trainer.
 * @param recorded the tracks that hold something; the others can't be pressed
 * @returns null for a press that changes nothing
 * @example afterPress(0b0110, 0b0111, { press: "track", track: 0 }) // => 0b0111
 */
export function afterPress(sounding: Sounding, recorded: Sounding, pedal: Pedal): Sounding | null {
  if (pedal.press === "track") {
    const bit = 1 << pedal.track;
    return (recorded & bit) === 0 ? null : sounding ^ bit;
  }
  const after = pedal.press === "start-all" ? recorded : 0;
  return after === sounding ? null : after;
}

/** A press in words. @example describePress({ press: "track", track: 1, effect: "stop", late: false }) // => "track 2 out" */
export function describePress(press: Pick<Press, "press" | "effect"> & { readonly track?: number }): string {
  if (press.press === "start-all") return "all in";
  if (press.press === "stop-all") return "all out";
  return `track ${press.track! + 1} ${press.effect === "start" ? "in" : "out"}`;
}

export const costOfPress = ({ effect, late }: Pick<Press, "effect" | "late">): number =>
  PRESS_COST + (late ? (effect === "start" ? LATE_START : LATE_STOP) : 0);

export const costOfPresses = (presses: readonly Pick<Press, "effect" | "late">[]): number =>
  presses.reduce((sum, press) => sum + costOfPress(press), 0);

export function bitsOf(mask: number): number[] {
  const bits: number[] = [];
  for (let bit = 0; mask >> bit > 0; bit++) if (mask & (1 << bit)) bits.push(bit);
  return bits;
}

export const maskOf = (bits: readonly number[]): number => bits.reduce((mask, bit) => mask | (1 << bit), 0);

/**
 * The cheapest presses at one boundary. Starts go before stops, because a late start costs most; then everything in
 * and single ones out; then everything out and single ones in. Of equals the first of these three. One pedal for both lets
 * everything in only from silence: then silence first, all in again and single ones out is a way too.
 * @example pressesBetween(0, 0b1110, 0b1111, box) // => start-all, then track 0 out (late): cost 5
 */
export function pressesBetween(from: Sounding, to: Sounding, recorded: Sounding, looper: Looper): Press[] {
  if (from === to) return [];
  const late = (index: number) => index > 0 && !looper.quantised;
  const track = (effect: "start" | "stop") => (bit: number) => ({
    press: "track" as const,
    track: bit,
    effect,
  });
  const ways = [
    [...bitsOf(to & ~from).map(track("start")), ...bitsOf(from & ~to).map(track("stop"))],
  ] as Omit<Press, "late">[][];
  const allIn = [
    { press: "start-all", effect: "start" } as const,
    ...bitsOf(recorded & ~to).map(track("stop")),
  ];
  const allOut = { press: "stop-all", effect: "stop" } as const;
  if (looper.allStart && from !== recorded && (!looper.toggleAll || from === 0)) ways.push(allIn);
  if (looper.allStop && from !== 0) ways.push([allOut, ...bitsOf(to).map(track("start"))]);
  if (looper.toggleAll && looper.allStart && from !== 0)
    ways.push([...(looper.allStop ? [allOut] : bitsOf(from).map(track("stop"))), ...allIn]);
  let best: Press[] | null = null;
  for (const way of ways) {
    const presses = way.map((press, index) => ({ ...press, late: late(index) }) as Press);
    if (!best || costOfPresses(presses) < costOfPresses(best)) best = presses;
  }
  return best!;
}

/** The cost of every change between states of `tracks` recorded tracks: `from * 2^tracks + to`. */
export function changeCosts(tracks: number, looper: Looper): Uint16Array {
  const states = 1 << tracks;
  const costs = new Uint16Array(states * states);
  for (let from = 0; from < states; from++)
    for (let to = 0; to < states; to++)
      costs[from * states + to] = costOfPresses(pressesBetween(from, to, states - 1, looper));
  return costs;
}
