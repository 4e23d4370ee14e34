"use client";

import { type RefObject, useMemo, useRef, useState } from "react";
import { actsOfPress, CLEAN_SECONDS, heardLayers, pedalFor, type Take, wayBack } from "@/core/loops";
import { add, batch, remove } from "@/core/song/edit";
import { clockOf, type Moment } from "@/core/song/moments";
import { judgePresses } from "@/performance/judged";
import { Looper, type LooperView, pieceTimes, scoreOfLoops, slowed } from "@/performance/loops";
import { makeId, useAct, useCurrentVersion } from "../../open";
import { keepRun, type RunView, useAnswer, useRunner } from "../../trainer";
import type { Loops, ShownPlan } from "../use-loops";
import { type JudgedTake, judgedTakes } from "./judged-takes";

/**
 * A run of the plan on the simulated looper: what it shows, the press that comes next, and the way back from where the
 * feet have strayed.
 * @param planned the plan in the song's own tempo
 * @param ropes the tracks' ropes; they burn frame by frame, outside React
 */
export function useLoopRun(
  loops: Loops,
  planned: ShownPlan,
  ropes: RefObject<readonly (HTMLDivElement | null)[]>,
  { pace, until, onRound }: Circled,
) {
  const shown = useMemo(() => slowed(planned, pace), [planned, pace]);
  const act = useAct();
  const current = useCurrentVersion();
  const { song } = shown;

  const keep = (judged: Parameters<typeof keepRun>[1], kind: Parameters<typeof keepRun>[3]) => {
    const { run, gone } = keepRun(Object.values(current().loopRuns), judged, makeId, kind);
    act(batch("Keep a run", [...gone.map((old) => remove("loopRuns", old)), add("loopRuns", run)]));
  };
  const { answer, onEnd, clear } = useAnswer((judged, whole) => keep(judged, { whole, of: "song" }));
  const [built, setBuilt] = useState<Built>(NOTHING_BUILT);
  const building = useRef<Built>(NOTHING_BUILT);
  /** The build is kept where anything of it was recorded. */
  const endBuild = () => {
    const { takes, taps } = building.current;
    building.current = NOTHING_BUILT;
    const judged = pressesOfBuild(shown, judgedTakes(shown, takes, taps));
    if (takes.length > 0)
      keep(judged, { whole: judged.every(({ judged: word }) => word !== "missed"), of: "build" });
  };
  const times = useMemo(() => pieceTimes(shown), [shown]);
  const run = useRunner<LooperView, Looper>({
    score: (way, place) => scoreOfLoops(shown, way, place, until),
    device: (context, way, place, songStart) =>
      new Looper(context, shown, way, place, songStart + (times[place] ?? 0), heardLayers(loops.body, song)),
    onEnd: (finished) => {
      onEnd(finished);
      if (!finished.isOver || finished.due.length === 0) return;
      onRound(judgePresses(finished.due, finished.made).every(({ judged }) => judged === "right"));
    },
    onFrame: (view) => {
      burn(ropes.current, view && burningOf(shown, view, run.current()?.seconds ?? 0));
      if (!view) endBuild();
      else if (run.running === "free" && view.takes !== building.current.takes) {
        if (view.takes.length !== building.current.takes.length)
          setBuilt({ takes: view.takes, taps: building.current.taps });
        building.current = { ...building.current, takes: view.takes };
      }
    },
  });
  /** A beat of what is recorded. @param stamp when it was tapped, on the browser's clock */
  const tap = (stamp: number) => {
    const runner = run.current();
    if (!runner || run.running !== "free") return;
    const at = runner.momentOf(stamp, performance.now());
    runner.device.tap(at);
    building.current = { ...building.current, taps: [...building.current.taps, at - runner.start] };
  };
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
  return {
    ...run,
    answer,
    clear: () => {
      clear();
      setBuilt(NOTHING_BUILT);
    },
    piece,
    next,
    pedals,
    isSoon,
    off,
    momentOf,
    tap,
    verdicts: useMemo(() => judgedTakes(shown, built.takes, built.taps), [shown, built]),
  };
}

/** What part of the song is run, and how fast. */
export type Circled = {
  /** Of the song's tempo, 1 being its own. */
  readonly pace: number;
  /** The last piece of it; to the end when undefined. */
  readonly until: number | undefined;
  /** Is told when feet came to its end, and whether every press was right. */
  readonly onRound: (isClean: boolean) => void;
};

/** What has been recorded of a build, and the beats that were tapped meanwhile; s from its first downbeat. */
type Built = { readonly takes: readonly Take[]; readonly taps: readonly number[] };
const NOTHING_BUILT: Built = { takes: [], taps: [] };

/** A build as its log keeps it: a press a pass, its close; what was not recorded was missed. */
function pressesOfBuild({ plan, song }: ShownPlan, takes: readonly JudgedTake[]) {
  return plan.build.passes.map((pass, at) => {
    const take = takes.findLast((one) => one.pass === at);
    const close = pass.presses.find((press) => press.at === "close")!;
    const act = `${close.press}-${close.track}`;
    const told = { due: at, made: null, place: "first", sung: false, where: "build" } as const;
    const pedal = pedalFor(song.box, act)?.act ?? act;
    if (!take) return { ...told, act: pedal, judged: "missed", ms: null } as const;
    const { closed, begun, isClean } = take.verdict;
    const off = Math.abs(closed) >= CLEAN_SECONDS ? closed : begun;
    const judged = isClean ? "right" : off < 0 ? "early" : "late";
    return { ...told, act: pedal, judged, ms: Math.round(closed * 1000) } as const;
  });
}

/** What burns: what goes round by its pass, what is recorded by the bars it is to have. */
function burningOf({ plan, song }: ShownPlan, view: LooperView, seconds: number): LooperView {
  const { recording } = view;
  if (!recording) return view;
  const pass = plan.build.passes.find(({ layers }) => layers.includes(recording.layer));
  const { tempo, beatsPerBar } = song.asked!;
  const lasts = ((pass?.bars ?? 1) * beatsPerBar * 60) / tempo;
  const share = Math.max(0, Math.min(1, (seconds - recording.since) / lasts));
  return { ...view, shares: view.shares.with(recording.track, share) };
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
    rope.dataset.records = String(view?.recording?.track === track);
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
