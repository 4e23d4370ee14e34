"use client";

import { useCallback, useEffect, useEffectEvent, useRef, useState } from "react";
import type { PedalAct } from "@/performance/pedals";
import { countOn, type Device, type Finished, Runner, type Score, type Way } from "@/performance/runner";

/** How often a run steps on, ms. */
const STEP_MS = 25;
/** How often the screen is told, s. */
const SHOWN_SECONDS = 0.08;

/** What the screen shows of a run. */
export type RunView<View> = View & {
  /** Seconds of the song; below where it begins while counting in. */
  readonly seconds: number;
  /** When it was so, on the browser's clock, ms: a screen may be drawn late. */
  readonly stamp: number;
  /** The second of the song that is played, or comes first. */
  readonly place: number;
};

type Open<View, Own extends Device<View>> = {
  readonly context: AudioContext;
  readonly runner: Runner<View, Own>;
};

/**
 * Runs a device through a song on the audio clock.
 * @param score the song as it is run, from a place on
 * @param device makes the device; it is told when the song begins on the audio clock
 * @param onEnd is told what feet made of it
 * @param onFrame is told every frame what the device shows, where more is drawn than React may draw; null at the end
 */
export function useRunner<View extends object, Own extends Device<View>>({
  score,
  device,
  onEnd,
  onFrame,
}: {
  readonly score: (way: Way, from: number) => Score;
  readonly device: (context: AudioContext, way: Way, from: number, start: number) => Own;
  readonly onEnd: (finished: Finished) => void;
  readonly onFrame?: (view: View | null) => void;
}) {
  const open = useRef<Open<View, Own> | null>(null);
  const starts = useRef(0);
  const [running, setRunning] = useState<Way | null>(null);
  const [view, setView] = useState<RunView<View> | null>(null);
  const [clicks, setClicks] = useState(true);

  const close = useCallback((): Finished | null => {
    const run = open.current;
    open.current = null;
    starts.current++;
    if (!run) return null;
    const finished = run.runner.finished();
    run.runner.device.end();
    void run.context.close();
    return finished;
  }, []);
  const stop = () => {
    const finished = close();
    setRunning(null);
    setView(null);
    onFrame?.(null);
    if (finished) onEnd(finished);
  };
  const start = async (way: Way, from: number) => {
    stop();
    const own = starts.current;
    const context = new AudioContext({ latencyHint: "interactive" });
    await context.resume();
    if (own !== starts.current) {
      void context.close();
      return;
    }
    const runner = new Runner<View, Own>(
      context,
      way,
      score(way, from),
      (songStart) => device(context, way, from, songStart),
      (at, strong) => countOn(context, at, strong),
    );
    open.current = { context, runner };
    setRunning(way);
  };

  const onStep = useEffectEvent(() => {
    if (open.current?.runner.step(clicks)) stop();
  });
  const onDraw = useEffectEvent((shown: number): number => {
    const run = open.current;
    if (!run) return shown;
    const { currentTime } = run.context;
    const now = run.runner.device.view(currentTime);
    onFrame?.(now);
    if (currentTime - shown < SHOWN_SECONDS) return shown;
    const { seconds, begin } = run.runner;
    setView({ ...now, seconds, stamp: performance.now(), place: Math.max(begin, seconds) });
    return currentTime;
  });
  useEffect(() => {
    if (running === null) return;
    const timer = setInterval(onStep, STEP_MS);
    let shown = Number.NEGATIVE_INFINITY;
    let frame = 0;
    const draw = () => {
      shown = onDraw(shown);
      frame = requestAnimationFrame(draw);
    };
    draw();
    return () => {
      clearInterval(timer);
      cancelAnimationFrame(frame);
    };
  }, [running]);
  const onLeave = useEffectEvent(() => {
    const finished = close();
    if (finished) onEnd(finished);
  });
  useEffect(() => () => onLeave(), []);

  return {
    view,
    running,
    start,
    stop,
    clicks,
    setClicks,
    press: (act: PedalAct) => open.current?.runner.press(act, performance.now()),
    /** The run that is on, for what is not a press of a foot. */
    current: () => open.current?.runner ?? null,
  };
}
