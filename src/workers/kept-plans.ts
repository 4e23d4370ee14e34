"use client";

import { useEffect, useState } from "react";
import type { Result } from "@/base";
import type { LoopCase, LoopPlan, LoopProblem } from "@/core/loops";
import type { EveningBanks, ToneCase, ToneOffer, TonePlan, ToneProblem } from "@/core/tones";
import type { EveningRequest, OffersRequest } from "./engines.worker";
import { engines, remembered } from "./remote";

/** Cases as text; the same object is written out once. */
const asText = new WeakMap<object, string>();
function textOf(asked: object): string {
  const known = asText.get(asked) ?? JSON.stringify(asked);
  asText.set(asked, known);
  return known;
}

export type KnownPlan<Case, Plan> = { readonly asked: Case; readonly plan: Plan };

/**
 * A plan from the worker. The last good one stays while another is worked out, and when there is none for what is asked
 * now: then `problem` says why.
 * @param way what else the question depends on
 */
function useKeptPlan<Case extends object, Plan, Problem>(
  asked: Case | null,
  way: string,
  ask: (asked: Case) => Promise<Result<Plan, Problem>>,
): {
  readonly known: KnownPlan<Case, Plan> | null;
  readonly problem: Problem | null;
  readonly isOld: boolean;
} {
  const [good, setGood] = useState<KnownPlan<Case, Plan> | null>(null);
  const [said, setSaid] = useState<{ readonly key: string; readonly problem: Problem | null } | null>(null);
  const key = asked ? textOf(asked) : "";
  // biome-ignore lint/correctness/useExhaustiveDependencies: cases are compared by what they say
  useEffect(() => {
    if (!asked) return;
    let current = true;
    void ask(asked).then((answer) => {
      if (!current) return;
      setSaid({ key, problem: answer.ok ? null : answer.problem });
      if (answer.ok) setGood({ asked, plan: answer.value });
    });
    return () => {
      current = false;
    };
  }, [key, way]);
  const isOld = asked !== null && said?.key !== key;
  return { known: asked ? good : null, problem: asked && !isOld ? (said?.problem ?? null) : null, isOld };
}

const loopsOf = remembered(
  ({ asked, trade }: { readonly asked: LoopCase; readonly trade: boolean }) => `${trade} ${textOf(asked)}`,
  ({ asked, trade }): Promise<Result<LoopPlan, LoopProblem>> => engines().loops(asked, trade),
);

/** A looper's plan. @param trade whether to ask what a lower foot cost would cost as well */
export const useLoopPlan = (asked: LoopCase | null, trade = false) =>
  useKeptPlan<LoopCase, LoopPlan, LoopProblem>(asked, String(trade), (one) => loopsOf({ asked: one, trade }));

const tonesOf = remembered(
  textOf,
  (asked: ToneCase): Promise<Result<TonePlan, ToneProblem>> => engines().tones(asked),
);

/** The banks of a player's box. */
export const useTonePlan = (asked: ToneCase | null) =>
  useKeptPlan<ToneCase, TonePlan, ToneProblem>(asked, "", tonesOf);

/** A plan asked for beside the one that is shown: another box, say. */
export const tonePlanOf = (asked: ToneCase): Promise<Result<TonePlan, ToneProblem>> => tonesOf(asked);

/** The banks of a player's box for a whole evening. */
export const eveningBanksOf = (request: EveningRequest): Promise<EveningBanks> =>
  engines().eveningBanks(request);

/** Ways out of an exposed change, with what each costs. */
export const toneOffersOf: (request: OffersRequest) => Promise<ToneOffer[]> = remembered(
  (request: OffersRequest) => JSON.stringify(request),
  (request: OffersRequest): Promise<ToneOffer[]> => engines().toneOffers(request),
);
