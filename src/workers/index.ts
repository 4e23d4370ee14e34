"use client";

import { proxy, type Remote, wrap } from "comlink";
import { useEffect, useMemo, useRef, useState } from "react";
import type { Fingerings, Planted, StandIn } from "@/core/fretboard";
import {
  type ChordSum,
  type Mend,
  type PlanRequest,
  type Proposal,
  requestKey,
  type ShapePlan,
  type ShapeRequest,
  type SplitCase,
} from "@/core/parts";
import type {
  BandSumRequest,
  CapoRequest,
  CapoRow,
  Engines,
  HardestChange,
  HardestRequest,
  LoopSoundRequest,
  MendRequest,
  PlantedRequest,
  StandInRequest,
} from "./engines.worker";
import { engines, newWorker, remembered } from "./remote";

export type {
  BandSumRequest,
  CapoRequest,
  CapoRow,
  HardestChange,
  MendRequest,
  PlantedRequest,
  StandInRequest,
} from "./engines.worker";
export {
  eveningBanksOf,
  toneOffersOf,
  tonePlanOf,
  useLoopPlan,
  useTonePlan,
} from "./kept-plans";

/** How many shapes a swap offers. */
const OFFERED = 24;

const fingeringsOf = remembered(
  requestKey,
  (request: ShapeRequest): Promise<Fingerings> => engines().fingerings(request, OFFERED),
);
const capoTableOf = remembered(
  (request: CapoRequest) => JSON.stringify(request),
  (request: CapoRequest): Promise<CapoRow[]> => engines().capoTable(request),
);

function useAnswers<Question, Answer>(
  questions: readonly Question[],
  keyOf: (question: Question) => string,
  ask: (question: Question) => Promise<Answer>,
): ReadonlyMap<string, Answer> {
  const [answers, setAnswers] = useState<ReadonlyMap<string, Answer>>(new Map());
  const wanted = questions.map(keyOf).join("\n");
  // biome-ignore lint/correctness/useExhaustiveDependencies: the questions are compared by their keys
  useEffect(() => {
    let current = true;
    for (const question of questions) {
      void ask(question).then((answer) => {
        if (current)
          setAnswers((before) =>
            before.get(keyOf(question)) === answer ? before : new Map(before).set(keyOf(question), answer),
          );
      });
    }
    return () => {
      current = false;
    };
  }, [wanted]);
  return answers;
}

/** The easiest fingerings of each request, by {@link requestKey}, as they become known. */
export const useFingerings = (requests: readonly ShapeRequest[]): ReadonlyMap<string, Fingerings> =>
  useAnswers(requests, requestKey, fingeringsOf);

/** The capo table of a request, or null while it is worked out. */
export function useCapoTable(request: CapoRequest): readonly CapoRow[] | null {
  const key = JSON.stringify(request);
  return useAnswers([request], JSON.stringify, capoTableOf).get(key) ?? null;
}

const planOf = remembered(
  (request: PlanRequest) => planKey(request),
  (request: PlanRequest): Promise<ShapePlan> => engines().planShapes(request),
);

/** The plan of a song's shapes, or null before the first. While a new one is worked out the last one stays, marked. */
export function useShapePlan(request: PlanRequest): {
  readonly plan: ShapePlan | null;
  readonly isOld: boolean;
} {
  const requests = useMemo(() => new Map([["", request]]), [request]);
  const { plans, isOld } = useShapePlans(requests);
  return { plan: plans.get("") ?? null, isOld };
}

const askedAs = new WeakMap<PlanRequest, string>();

/** A question as text; the same object is written out once. */
function planKey(request: PlanRequest): string {
  const known = askedAs.get(request) ?? JSON.stringify(request);
  askedAs.set(request, known);
  return known;
}

/**
 * The plans of several players by their ids, as they become known. While one is worked out anew the last one stands
 * for it; `isOld` says that some are.
 */
export function useShapePlans(requests: ReadonlyMap<string, PlanRequest>): {
  readonly plans: ReadonlyMap<string, ShapePlan>;
  readonly isOld: boolean;
} {
  const [known, setKnown] = useState<ReadonlyMap<string, { readonly key: string; readonly plan: ShapePlan }>>(
    new Map(),
  );
  const wanted = [...requests].map(([id, request]) => `${id} ${planKey(request)}`).join("\n");
  // biome-ignore lint/correctness/useExhaustiveDependencies: the requests are compared by what they say
  useEffect(() => {
    let current = true;
    for (const [id, request] of requests) {
      const key = planKey(request);
      void planOf(request).then((plan) => {
        if (current)
          setKnown((before) =>
            before.get(id)?.key === key ? before : new Map(before).set(id, { key, plan }),
          );
      });
    }
    return () => {
      current = false;
    };
  }, [wanted]);
  return useMemo(() => {
    const plans = new Map<string, ShapePlan>();
    let isOld = false;
    for (const [id, request] of requests) {
      const found = known.get(id);
      if (found) plans.set(id, found.plan);
      if (found?.key !== planKey(request)) isOld = true;
    }
    return { plans, isOld };
  }, [known, requests]);
}

