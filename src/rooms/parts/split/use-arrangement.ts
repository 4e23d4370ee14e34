"use client";

import { useMemo, useRef, useState } from "react";
import {
  ARRANGE_WEIGHTS,
  type Arc,
  type ArrangeCase,
  type ArrangeCell,
  type Arrangement,
  type ArrangeSchool,
  arrangeCaseOf,
  dropBefore,
  heldLimits,
  type Limit,
  rescored,
  tastesOf,
  withCell,
} from "@/core/parts";
import { useEngine, useProgress } from "@/engines/window";
import { derive, useBand, useCurrentVersion, useDerived } from "../../open";
import { nameOf } from "./proposal-name";

type Question = { readonly asked: ArrangeCase; readonly schools: readonly ArrangeSchool[] | null };

/** What is asked for, the search for it, and the proposals as they have been changed by hand since. */
export function useArrangement() {
  const current = useCurrentVersion();
  const sheet = useDerived(derive.sheet);
  const band = useBand();
  const [away, setAway] = useState<ReadonlySet<string>>(new Set());
  const [arc, setArc] = useState<Arc>("rising");
  const [weights, setWeights] = useState(ARRANGE_WEIGHTS);
  const [limits, setLimits] = useState<readonly Limit[]>([]);
  const [keepsAll, setKeepsAll] = useState(false);
  const [drops, setDrops] = useState(false);
  /** What has been learned of the present proposals: each is learned once, however often it is taken. */
  const met = useRef<Set<string>>(new Set());
  const [question, setQuestion] = useState<Question | null>(null);
  /** The proposal that is shown, by its name: the list is put in order once all are found. */
  const [shown, setShown] = useState<string | null>(null);
  const [changed, setChanged] = useState<ReadonlyMap<Arrangement, Arrangement>>(new Map());
  const search = useEngine("arrange", question, question);
  const { share, soFar } = useProgress("arrange", question);
  const early = search.isWorking && soFar && question ? { asked: question.asked, found: soFar } : null;
  const { data, beside } = search;
  const answered = early ?? (data && beside ? { asked: beside.asked, found: data } : null);
  const proposals = useMemo(
    () => answered?.found.map((one) => changed.get(one) ?? one) ?? [],
    [answered?.found, changed],
  );
  const named = answered?.found.findIndex((_, at) => nameOf(answered.found, at) === shown) ?? -1;
  const chosen = Math.max(0, named);
  const ask = () => {
    const drop = drops ? dropBefore(sheet) : null;
    const wishes = {
      away,
      arc,
      weights,
      limits: [...heldLimits(current(), sheet, keepsAll), ...limits],
      tastes: band ? tastesOf(band) : [],
      drops: drop === null ? [] : [drop],
    };
    setQuestion({ asked: arrangeCaseOf(current(), sheet, wishes), schools: null });
    met.current = new Set();
    setShown(null);
  };
  /** Puts another idea in one cell of the proposal that is shown. */
  const change = (at: number, who: number, cell: ArrangeCell) => {
    const one = answered?.found[chosen];
    const now = proposals[chosen];
    if (!answered || !one || !now) return;
    setChanged(new Map(changed).set(one, rescored(answered.asked, now, withCell(now.cells, at, who, cell))));
  };
  return {
    sheet,
    wishes: { away, arc, weights, limits, keepsAll, drops },
    set: {
      away: setAway,
      arc: setArc,
      weights: setWeights,
      limits: setLimits,
      keepsAll: setKeepsAll,
      drops: setDrops,
    },
    search,
    share,
    ask,
    // The last proposals stand again; the search for newer ones ends with its question.
    stop: () => setQuestion(beside),
    asked: answered?.asked ?? null,
    proposals,
    met,
    /** The cells of the shown proposal as they were proposed. */
    proposed: answered?.found[chosen]?.cells ?? null,
    chosen,
    choose: (at: number) => setShown(nameOf(proposals, at)),
    change,
  };
}

export type Arranging = ReturnType<typeof useArrangement>;
