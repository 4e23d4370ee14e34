/** Tracks that sound, as bits: bit `i` is track `i`. */
export type Sounding = number;

export type Pedal =
  | { readonly press: "track"; readonly track: number }
  /** Two neighbours under one foot. */
  | { readonly press: "pair"; readonly tracks: readonly [number, number] }
  | { readonly press: "start-all" }
  | { readonly press: "stop-all" };

export type Effect = "start" | "stop";

/** A press of the foot, with what it does and whether it comes after another one at the same boundary. */
export type Press = Pedal & {
  /** Of a pair: a start where either comes in. */
  readonly effect: Effect;
  /** What a pair does to each of its tracks. */
  readonly effects?: readonly [Effect, Effect];
  readonly late: boolean;
  /** What the box makes it cost on top. */
  readonly more?: number;
};

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
  if (pedal.press === "track" || pedal.press === "pair") {
    const bits = pedal.press === "track" ? 1 << pedal.track : maskOf(pedal.tracks);
    return (recorded & bits) === bits ? sounding ^ bits : null;
  }
  const after = pedal.press === "start-all" ? recorded : 0;
  return after === sounding ? null : after;
}

const IN_OR_OUT = { start: "in", stop: "out" } as const;

/** A press in words. @example describePress({ press: "track", track: 1, effect: "stop", late: false }) // => "track 2 out" */
export function describePress(
  press: Pick<Press, "press" | "effect" | "effects"> & {
    readonly track?: number;
    readonly tracks?: readonly [number, number];
  },
): string {
  if (press.press === "start-all") return "all in";
  if (press.press === "stop-all") return "all out";
  if (press.press === "track") return `track ${press.track! + 1} ${IN_OR_OUT[press.effect]}`;
  const [one, other] = press.tracks!;
  const [first, second] = press.effects ?? [press.effect, press.effect];
  return first === second
    ? `tracks ${one + 1} and ${other + 1} ${IN_OR_OUT[first]}, one press`
    : `track ${one + 1} ${IN_OR_OUT[first]} and track ${other + 1} ${IN_OR_OUT[second]}, one press`;
}

export const costOfPress = ({ effect, late, more = 0 }: Pick<Press, "effect" | "late" | "more">): number =>
  PRESS_COST + more + (late ? (effect === "start" ? LATE_START : LATE_STOP) : 0);

export const costOfPresses = (presses: readonly Pick<Press, "effect" | "late" | "more">[]): number =>
  presses.reduce((sum, press) => sum + costOfPress(press), 0);

export function bitsOf(mask: number): number[] {
  const bits: number[] = [];
  for (let bit = 0; mask >> bit > 0; bit++) if (mask & (1 << bit)) bits.push(bit);
  return bits;
}

export const maskOf = (bits: readonly number[]): number => bits.reduce((mask, bit) => mask | (1 << bit), 0);
