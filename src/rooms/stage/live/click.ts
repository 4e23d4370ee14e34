import { useEffect, useRef } from "react";
import type { Place } from "@/core/stage";

/** A short tick on every beat, a higher one on the first of a bar; silent unless it is asked for. */
export function useClick(on: boolean, place: Place | null): void {
  const audio = useRef<AudioContext | null>(null);
  useEffect(() => {
    if (!on) return;
    audio.current = new AudioContext();
    return () => {
      void audio.current?.close();
      audio.current = null;
    };
  }, [on]);
  const counting = place?.phase === "counting";
  const beat = counting ? place.count : place?.phase === "playing" ? place.beat : 0;
  const bar = place?.bar ?? 0;
  // biome-ignore lint/correctness/useExhaustiveDependencies: a beat of another bar is another beat
  useEffect(() => {
    const context = audio.current;
    if (!on || !context || beat === 0) return;
    void context.resume();
    const voice = context.createOscillator();
    const level = context.createGain();
    voice.frequency.value = beat === 1 ? 1320 : 880;
    level.gain.setValueAtTime(0.25, context.currentTime);
    level.gain.exponentialRampToValueAtTime(0.001, context.currentTime + 0.05);
    voice.connect(level).connect(context.destination);
    voice.start();
    voice.stop(context.currentTime + 0.06);
  }, [on, beat, bar, counting]);
}
