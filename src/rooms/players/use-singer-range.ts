"use client";

import { useState } from "react";
import { set } from "@/core/song/edit";
import type { Player } from "@/core/song/schema";
import { useAct, useNames } from "../open";

type Ends = { readonly low: number | null; readonly high: number | null };

/** A singer's range while it is typed or sung: set once both ends are there and the right way round. */
export function useSingerRange(singer: Player): Ends & {
  readonly problem: string;
  readonly put: (ends: Partial<Ends>) => void;
} {
  const act = useAct();
  const namer = useNames()();
  const [typed, setTyped] = useState<Ends | null>(null);
  const stored: Ends = { low: singer.range?.[0] ?? null, high: singer.range?.[1] ?? null };
  const { low, high } = typed ?? stored;
  const isCrossed = low !== null && high !== null && low > high;
  const put = (ends: Partial<Ends>) => {
    const next = { low, high, ...ends };
    const whole = next.low !== null && next.high !== null;
    if (whole && next.low! > next.high!) {
      setTyped(next);
      return;
    }
    setTyped(whole ? null : next);
    const range: Player["range"] = whole ? [next.low!, next.high!] : null;
    if (JSON.stringify(range) !== JSON.stringify(singer.range)) act(set("players", singer.id, { range }));
  };
  const problem = isCrossed
    ? `The lowest note (${namer.soundingPitch(low)}) lies above the highest (${namer.soundingPitch(high)}): change one of them. The range is not set yet.`
    : "";
  return { low, high, problem, put };
}
