"use client";

import { useMemo } from "react";
import type { ShapePlan } from "@/core/parts";
import { hasStrings } from "@/core/song/read";
import { type AnsweredAll, useEngines } from "@/engines/window";
import { derive } from "./derived";
import { useWholeVersionLater } from "./open-song";

export type Plans = {
  /** Players' shapes by their ids. */
  readonly plans: ReadonlyMap<string, ShapePlan>;
  /** Whether hands are still being planned. */
  readonly search: Pick<AnsweredAll<"shape-plan">, "isOld" | "error" | "retry">;
};

/** The way of every hand through the song, from the worker. */
export function usePlans(): Plans {
  const body = useWholeVersionLater();
  const sheet = derive.sheet(body);
  // biome-ignore lint/correctness/useExhaustiveDependencies: plans of players are the same while their parts are
  const requests = useMemo(
    () =>
      new Map(
        sheet.players.filter(hasStrings).map((player) => [player.id, derive.planOf(body, player)] as const),
      ),
    [sheet, body.choices, body.bookShapes],
  );
  const { data: plans, ...search } = useEngines("shape-plan", requests);
  return { plans, search };
}
