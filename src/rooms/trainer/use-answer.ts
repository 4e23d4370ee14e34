"use client";

import { useState } from "react";
import { type DuePress, type JudgedPress, judgePresses } from "@/performance/judged";
import type { Finished } from "@/performance/runner";

/** What a run came to. */
export type RunAnswer = {
  readonly judged: readonly JudgedPress[];
  readonly due: readonly DuePress[];
  /** How many presses of the plan come before the first one that was due. */
  readonly skipped: number;
};

/** The answer to the last run. @param keep is given every run in which something was due, to be put in its log */
export function useAnswer(keep: (judged: readonly JudgedPress[], isWhole: boolean) => void) {
  const [answer, setAnswer] = useState<RunAnswer | null>(null);
  const onEnd = ({ due, made, skipped, isWhole }: Finished) => {
    const judged = judgePresses(due, made);
    setAnswer({ judged, due, skipped });
    if (due.length > 0) keep(judged, isWhole);
  };
  return { answer, onEnd, clear: () => setAnswer(null) };
}
