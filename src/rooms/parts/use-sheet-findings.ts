"use client";

import { useMemo } from "react";
import type { Judged } from "@/core/findings";
import { findingsOf, SHEET_FIXING, type SheetFinding } from "@/core/parts";
import { versionRow } from "@/core/song/read";
import { derive, type Plans, useFindings, usePlans, useWholeVersionLater } from "../open";

/** What is open on the sheet; changes are judged a moment later than the rest, while hands are still being planned. */
export type SheetFindings = Judged<SheetFinding> & Plans;

/** Everything found on the sheet, live; what depends on shapes follows from the worker. */
export function useSheetFindings(): SheetFindings {
  // A key is painted first; judging follows when there is time.
  const body = useWholeVersionLater();
  const sheet = derive.sheet(body);
  const { plans, search } = usePlans();
  const { bpm } = versionRow(body);
  const findings = useMemo(() => findingsOf(sheet, plans, 60000 / bpm), [sheet, plans, bpm]);
  return { ...useFindings(findings, SHEET_FIXING), plans, search };
}
