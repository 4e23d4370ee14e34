"use client";

import { useCallback, useEffect, useRef, useState } from "react";
import type { StrokeClick } from "@/core/rhythm";

/** Before the first click, so that none is late. */
const LEAD_S = 0.06;

/** Plays clicks once; asked again while they sound, it stops. Only one sounds at a time. */
export function useClicks(): {
  /** What is sounding, by the name it was begun with; null in silence. */
  readonly playing: string | null;
  /** When the first click sounds or sounded, in ms of the page's clock; null in silence. */
  readonly since: number | null;
  readonly toggle: (name: string, clicks: readonly StrokeClick[]) => void;
  readonly stop: () => void;
} {
  const audio = useRef<AudioContext | null>(null);
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  const [playing, setPlaying] = useState<string | null>(null);
  const [since, setSince] = useState<number | null>(null);
  const stop = useCallback(() => {
    if (timer.current !== null) clearTimeout(timer.current);
    timer.current = null;
    void audio.current?.close();
    audio.current = null;
    setPlaying(null);
    setSince(null);
  }, []);
  useEffect(() => stop, [stop]);
  const toggle = (name: string, clicks: readonly StrokeClick[]) => {
    const isSame = playing === name;
    stop();
    if (isSame) return;
    const context = new AudioContext({ latencyHint: "interactive" });
    audio.current = context;
    const start = context.currentTime + LEAD_S;
    for (const click of clicks) sound(context, start, click);
    const last = Math.max(0, ...clicks.map(({ ms, lastsMs }) => ms + lastsMs));
    timer.current = setTimeout(stop, last + LEAD_S * 1000 + 50);
    setPlaying(name);
    setSince(performance.now() + (LEAD_S + (context.outputLatency || 0)) * 1000);
  };
  return { playing, since, toggle, stop };
}

function sound(context: AudioContext, start: number, { ms, hz, gain, lastsMs }: StrokeClick): void {
  const voice = context.createOscillator();
  const level = context.createGain();
  const at = start + ms / 1000;
  const end = at + lastsMs / 1000;
  voice.type = "triangle";
  voice.frequency.value = hz;
  level.gain.setValueAtTime(gain, at);
  level.gain.exponentialRampToValueAtTime(0.001, end);
  voice.connect(level).connect(context.destination);
  voice.start(at);
  voice.stop(end + 0.01);
}
