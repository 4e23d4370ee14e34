import { cheapestPresses, pricedCosts } from "./cheapest-presses";
import type { Looper } from "./loop-case";
import { bitsOf, costOfPresses, type Effect, type Press, type Sounding } from "./press";

/**
 * The cheapest presses at one boundary. Starts go before stops, because a late start costs most; then everything in
 * and single ones out; then everything out and single ones in. Of equals the first of these three. One pedal for both lets
 * everything in only from silence: then silence first, all in again and single ones out is a way too. Where pedals cost
 * differently, the cheapest of all ways is sought.
 * @example pressesBetween(0, 0b1110, 0b1111, box) // => start-all, then track 0 out (late): cost 5
 */
export function pressesBetween(from: Sounding, to: Sounding, recorded: Sounding, looper: Looper): Press[] {
  if (from === to) return [];
  if (looper.prices) return cheapestPresses(from, to, recorded, looper);
  const late = (index: number) => index > 0 && !looper.quantised;
  const track = (effect: Effect) => (bit: number) => ({
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
  if (looper.prices) return pricedCosts(tracks, states - 1, looper, false);
  const costs = new Uint16Array(states * states);
  for (let from = 0; from < states; from++)
    for (let to = 0; to < states; to++)
      costs[from * states + to] = costOfPresses(pressesBetween(from, to, states - 1, looper));
  return costs;
}
