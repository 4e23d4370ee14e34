"use client";

import { useCallback, useEffect, useRef, useState } from "react";
import { nearestPitch } from "@/core/pitch";
import { listen } from "@/ui/listen";

/** What the microphone hears: a pitch with its deviation, or nothing clear. */
export type Heard = { readonly midi: number; readonly cents: number; readonly hz: number } | null;

export type Microphone = {
  readonly state: "off" | "asking" | "on" | "refused";
  readonly heard: Heard;
  readonly start: () => void;
  readonly stop: () => void;
};

/** Long enough for the lowest string of a bass. */
const WINDOW = 4096;
/** How sure the detector must be, and how loud the sound at least (root mean square). */
const CLEAR = 0.93;
const LOUD = 0.008;
const LOWEST_HZ = 25;
const HIGHEST_HZ = 1400;

const loudness = (wave: Float32Array): number =>
  Math.sqrt(wave.reduce((sum, one) => sum + one * one, 0) / wave.length);

/**
 * Listens for single notes while it is on. Nothing is recorded or sent; the microphone is let go when it is turned
 * off or the page is left.
 */
export function useMicrophone(): Microphone {
  const [state, setState] = useState<Microphone["state"]>("off");
  const [heard, setHeard] = useState<Heard>(null);
  const release = useRef<(() => void) | null>(null);

  const stop = useCallback(() => {
    release.current?.();
    release.current = null;
    setState("off");
    setHeard(null);
  }, []);

  const start = useCallback(() => {
    setState("asking");
    void hearPitches(setHeard).then(
      (end) => {
        release.current?.();
        release.current = end;
        setState("on");
      },
      () => setState("refused"),
    );
  }, []);

  useEffect(() => () => release.current?.(), []);
  return { state, heard, start, stop };
}

/** Tells each pitch the microphone hears; gives what lets it go. */
async function hearPitches(tell: (heard: Heard) => void): Promise<() => void> {
  const { PitchDetector } = await import("pitchy");
  const detector = PitchDetector.forFloat32Array(WINDOW);
  return listen(WINDOW, (wave, sampleRate) => {
    const [hz, clarity] = detector.findPitch(wave, sampleRate);
    const isNote = clarity >= CLEAR && hz >= LOWEST_HZ && hz <= HIGHEST_HZ && loudness(wave) >= LOUD;
    tell(isNote ? { ...nearestPitch(hz), hz } : null);
  });
}
