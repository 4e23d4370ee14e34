/** What of a body an act takes while it lasts. */
export const BODY_PARTS_USED = ["left hand", "right hand", "feet", "mouth", "eyes"] as const;
export type BodyPartUsed = (typeof BODY_PARTS_USED)[number];

/** Something a person does: how long it takes, from when on, and by when it must be done. All ms. */
export type Act = {
  readonly id: string;
  readonly takes: readonly BodyPartUsed[];
  readonly ms: number;
  readonly from: number;
  readonly until: number;
};

export type PlannedAct = Act & {
  readonly start: number;
  /** How much sooner it is done than it must be; below 0 that much too late. */
  readonly slack: number;
};

export type BodyPlan = {
  /** In the order they begin. */
  readonly acts: readonly PlannedAct[];
  /** How late all acts together are done, ms. */
  readonly overload: number;
  /** The first act that is too late; null where all is possible. */
  readonly firstImpossible: string | null;
  readonly exact: boolean;
};

/** Less than this is not late but what a sum of fractions lacks, ms. */
const HAIR_MS = 1e-3;
/** Whether an act is done after it must be. */
export const isLate = ({ slack }: Pick<PlannedAct, "slack">): boolean => slack < -HAIR_MS;

/** Search steps for acts that hang together. */
const USUAL_BUDGET = 200_000;

/**
 * Plans one body: what takes the same part follows one after the other, nothing begins before it may, and the acts
 * together are as little too late as can be. Acts that can't meet are planned apart; those that hang together by trying
 * every order that leaves nobody waiting needlessly.
 * @example planBody([{ id: "press", takes: ["feet"], ms: 300, from: 0, until: 1000 }]).acts[0].slack // => 700
 */
export function planBody(acts: readonly Act[], budget = USUAL_BUDGET): BodyPlan {
  const parts = apartByBody(acts).map((some) => planOneAfterAnother(some, budget));
  const planned = parts.flatMap((part) => part.acts);
  const late = planned.filter(isLate);
  return {
    acts: planned.sort((a, b) => a.start - b.start || a.until - b.until),
    overload: late.reduce((sum, { slack }) => sum - slack, 0),
    firstImpossible: late.toSorted((a, b) => a.until - b.until)[0]?.id ?? null,
    exact: parts.every((part) => part.exact),
  };
}

/** Acts in lists that share no part of the body: what the feet do has nothing to do with what the mouth does. */
function apartByBody(acts: readonly Act[]): Act[][] {
  const lists: { readonly parts: Set<BodyPartUsed>; readonly acts: Act[] }[] = [];
  for (const act of acts) {
    const meeting = lists.filter(({ parts }) => act.takes.some((part) => parts.has(part)));
    const kept = meeting[0] ?? { parts: new Set<BodyPartUsed>(), acts: [] };
    if (meeting.length === 0) lists.push(kept);
    for (const other of meeting.slice(1)) {
      for (const part of other.parts) kept.parts.add(part);
      kept.acts.push(...other.acts);
      lists.splice(lists.indexOf(other), 1);
    }
    for (const part of act.takes) kept.parts.add(part);
    kept.acts.push(act);
  }
  return lists.map((list) => list.acts);
}

/** Plans acts in time: what can't meet is planned apart. */
function planOneAfterAnother(
  acts: readonly Act[],
  budget: number,
): { readonly acts: readonly PlannedAct[]; readonly exact: boolean } {
  const sorted = acts.toSorted((a, b) => a.from - b.from || a.until - b.until);
  const planned: PlannedAct[] = [];
  let exact = true;
  let group: Act[] = [];
  let ready = new Map<BodyPartUsed, number>();
  const isOver = (plan: Group, next: Act | undefined): boolean =>
    next === undefined || Math.max(0, ...plan.ready.values()) <= next.from;
  for (const [at, act] of sorted.entries()) {
    group.push(act);
    const next = sorted[at + 1];
    if (next && Math.max(...group.map(({ until }) => until)) > next.from) continue;
    const plan = planTogether(group, ready, budget);
    // What is late runs into what comes next: then they hang together.
    if (!isOver(plan, next)) continue;
    planned.push(...plan.acts);
    exact &&= plan.exact;
    ready = plan.ready;
    group = [];
  }
  return { acts: planned, exact };
}

