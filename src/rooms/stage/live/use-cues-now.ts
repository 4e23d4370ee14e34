import { useEffect, useRef } from "react";
import { type Standing, standingAfter } from "@/core/cues";
import { cuesFollowing, type LiveItem, type Place, type StageCue, type StageSheet } from "@/core/stage";

/** How a player stood when a section began, and how they stand at its end. */
type Stood = {
  readonly itemId: string;
  readonly index: number;
  readonly tick: number;
  readonly before: Standing | null;
  readonly after: Standing | null;
};

/** What comes in the section that is now and the next, from how this player really stands: sections left out were not played. */
export function useCuesNow(
  item: LiveItem | null,
  place: Place | null,
  sheets: readonly StageSheet[],
): readonly StageCue[] {
  const stood = useRef<Stood | null>(null);
  const sheet = place ? sheets[place.index] : undefined;
  const now = item && place && sheet ? standsNow(stood.current, item.id, place, sheets) : null;
  useEffect(() => {
    stood.current = now;
  });
  if (!now || !sheet || !place) return [];
  const next = place.next === null ? undefined : sheets[place.next];
  return cuesFollowing(sheet, next, now.before, now.after);
}

function standsNow(last: Stood | null, itemId: string, place: Place, sheets: readonly StageSheet[]): Stood {
  const { index, tick } = place;
  const before =
    last?.itemId !== itemId || place.phase === "waiting"
      ? asPlanned(sheets.slice(0, index))
      : last.index === index && tick >= last.tick
        ? last.before
        : last.after;
  return { itemId, index, tick, before, after: asPlanned([sheets[index]!], before) };
}

/** How a player stands after sections played in their order. */
const asPlanned = (sheets: readonly StageSheet[], from: Standing | null = null): Standing | null =>
  sheets.reduce<Standing | null>(
    (before, { standing }) => (standing ? standingAfter(before, standing) : before),
    from,
  );
