"use client";

import { useMemo } from "react";
import {
  type FootPress,
  footPresses,
  type LoopCase,
  type LoopFinding,
  type LoopPlan,
  loopFindings,
  type SongLoops,
  sayLoopProblem,
  saySongLoopProblem,
} from "@/core/loops";
import type { VersionBody } from "@/core/song/schema";
import { useLoopPlan } from "@/workers";
import { derive, useBand, useWholeVersionLater } from "../open";

/** Which reading of the song a case was made from: a plan is shown with the song it was made for. */
const songOf = new WeakMap<LoopCase, SongLoops>();

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
  readonly isOld: boolean;
};

/** The looper of the open version, planned. @param trade whether the price of less footwork is asked as well */
export function useLoops(trade = false): Loops {
  const body = useWholeVersionLater();
  const song = derive.loops(body, useBand());
  if (song.asked) songOf.set(song.asked, song);
  const { known, problem, isOld } = useLoopPlan(song.asked, trade);
  const shown = useMemo(() => {
    const own = known && songOf.get(known.asked);
    return own ? { song: own, plan: known.plan, presses: footPresses(own, known.plan) } : null;
  }, [known]);
  const nameOf = (id: string) => body.loopLayers[id]?.name ?? "a layer that is gone";
  return {
    body,
    song,
    shown,
    problem: problem && sayLoopProblem(problem, nameOf),
    notes: song.problems.map((one) => saySongLoopProblem(one, nameOf)),
    isOld,
  };
}

export type JudgedLoops = {
  readonly open: readonly LoopFinding[];
  readonly stand: readonly { readonly finding: LoopFinding; readonly id: string; readonly reason: string }[];
  readonly loops: Loops;
};

/** What the plan asks a second look at; what was let stand apart. */
export function useLoopFindings(): JudgedLoops {
  const loops = useLoops();
  const { shown, body } = loops;
  return useMemo(() => {
    const all = shown ? loopFindings(shown.song, shown.plan) : [];
    const stand = new Map(Object.values(body.dismissals).map((one) => [one.finding, one]));
    return {
      loops,
      open: all.filter(({ id }) => !stand.has(id)),
      stand: all.flatMap((finding) => {
        const row = stand.get(finding.id);
        return row ? [{ finding, id: row.id, reason: row.reason }] : [];
      }),
    };
  }, [shown, body.dismissals, loops]);
}
