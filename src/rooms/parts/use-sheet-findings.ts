"use client";

import { useMemo } from "react";
import type { Judged } from "@/core/findings";
import { findingsOf, SHEET_FIXING, type ShapePlan, type SheetFinding } from "@/core/parts";
import { hasStrings, versionRow } from "@/core/song/read";
import { type AnsweredAll, useEngines } from "@/engines/window";
import { derive, useFindings, useWholeVersionLater } from "../open";

export type SheetFindings = Judged<SheetFinding> & {
  readonly plans: ReadonlyMap<string, ShapePlan>;
  /** Whether hands are still being planned: changes are judged a moment later. */
  readonly search: Pick<AnsweredAll<"shape-plan">, "isOld" | "error" | "retry">;
};

/** Everything found on the sheet, live; what depends on shapes follows from the worker. */
export function useSheetFindings(): SheetFindings {
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
  const { data: plans, ...search } = useEngines("shape-plan", requests);
  const { bpm } = versionRow(body);
  const findings = useMemo(() => findingsOf(sheet, plans, 60000 / bpm), [sheet, plans, bpm]);
  return { ...useFindings(findings, SHEET_FIXING), plans, search };
}
