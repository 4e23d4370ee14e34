"use client";

import { useMemo } from "react";
import { type Finding, findingsOf, type ShapePlan } from "@/core/parts";
import { hasStrings, versionRow } from "@/core/song/read";
import { useShapePlans } from "@/workers";
import { derive, useWholeVersionLater } from "../open";

export type Judged = {
  /** Nobody has let these stand. */
  readonly open: readonly Finding[];
  /** Let stand, with the reason. */
  readonly stand: readonly { readonly finding: Finding; readonly id: string; readonly reason: string }[];
  readonly plans: ReadonlyMap<string, ShapePlan>;
  /** Whether hands are still being planned: changes are judged a moment later. */
  readonly isOld: boolean;
};

/** Everything found on the sheet, live; what depends on shapes follows from the worker. */
export function useFindings(): Judged {
  // A key is painted first; judging follows when there is time.
  const body = useWholeVersionLater();
  const sheet = derive.sheet(body);
  // biome-ignore lint/correctness/useExhaustiveDependencies: plans of players are the same while their parts are
  const requests = useMemo(
    () =>
      new Map(
        sheet.players.filter(hasStrings).map((player) => [player.id, derive.planOf(body, player)] as const),
      ),
    [sheet, body.choices],
  );
  const { plans, isOld } = useShapePlans(requests);
  const { bpm } = versionRow(body);
  return useMemo(() => {
    const stand = new Map(Object.values(body.dismissals).map((one) => [one.finding, one]));
    const all = findingsOf(sheet, plans, 60000 / bpm);
    return {
      open: all.filter((finding) => !stand.has(finding.id)),
      stand: all.flatMap((finding) => {
        const row = stand.get(finding.id);
        return row ? [{ finding, id: row.id, reason: row.reason }] : [];
      }),
      plans,
      isOld,
    };
  }, [sheet, plans, bpm, body.dismissals, isOld]);
}
