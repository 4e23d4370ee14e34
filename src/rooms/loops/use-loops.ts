"use client";

import { useMemo } from "react";
import type { Judged } from "@/core/findings";
import {
  describeLoopProblem,
  describeSongLoopProblem,
  type FootPress,
  footPresses,
  LOOP_FIXING,
  type LoopFinding,
  type LoopPlan,
  loopFindings,
  type SongLoops,
} from "@/core/loops";
import type { VersionBody } from "@/core/song/schema";
import { type Answered, useEngine } from "@/engines/window";
import { derive, useBand, useFindings, useWholeVersionLater } from "../open";

/** A plan with the song it was made for. */
export type ShownPlan = {
  readonly song: SongLoops;
  readonly plan: LoopPlan;
  readonly presses: readonly FootPress[];
};

export type Loops = {
  readonly body: VersionBody;
  /** The song as it is now. */
  readonly song: SongLoops;
  /** The last good plan, or null before there is one. */
  readonly shown: ShownPlan | null;
  /** Why there is no plan for what is asked now, with the way out. */
  readonly problem: string | null;
  /** What is left out of the plan or may go wrong with it, in sentences. */
  readonly notes: readonly string[];
  /** Whether the plan is of the song as it was, or could not be worked out. */
  readonly search: Pick<Answered<"loops">, "isOld" | "error" | "retry">;
};

/** The looper of the open version, planned. @param trade whether the price of less footwork is asked as well */
export function useLoops(trade = false): Loops {
  const body = useWholeVersionLater();
  const song = derive.loops(body, useBand());
  const { data, beside, problem, ...search } = useEngine(
    "loops",
    song.asked && { looped: song.asked, trade },
    song,
  );
  const shown = useMemo(
    () => data && beside && { song: beside, plan: data, presses: footPresses(beside, data) },
    [data, beside],
  );
  const nameOf = (id: string) => body.loopLayers[id]?.name ?? "a layer that is gone";
  return {
    body,
    song,
    shown,
    problem: problem && describeLoopProblem(problem, nameOf),
    notes: song.problems.map((one) => describeSongLoopProblem(one, nameOf)),
    search,
  };
}

const NOTHING: readonly LoopFinding[] = [];

/** What the plan asks a second look at; what was let stand apart. */
export function useLoopFindings(): Judged<LoopFinding> & { readonly loops: Loops } {
  const loops = useLoops();
  const { shown } = loops;
  const { body } = loops;
  const heard = useMemo(() => {
    if (!shown) return null;
    const { layers, asked, beatTicks, barTicks } = shown.song;
    return { body, song: { layers, asked, beatTicks, barTicks } };
  }, [shown, body]);
  const { data: passes } = useEngine("layer-passes", heard);
  const findings = useMemo(
    () => (shown ? loopFindings(shown.song, shown.plan, passes ?? undefined) : NOTHING),
    [shown, passes],
  );
  return { ...useFindings(findings, LOOP_FIXING), loops };
}