type Group = {
  readonly acts: readonly PlannedAct[];
  readonly ready: Map<BodyPartUsed, number>;
  readonly exact: boolean;
};

/** A group, each part of the body that has nothing to do with the others by itself. */
function planTogether(
  acts: readonly Act[],
  before: ReadonlyMap<BodyPartUsed, number>,
  budget: number,
): Group {
  const plans = apartByBody(acts).map((some) => planGroup(some, before, budget));
  const ready = new Map(before);
  for (const plan of plans)
    for (const [part, at] of plan.ready)
      if (at > (ready.get(part) ?? Number.NEGATIVE_INFINITY)) ready.set(part, at);
  return { acts: plans.flatMap((plan) => plan.acts), ready, exact: plans.every((plan) => plan.exact) };
}

/** When an act can begin, given when each part is free. */
const startOf = (act: Act, ready: ReadonlyMap<BodyPartUsed, number>): number =>
  Math.max(act.from, ...act.takes.map((part) => ready.get(part) ?? Number.NEGATIVE_INFINITY));

const lateness = (act: Act, start: number): number => Math.max(0, start + act.ms - act.until);

/** The least late order of acts that hang together: the one that can be done first, or any that meets it before. */
function planGroup(acts: readonly Act[], before: ReadonlyMap<BodyPartUsed, number>, budget: number): Group {
  let best: {
    readonly late: number;
    readonly acts: readonly PlannedAct[];
    readonly ready: Map<BodyPartUsed, number>;
  } | null = null;
  let steps = 0;
  const go = (
    left: readonly Act[],
    ready: Map<BodyPartUsed, number>,
    done: readonly PlannedAct[],
    late: number,
  ): void => {
    const least = left.reduce((sum, act) => sum + lateness(act, startOf(act, ready)), late);
    if (best && least >= best.late) return;
    if (left.length === 0) {
      best = { late, acts: done, ready };
      return;
    }
    if (best && ++steps > budget) return;
    const ends = left.map((act) => startOf(act, ready) + act.ms);
    const soonest = Math.min(...ends);
    const first = left[ends.indexOf(soonest)]!;
    const meeting = left
      .filter(
        (act) =>
          act === first ||
          (startOf(act, ready) < soonest && act.takes.some((part) => first.takes.includes(part))),
      )
      .sort((a, b) => a.until - b.until);
    for (const act of meeting) {
      const start = startOf(act, ready);
      const after = new Map(ready);
      for (const part of act.takes) after.set(part, start + act.ms);
      const slack = act.until - start - act.ms;
      go(
        left.filter((one) => one !== act),
        after,
        [...done, { ...act, start, slack }],
        late + Math.max(0, -slack),
      );
    }
  };
  go(acts, new Map(before), [], 0);
  const found = best as { acts: readonly PlannedAct[]; ready: Map<BodyPartUsed, number> } | null;
  if (!found) throw new Error("Expected acts to have an order.");
  return { acts: found.acts, ready: found.ready, exact: steps <= budget };
}

/** A way to make room: one act moved, and how late all acts then are. */
export type MoveOffer = { readonly id: string; readonly byMs: number; readonly overload: number };

/**
 * Single acts whose moving makes the body less late, the best first.
 * @param movable which acts may move, and by how many ms each way
 */
export function moveOffers(
  acts: readonly Act[],
  movable: (act: Act) => readonly number[],
  budget = USUAL_BUDGET,
): MoveOffer[] {
  const { overload } = planBody(acts, budget);
  if (overload === 0) return [];
  return acts
    .flatMap((act) =>
      movable(act).map((byMs): MoveOffer => {
        const moved = { ...act, from: act.from + byMs, until: act.until + byMs };
        const others = acts.map((one) => (one === act ? moved : one));
        return { id: act.id, byMs, overload: planBody(others, budget).overload };
      }),
    )
    .filter((offer) => offer.overload < overload)
    .sort((a, b) => a.overload - b.overload || Math.abs(a.byMs) - Math.abs(b.byMs));
}