const hardestOf = remembered(
  (request: HardestRequest) => JSON.stringify(request),
  (request: HardestRequest): Promise<HardestChange | null> => engines().hardestChange(request),
);

/** The hardest change behind each capo, as they become known. */
export function useHardestChanges(
  request: PlanRequest,
  capos: readonly number[],
): ReadonlyMap<number, HardestChange | null> {
  const asked = useMemo(() => {
    const key = planKey(request);
    return capos.map((capo) => ({ capo, key: `${capo} ${key}` }));
  }, [request, capos]);
  const keyOf = useMemo(() => {
    const keys = new Map(asked.map(({ capo, key }) => [capo, key]));
    return (question: HardestRequest) => keys.get(question.capo) ?? "";
  }, [asked]);
  const answers = useAnswers(
    asked.map(({ capo }) => ({ request, capo })),
    keyOf,
    hardestOf,
  );
  return new Map(
    asked.flatMap(({ capo, key }) => (answers.has(key) ? [[capo, answers.get(key) ?? null] as const] : [])),
  );
}

const standInsOf = remembered(
  (request: StandInRequest) => JSON.stringify(request),
  (request: StandInRequest): Promise<StandIn[]> => engines().standIns(request),
);

/** Easier stand-ins for a chord, or null while they are looked for; none are looked for without a request. */
export function useStandIns(request: StandInRequest | null): readonly StandIn[] | null {
  const questions = request ? [request] : [];
  const answers = useAnswers(questions, (one) => JSON.stringify(one), standInsOf);
  return request ? (answers.get(JSON.stringify(request)) ?? null) : null;
}

export type LongWork<Answer> =
  | { readonly state: "idle" }
  | { readonly state: "working"; readonly share: number }
  | { readonly state: "done"; readonly answer: Answer }
  | { readonly state: "failed" };

/** Long work in a worker of its own, so that it can be stopped at once; it tells how far it is. */
function useLongWork<Question, Answer>(
  ask: (
    engines: Remote<Engines>,
    question: Question,
    told: (done: number, of: number) => void,
  ) => Promise<Answer>,
): {
  readonly work: LongWork<Answer>;
  readonly start: (question: Question) => void;
  readonly stop: () => void;
} {
  const [work, setWork] = useState<LongWork<Answer>>({ state: "idle" });
  const worker = useRef<Worker | null>(null);
  const end = () => {
    worker.current?.terminate();
    worker.current = null;
  };
  useEffect(() => () => worker.current?.terminate(), []);
  const start = (question: Question) => {
    end();
    const own = newWorker();
    worker.current = own;
    setWork({ state: "working", share: 0 });
    const told = proxy((done: number, of: number) => {
      if (worker.current === own) setWork({ state: "working", share: done / of });
    });
    ask(wrap<Engines>(own), question, told).then(
      (answer) => {
        if (worker.current !== own) return;
        end();
        setWork({ state: "done", answer });
      },
      () => {
        if (worker.current === own) setWork({ state: "failed" });
      },
    );
  };
  const stop = () => {
    end();
    setWork({ state: "idle" });
  };
  return { work, start, stop };
}

/** A search for planted fingers. */
export const usePlanted = () =>
  useLongWork<PlantedRequest, Planted | null>((own, request, told) => own.planted(request, told));

/** Proposals for splitting a song, one of each school. */
export const useSplit = () =>
  useLongWork<SplitCase, Proposal[]>((own, split, told) => own.split(split, told));

/** The sum of the band in a worker; the last one stands while a new one is worked out. */
export function useBandSum(request: BandSumRequest | null): {
  readonly sums: readonly ChordSum[] | null;
  readonly isOld: boolean;
} {
  const [known, setKnown] = useState<{
    readonly request: BandSumRequest;
    readonly sums: readonly ChordSum[];
  } | null>(null);
  useEffect(() => {
    if (!request) return;
    let current = true;
    void engines()
      .bandSum(request)
      .then((sums) => {
        if (current) setKnown({ request, sums });
      });
    return () => {
      current = false;
    };
  }, [request]);
  return { sums: known?.sums ?? null, isOld: known?.request !== request };
}

/** A looper's plan as a WAV file. */
export const loopSound = (request: LoopSoundRequest): Promise<Uint8Array> => engines().loopSound(request);

/** Looks for the smallest change of one player that mends a chord. */
export const mendOf = (request: MendRequest): Promise<Mend | null> => engines().mend(request);
