"use client";

import { useState } from "react";
import { nextPace } from "@/performance/loops";
import type { Circled } from "./use-loop-run";

/** A hard spot that is gone through round and round, slower at first and quicker when it is clean. */
export function useCircle(from: number) {
  const [last, setLast] = useState<number | null>(null);
  const [isOn, setOn] = useState(false);
  const [pace, setPace] = useState(1);
  const [unclean, setUnclean] = useState(0);
  const [round, setRound] = useState(0);
  const until = last === null || last < from ? undefined : last;
  const onRound = (isClean: boolean) => {
    if (!isOn) return;
    const missed = isClean ? 0 : unclean + 1;
    setUnclean(missed);
    setPace(nextPace(pace, missed));
    setRound(round + 1);
  };
  return {
    last: until ?? null,
    setLast,
    isOn,
    setOn: (on: boolean) => {
      setUnclean(0);
      setOn(on);
    },
    pace,
    setPace,
    /** How many rounds have ended; a new one begins with each. */
    round,
    circled: { pace, until, onRound } satisfies Circled,
  };
}

export type Circle = ReturnType<typeof useCircle>;
