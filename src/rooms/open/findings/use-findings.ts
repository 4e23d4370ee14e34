"use client";

import { useMemo } from "react";
import { type Finding, type Fixing, type Judged, judge } from "@/core/findings";
import { useRowsLater } from "../open-song";

/** What is open of findings, the same of several places told once, and what somebody lets stand. */
export function useFindings<Found extends Finding>(
  findings: readonly Found[],
  fixing: Fixing<Found["fixes"][number]>,
): Judged<Found> {
  const { dismissals } = useRowsLater("dismissals");
  return useMemo(() => judge(findings, dismissals, fixing), [findings, dismissals, fixing]);
}
