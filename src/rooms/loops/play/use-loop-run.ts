"use client";

import { type RefObject, useMemo } from "react";
import { actsOfPress, heardLayers, pedalFor, wayBack } from "@/core/loops";
import { add, batch, remove } from "@/core/song/edit";
import { clockOf, type Moment } from "@/core/song/moments";
import { Looper, type LooperView, pieceTimes, scoreOfLoops } from "@/performance/loops";
import { makeId, useAct, useCurrentVersion } from "../../open";
import { keepRun, type RunView, useAnswer, useRunner } from "../../trainer";
import type { Loops, ShownPlan } from "../use-loops";

/**
 * A run of the plan on the simulated looper: what it shows, the press that comes next, and the way back from where the
 * feet have strayed.
 * @param ropes the tracks' ropes; they burn frame by frame, outside React
 */
export function useLoopRun(
  loops: Loops,
  shown: ShownPlan,
  ropes: RefObject<readonly (HTMLDivElement | null)[]>,
) {
  const act = useAct();
  const current = useCurrentVersion();
  const { song } = shown;

  const { answer, onEnd, clear } = useAnswer((judged) => {
    const { run, gone } = keepRun(Object.values(current().loopRuns), judged, makeId);
    act(batch("Keep a run", [...gone.map((old) => remove("loopRuns", old)), add("loopRuns", run)]));
  });
  const times = useMemo(() => pieceTimes(shown), [shown]);
  const run = useRunner<LooperView, Looper>({
    score: (way, place) => scoreOfLoops(shown, way, place),
    device: (context, way, place, songStart) =>
      new Looper(context, shown, way, place, songStart + (times[place] ?? 0), heardLayers(loops.body, song)),
    onEnd,
    onFrame: (view) => burn(ropes.current, view),
  });
  const { view, running } = run;
  const at = view ? times.findLastIndex((end) => end <= view.place + 1e-6) : 0;
  const piece = Math.max(0, Math.min(song.asked!.sections.length - 1, at));
  const next = view && running !== "free" ? shown.presses[nextPress(shown, view.seconds)] : undefined;
  const pedals = (next ? actsOfPress(next) : []).map(({ act, effect }) => pedalFor(song.box, act, effect));
  const isSoon =
    next !== undefined &&
    view !== null &&
    secondsOf(shown, next.tick) - view.seconds < 60 / song.asked!.tempo;
  const off = view && running === "feet" ? straying(shown, view, piece, times) : null;
  const clock = useMemo(() => clockOf(song.spans), [song.spans]);
  /** The moment of the song at a second of the loops' clock. */
  const momentOf = (seconds: number): Moment => clock.momentAt(Math.round(tickOf(shown, seconds)));
  return { ...run, answer, clear, piece, next, pedals, isSoon, off, momentOf };
}

/** As near to where a section begins as this a press may still be on its way, s. */
const ON_ITS_WAY_SECONDS = 0.4;

/** The way back from where the feet have strayed; null where they have not, or a press of the plan may still come. */
function straying(
  { song, plan }: ShownPlan,
  view: RunView<LooperView>,
  piece: number,
  times: readonly number[],
): ReturnType<typeof wayBack> | null {
  const asked = song.asked!;
  const inside = view.seconds - times[piece]!;
  const left = times[piece + 1]! - view.seconds;
  if (inside < ON_ITS_WAY_SECONDS || left < ON_ITS_WAY_SECONDS) return null;
  const beats = asked.tempo / 60;
  const passOf = (track: number) =>
    Math.max(0, ...plan.tracks[track]!.map((id) => asked.layers.find((layer) => layer.id === id)!.bars)) *
    asked.beatsPerBar;
  const way = wayBack(
    asked,
    plan,
    piece,
    view.sounding.filter((track) => (plan.tracks[track]?.length ?? 0) > 0),
    {
      section: inside * beats,
      tracks: view.shares.map((share, track) => (share === null ? null : share * passOf(track))),
    },
  );
  return way.isRight ? null : way;
}

const burn = (ropes: readonly (HTMLDivElement | null)[], view: LooperView | null): void => {
  for (const [track, rope] of ropes.entries()) {
    if (!rope) continue;
    const share = view?.shares[track] ?? null;
    rope.dataset.runs = String(share !== null);
    rope.style.setProperty("--burnt", String(share ?? 0));
  }
};

/** The tick of the song at a second of the loops' clock. */
const tickOf = (shown: ShownPlan, seconds: number): number =>
  shown.song.pieces[0]!.from + (seconds * shown.song.asked!.tempo * shown.song.beatTicks) / 60;

/** Seconds of the loops' clock at a tick of the song. */
const secondsOf = (shown: ShownPlan, tick: number): number =>
  ((tick - shown.song.pieces[0]!.from) * 60) / shown.song.asked!.tempo / shown.song.beatTicks;

const nextPress = (shown: ShownPlan, seconds: number): number =>
  shown.presses.findIndex(({ tick }) => secondsOf(shown, tick) > seconds - 0.3);
