import type { Looper } from "./loop-case";
import { NO_PEDAL, type PedalPrices } from "./pedal-prices";
import { afterPress, bitsOf, costOfPress, type Pedal, type Press, type Sounding } from "./press";

type Timeless = Omit<Press, "late"> & Pedal;

/** The cheapest way known to a state, with the press that ends it. */
type Reached = { readonly cost: number; readonly press: Press | null; readonly back: number };

/** Every press that does something in a state. @param isHoped whether a pair may press a track that holds nothing yet */
function pressesFrom(
  sounding: Sounding,
  recorded: Sounding,
  looper: Looper,
  prices: PedalPrices,
  isHoped: boolean,
): Timeless[] {
  const effectOn = (track: number) => (sounding & (1 << track) ? ("stop" as const) : ("start" as const));
  const single = (track: number, price: number | null): Timeless => {
    const effect = effectOn(track);
    return { press: "track", track, effect, more: price ?? NO_PEDAL };
  };
  const found = bitsOf(recorded).map((track) => single(track, prices[effectOn(track)][track] ?? null));
  for (const tracks of prices.pairs) {
    const held = tracks.filter((track) => recorded & (1 << track));
    // The pedals of a pair are pressed at once, each as it is pressed alone; one that can't do its part does not.
    const each = held.map((track) => prices[effectOn(track)][track] ?? null);
    if (each.some((price) => price === null)) continue;
    const more = Math.max(0, ...each.map((price) => price!));
    if (held.length === 1 && isHoped) found.push(single(held[0]!, more));
    if (held.length < 2) continue;
    const effects = [effectOn(tracks[0]), effectOn(tracks[1])] as const;
    found.push({
      press: "pair",
      tracks,
      effect: effects.includes("start") ? "start" : "stop",
      effects,
      more,
    });
  }
  if (looper.allStart && (!looper.toggleAll || sounding === 0))
    found.push({ press: "start-all", effect: "start", more: prices.startAll });
  if (looper.allStop) found.push({ press: "stop-all", effect: "stop", more: prices.stopAll });
  return found;
}

/** The cheapest way from one state to every other: places are a state twice, before any press and after one (Dijkstra). */
function reach(from: Sounding, recorded: Sounding, looper: Looper, isHoped: boolean): Map<number, Reached> {
  const prices = looper.prices!;
  const placeOf = (state: Sounding, pressed: boolean) => state * 2 + (pressed ? 1 : 0);
  const best = new Map<number, Reached>([[placeOf(from, false), { cost: 0, press: null, back: -1 }]]);
  const open = new Set(best.keys());
  while (open.size > 0) {
    let place = -1;
    for (const one of open) if (place < 0 || best.get(one)!.cost < best.get(place)!.cost) place = one;
    open.delete(place);
    const [state, pressed] = [place >> 1, (place & 1) > 0];
    const late = pressed && !looper.quantised;
    for (const timeless of pressesFrom(state, recorded, looper, prices, isHoped)) {
      const after = afterPress(state, recorded, timeless);
      if (after === null) continue;
      const press = { ...timeless, late } as Press;
      const cost = best.get(place)!.cost + costOfPress(press);
      const next = placeOf(after, true);
      if (cost >= (best.get(next)?.cost ?? Number.POSITIVE_INFINITY)) continue;
      best.set(next, { cost, press, back: place });
      open.add(next);
    }
  }
  return best;
}

/** Presses as they are told: what costs nothing on top says nothing of it. */
const told = ({ more, ...press }: Press): Press => (more ? { ...press, more } : press) as Press;

/** The cheapest presses between two states on a box whose pedals cost differently. */
export function cheapestPresses(from: Sounding, to: Sounding, recorded: Sounding, looper: Looper): Press[] {
  const best = reach(from, recorded, looper, false);
  const presses: Press[] = [];
  for (let one = best.get(to * 2 + 1); one?.press; one = best.get(one.back)) presses.unshift(told(one.press));
  return presses;
}

/** More than any change costs. */
const UNREACHED = 0xffff;

/**
 * The cost of every change between states of `tracks` tracks: `from * 2^tracks + to`.
 * @param isHoped whether layers may still come to tracks that hold none: a pair then presses what is there, so that nothing
 *   costs more than when they have come
 */
export function pricedCosts(
  tracks: number,
  recorded: Sounding,
  looper: Looper,
  isHoped: boolean,
): Uint16Array {
  const states = 1 << tracks;
  const costs = new Uint16Array(states * states).fill(UNREACHED);
  for (let from = 0; from < states; from++) {
    if (from & ~recorded) continue;
    for (const [place, { cost }] of reach(from, recorded, looper, isHoped)) {
      const at = from * states + (place >> 1);
      costs[at] = Math.min(costs[at]!, cost);
    }
  }
  return costs;
}
