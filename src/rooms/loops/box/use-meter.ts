"use client";

import { useCallback, useEffect, useRef, useState } from "react";
import { peakOf } from "@/core/loops";

export type Meter = {
  readonly state: "off" | "asking" | "on" | "refused";
  /** The loudest peak of the last moment, and since it was turned on; dBFS. */
  readonly peak: number;
  readonly highest: number;
  readonly start: () => void;
  readonly stop: () => void;
};

const EVERY_MS = 80;

/** A meter of the input, where a microphone is allowed. Nothing is recorded or sent. */
export function useMeter(): Meter {
  const [state, setState] = useState<Meter["state"]>("off");
  const [peak, setPeak] = useState(Number.NEGATIVE_INFINITY);
  const [highest, setHighest] = useState(Number.NEGATIVE_INFINITY);
  const release = useRef<(() => void) | null>(null);
  const stop = useCallback(() => {
    release.current?.();
    release.current = null;
    setState("off");
    setPeak(Number.NEGATIVE_INFINITY);
  }, []);
  const start = useCallback(() => {
    setState("asking");
    setHighest(Number.NEGATIVE_INFINITY);
    const hear = (level: number) => {
      setPeak(level);
      setHighest((before) => Math.max(before, level));
    };
    void listen(hear).then(
      (end) => {
        release.current?.();
        release.current = end;
        setState("on");
      },
      () => setState("refused"),
    );
  }, []);
  useEffect(() => () => release.current?.(), []);
  return { state, peak, highest, start, stop };
}

async function listen(hear: (level: number) => void): Promise<() => void> {
  const stream = await navigator.mediaDevices.getUserMedia({
    audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false },
  });
  const context = new AudioContext();
  const analyser = context.createAnalyser();
  analyser.fftSize = 8192;
  context.createMediaStreamSource(stream).connect(analyser);
  const wave = new Float32Array(analyser.fftSize);
  const timer = setInterval(() => {
    analyser.getFloatTimeDomainData(wave);
    hear(peakOf(wave));
  }, EVERY_MS);
  return () => {
    clearInterval(timer);
    for (const track of stream.getTracks()) track.stop();
    void context.close();
  };
}
