"use client";

import { useCallback, useEffect, useRef, useState } from "react";
import {
  actOfPedal,
  type BoxState,
  bitsOf,
  type DuePress,
  duePresses,
  emptyBox,
  heardLayers,
  type MadePress,
  maskOf,
  sectionBeats,
  shareOf,
  soundingBefore,
  soundingOf,
} from "@/core/loops";
import type { VersionBody } from "@/core/song/schema";
import type { Finished, PedalAct } from "../../trainer";
import type { ShownPlan } from "../use-loops";
import { LoopPlayer } from "./loop-player";

/** Free: an empty box. Shown: the plan runs by itself. Feet: the plan's layers are on the box, and the feet are judged. */
export type RunWay = "show" | "feet" | "free";

/** What the screen shows of a run, told some times a second. */
export type RunView = {
  /** Seconds of the song; below 0 while counting in. */
  readonly seconds: number;
  readonly piece: number;
  readonly sounding: readonly number[];
  readonly recording: { readonly track: number; readonly layer: string } | null;
  readonly waiting: number;
  /** What each track holds now. */
  readonly holds: readonly (readonly string[])[];
};

type Going = {
  readonly player: LoopPlayer;
  readonly way: RunWay;
  readonly start: number;
  /** Where in the song it begins, s: what comes before is the count-in. */
  readonly begin: number;
  readonly end: number;
  readonly skipped: number;
  readonly due: readonly DuePress[];
  next: number;
  counted: number;
  made: MadePress[];
  /** The box before the last press, and what was made of that press: both are taken back for a double or a held one. */
  before: BoxState;
  wasMade: boolean;
};

/** The box as it stands before the first section: every layer of the plan recorded. */
function loadedBox(shown: ShownPlan, beatSeconds: number): BoxState {
  const asked = shown.song.asked!;
  const lengths = new Map(asked.layers.map(({ id, bars }) => [id, bars * asked.beatsPerBar * beatSeconds]));
  const recorded = maskOf(shown.plan.tracks.flatMap((ids, track) => (ids.length > 0 ? [track] : [])));
  const sounding = soundingBefore(asked, recorded);
  return {
    ...emptyBox(asked.looper.tracks),
    tracks: shown.plan.tracks.map((ids, track) => ({
      recorded: ids.map((layer) => ({ layer, seconds: lengths.get(layer)! })),
      runs: (sounding & (1 << track)) !== 0,
      since: 0,
    })),
    order: shown.plan.build.order.flat().flatMap((layer) => {
      const track = shown.plan.tracks.findIndex((ids) => ids.includes(layer));
      return track < 0 ? [] : [{ track, layer }];
    }),
  };
}

