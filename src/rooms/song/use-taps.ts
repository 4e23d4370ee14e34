"use client";

import { type RefObject, useEffect, useRef, useState } from "react";
import { countOn } from "@/performance/runner";

/** How far ahead clicks are handed to the audio clock, and how often that is looked at, in ms. */
const AHEAD = 200;
const LOOK_EVERY = 40;
/** From the press that starts it to the first click of the count-in. */
const LEAD = 300;
const IN_A_MINUTE = 60_000;

type Running = {
  /** The first downbeat after the count-in, on the page's clock. */
  readonly start: number;
  readonly beat: number;
  readonly audio: AudioContext;
  readonly timer: ReturnType<typeof setInterval>;
  readonly taps: number[];
};

export type TapsState = "idle" | "running" | "over";

/**
 * A click with a bar of count-in, and the moments tapped to it.
 * @param most after so many taps it is over
 */
export function useTaps(tempo: number, bar: number, most: number) {
  const [state, setState] = useState<TapsState>("idle");
  const [taps, setTaps] = useState<readonly number[]>([]);
  /** The click that sounded last, counted from the first downbeat; below 0 it is counted in. */
  const [click, setClick] = useState<number | null>(null);
  const running = useRef<Running | null>(null);
  const [clock, setClock] = useState({ start: 0, beat: 1 });
  /** Whole bars, and whole beats: two bars of three and a half. */
  const countIn = Number.isInteger(bar) ? Math.max(2, bar) : Math.round(2 * bar);

  useEffect(() => () => silence(running), []);

  const begin = () => {
    silence(running);
    const beat = IN_A_MINUTE / tempo;
    const audio = new AudioContext({ latencyHint: "interactive" });
    void audio.resume();
    const first = performance.now() + LEAD;
    const start = first + countIn * beat;
    let next = -countIn;
    const look = () => {
      const now = performance.now();
      for (; start + next * beat < now + AHEAD; next++) {
        const at = audio.currentTime + Math.max(0, start + next * beat - now) / 1000;
        countOn(audio, at, Number.isInteger(next / bar));
      }
      setClick(Math.floor((now - start) / beat));
    };
    running.current = { start, beat, audio, timer: setInterval(look, LOOK_EVERY), taps: [] };
    setClock({ start, beat });
    setTaps([]);
    setState("running");
    look();
  };
  const end = () => {
    silence(running);
    setState("over");
  };
  /** @param at when the key or pad went down, on the page's clock in ms */
  const tap = (at: number) => {
    const now = running.current;
    // Nobody taps a whole beat before the song begins: that is a foot that counts along.
    if (!now || at < now.start - now.beat / 2) return;
    const heard = at - 1000 * (now.audio.outputLatency || 0);
    now.taps.push(heard);
    setTaps([...now.taps]);
    if (now.taps.length >= most) end();
  };
  const reset = () => {
    silence(running);
    setTaps([]);
    setClick(null);
    setState("idle");
  };
  return { state, taps, click, clock, countIn, begin, tap, end, reset };
}

function silence(running: RefObject<Running | null>): void {
  const now = running.current;
  running.current = null;
  if (!now) return;
  clearInterval(now.timer);
  void now.audio.close();
}
