import type { LoopBox } from "../../song/schema";
import type { Looper } from "../loop-case";
import type { PedalPrices } from "../pedal-prices";
import type { Press } from "../press";

type Pedals = Pick<LoopBox, "pedals">;
/** How a pedal is used: pressed once, twice quickly, or held. */
export type PedalWay = "press" | "double" | "hold";
const WAYS: readonly PedalWay[] = ["press", "double", "hold"];

/** A pedal of a box, by its place in the list, with how it is used and what it then does. */
export type BoxPedal = { readonly at: number; readonly way: PedalWay; readonly act: string };

/** The acts that do what is asked, the plainest first. @example actsFor("stop-all") // => ["stop-all", "toggle-all"] */
function actsFor(act: string, effect?: "start" | "stop"): string[] {
  if (act === "start-all" || act === "stop-all") return [act, "toggle-all"];
  const [kind, track] = act.split("-");
  if (kind !== "track") return [act];
  return [
    act,
    ...(effect === "stop" ? [] : [`start-${track}`]),
    ...(effect === "start" ? [] : [`stop-${track}`]),
  ];
}

/**
 * The pedal of an act, pressed rather than pressed twice, and that rather than held; null where no pedal does it.
 * @param effect whether a track goes in or out by it, where that is known: a pedal may do one of them only
 * @example pedalFor(box, "track-1", "stop") // => { at: 1, way: "press", act: "track-1" }
 */
export function pedalFor({ pedals }: Pedals, act: string, effect?: "start" | "stop"): BoxPedal | null {
  for (const way of WAYS)
    for (const one of actsFor(act, effect)) {
      const at = pedals.findIndex((pedal) => pedal[way] === one);
      if (at >= 0) return { at, way, act: one };
    }
  return null;
}

/** What each single act of a press is, with what it does: two for two neighbours, else one. */
export const actsOfPress = (
  press: Press,
): readonly { readonly act: string; readonly effect: "start" | "stop" }[] =>
  press.press === "pair"
    ? press.tracks.map((track, at) => ({
        act: `track-${track}`,
        effect: press.effects?.[at] ?? press.effect,
      }))
    : [{ act: press.press === "track" ? `track-${press.track}` : press.press, effect: press.effect }];

/** What a way of using a pedal costs on top. */
const moreOf = ({ doubleMore, holdMore }: LoopBox, way: PedalWay): number =>
  way === "press" ? 0 : way === "double" ? doubleMore : holdMore;

/** What an act costs on top on a box; null where no pedal does it. */
function priceOf(box: LoopBox, act: string, effect: "start" | "stop"): number | null {
  const prices = WAYS.flatMap((way) =>
    box.pedals.some((pedal) => actsFor(act, effect).includes(pedal[way])) ? [moreOf(box, way)] : [],
  );
  return prices.length === 0 ? null : Math.min(...prices);
}

/** Whether any pedal lets a track in or takes it out. */
export const hasOwnPedal = (box: Pedals, track: number): boolean => pedalFor(box, `track-${track}`) !== null;

/** Tracks whose pedals stand beside each other and are pressed once: one foot takes both. */
function pairsOf({ pedals, tracks, neighbours }: LoopBox): PedalPrices["pairs"] {
  if (!neighbours) return [];
  const trackOf = (at: number): number | null => {
    const [kind, track] = (pedals[at]?.press ?? "").split("-");
    return kind === "track" && Number(track) < tracks ? Number(track) : null;
  };
  return pedals.flatMap((_, at) => {
    const [one, other] = [trackOf(at), trackOf(at + 1)];
    return one === null || other === null || one === other ? [] : [[one, other] as const];
  });
}

/** The prices of a box's pedals; none where all are plain. A track without any pedal counts as plain: that is told apart. */
function pricesOf(box: LoopBox): PedalPrices | undefined {
  const each = (effect: "start" | "stop") =>
    Array.from({ length: box.tracks }, (_, track) =>
      hasOwnPedal(box, track) ? priceOf(box, `track-${track}`, effect) : 0,
    );
  const prices: PedalPrices = {
    start: each("start"),
    stop: each("stop"),
    startAll: priceOf(box, "start-all", "start") ?? 0,
    stopAll: priceOf(box, "stop-all", "stop") ?? 0,
    pairs: pairsOf(box),
  };
  const isPlain =
    prices.pairs.length === 0 &&
    [...prices.start, ...prices.stop, prices.startAll, prices.stopAll].every((price) => price === 0);
  return isPlain ? undefined : prices;
}

/** A box as a plan sees it. */
export function looperOfBox(box: LoopBox): Looper {
  const { tracks, quantised, toggleAll, muted } = box;
  return {
    tracks,
    allStart: box.allStart || toggleAll,
    allStop: box.allStop || toggleAll,
    toggleAll,
    quantised,
    muted,
    prices: pricesOf(box),
  };
}