/** Runs the simulated looper on the audio clock. `burn` is told each frame how far every track's pass is. */
export function useRun(
  body: VersionBody,
  shown: ShownPlan,
  burn: (track: number, share: number | null) => void,
  onEnd: (finished: Finished) => void,
) {
  const going = useRef<Going | null>(null);
  const [view, setView] = useState<RunView | null>(null);
  const [running, setRunning] = useState<RunWay | null>(null);
  const [clicks, setClicks] = useState(true);
  const asked = shown.song.asked!;
  const beatSeconds = 60 / asked.tempo;
  const latest = useRef({ burn, onEnd, clicks });
  latest.current = { burn, onEnd, clicks };

  const stop = useCallback(() => {
    const run = going.current;
    if (!run) return;
    going.current = null;
    run.player.silence();
    const now = run.player.context.currentTime - run.start;
    void run.player.context.close();
    setRunning(null);
    setView(null);
    for (const track of run.player.state.tracks.keys()) latest.current.burn(track, null);
    if (run.way === "feet") {
      const isWhole = run.begin === 0 && run.due.every(({ seconds }) => seconds < now);
      latest.current.onEnd({
        skipped: run.skipped,
        due: run.due.filter(({ seconds }) => seconds < now),
        made: run.made,
        isWhole,
      });
    }
  }, []);

  const starts = useRef(0);
  const start = async (way: RunWay, from: number) => {
    stop();
    const own = ++starts.current;
    const context = new AudioContext({ latencyHint: "interactive" });
    await context.resume();
    if (own !== starts.current) {
      void context.close();
      return;
    }
    const layers = new Map(
      heardLayers(body, shown.song).map((layer) => [layer.id, { ...layer, beatSeconds }] as const),
    );
    const settings = { ...shown.song.box, ...(way === "show" ? { quantised: false } : {}) };
    const ends = sectionBeats(asked).map((beat) => beat * beatSeconds);
    const begin = ends[from] ?? 0;
    const countIn = asked.beatsPerBar * beatSeconds;
    const songStart = context.currentTime + 0.2 + countIn - begin;
    const loaded = way === "free" ? emptyBox(asked.looper.tracks) : loadedBox(shown, beatSeconds);
    const planned =
      from > 0 && way !== "free" ? maskOf(shown.plan.states[from - 1] ?? []) : soundingOf(loaded);
    const box = {
      ...loaded,
      tracks: loaded.tracks.map((track, at) => ({
        ...track,
        runs: (planned & (1 << at)) !== 0,
        since: songStart + begin,
      })),
    };
    const player = new LoopPlayer(context, settings, layers, box);
    const all = way === "free" ? [] : duePresses(shown.song, shown.plan);
    const due = all.filter(({ seconds }) => seconds >= begin - 1e-6);
    going.current = {
      player,
      way,
      start: songStart,
      begin,
      end: way === "free" ? Number.POSITIVE_INFINITY : ends.at(-1)! + 1.5,
      skipped: all.length - due.length,
      due,
      next: 0,
      counted: Math.round((begin - countIn) / beatSeconds),
      made: [],
      before: box,
      wasMade: false,
    };
    setRunning(way);
  };

  /** A pedal's act at the moment it happened, on the audio clock. */
  const press = ({ act, instead, stamp }: PedalAct) => {
    const run = going.current;
    if (!run || run.way === "show") return;
    const { player } = run;
    const at = player.context.currentTime - Math.max(0, Math.min(0.2, (performance.now() - stamp) / 1000));
    if (instead) {
      player.restore(run.before, at);
      if (run.wasMade) run.made = run.made.slice(0, -1);
    } else run.before = player.state;
    run.wasMade = act !== "none";
    const next = (track: number) => {
      const held = new Set(player.state.tracks.flatMap(({ recorded }) => recorded.map(({ layer }) => layer)));
      const planned = shown.plan.tracks[track] ?? [];
      const order = shown.plan.build.order.flat();
      return (
        order.find((layer) => planned.includes(layer) && !held.has(layer)) ??
        order.find((layer) => !held.has(layer)) ??
        null
      );
    };
    const doing = actOfPedal(act, next);
    if (run.wasMade) run.made = [...run.made, { seconds: at - run.start, act }];
    if (doing) player.press(doing, at);
  };

  // biome-ignore lint/correctness/useExhaustiveDependencies: the loop reads the present run from its ref
  useEffect(() => {
    if (running === null) return;
    const pieceEnds = sectionBeats(asked).map((beat) => beat * beatSeconds);
    const step = () => {
      const run = going.current;
      if (!run) return;
      const { player } = run;
      const now = player.context.currentTime;
      while (
        run.way === "show" &&
        run.next < run.due.length &&
        run.due[run.next]!.seconds + run.start <= now + 0.1
      ) {
        const { act, seconds } = run.due[run.next++]!;
        const doing = actOfPedal(act, () => null);
        if (doing) player.press(doing, run.start + seconds);
      }
      const last = Math.round(pieceEnds.at(-1)! / beatSeconds);
      while (run.start + run.counted * beatSeconds < now + 0.15) {
        const beat = run.counted++;
        const inBar = ((beat % asked.beatsPerBar) + asked.beatsPerBar) % asked.beatsPerBar;
        const isCountIn = beat * beatSeconds < run.begin - 1e-6;
        if ((latest.current.clicks || isCountIn) && (beat < last || run.way === "free"))
          player.count(run.start + beat * beatSeconds, inBar === 0);
      }
      player.tick();
      if (now - run.start > run.end) stop();
    };
    const timer = setInterval(step, 25);
    let frame = 0;
    let told = 0;
    const draw = () => {
      frame = requestAnimationFrame(draw);
      const run = going.current;
      if (!run) return;
      const { state, context } = run.player;
      const now = context.currentTime;
      for (const [track, one] of state.tracks.entries())
        latest.current.burn(track, now < one.since ? null : shareOf(one, now));
      if (now - told < 0.1) return;
      told = now;
      const seconds = now - run.start;
      const at = pieceEnds.findLastIndex((end) => end <= seconds);
      setView({
        seconds,
        piece: Math.max(0, Math.min(asked.sections.length - 1, at)),
        sounding: bitsOf(soundingOf(state)),
        recording: state.recording,
        waiting: state.waiting.length,
        holds: state.tracks.map(({ recorded }) => recorded.map(({ layer }) => layer)),
      });
    };
    draw();
    return () => {
      clearInterval(timer);
      cancelAnimationFrame(frame);
    };
  }, [running]);
  useEffect(
    () => () => {
      starts.current++;
      stop();
    },
    [stop],
  );

  return { view, running, start, stop, press, clicks, setClicks };
}
