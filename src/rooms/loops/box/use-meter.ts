"use client";

import { useCallback, useEffect, useRef, useState } from "react";
import { peakOf } from "@/core/loops";
import { listen } from "@/ui/listen";

export type Meter = {
  readonly state: "off" | "asking" | "on" | "refused";
  /** The loudest peak of the last moment, and since it was turned on; dBFS. */
  readonly peak: number;
  readonly highest: number;
  readonly start: () => void;
  readonly stop: () => void;
};

/** Long enough that no peak falls between two waves. */
const SAMPLES = 8192;

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
    void listen(SAMPLES, (wave) => hear(peakOf(wave))).then(
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
