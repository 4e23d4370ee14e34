"use client";

import { useMemo } from "react";
import { heardBeside } from "@/core/parts";
import { useEngine } from "@/engines/window";
import { usePlans, useWholeVersionLater } from "../../open";

/** What the rest of the band sounds under each chord of a section; null while it is added up. */
export function useBandBeside(
  useId: string,
  chordIds: readonly string[],
  playerId: string,
): ReadonlyMap<number, number>[] | null {
  const body = useWholeVersionLater();
  const { plans, search } = usePlans();
  const { isOld } = search;
  const question = useMemo(() => (isOld ? null : { body, plans, loops: null }), [body, plans, isOld]);
  const { data: sums } = useEngine("band-sum", question);
  return sums ? heardBeside(sums, useId, chordIds, playerId) : null;
}
