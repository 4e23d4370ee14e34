import { useEffect, useRef, useState } from "react";
import { useStore } from "zustand";
import { itemOf, type LiveItem, type LiveState, type Place, placeAt, type StageSheet } from "@/core/stage";
import { pieceAt } from "../piece-at";
import type { Live, StageLine } from "./stage-line";

/** What a line knows, for as long as the page is open. */
export function useLine(line: StageLine): Live {
  const live = useStore(line.store);
  useEffect(() => {
    void line.begin();
    return () => line.end();
  }, [line]);
  return live;
}

export type Now = { readonly item: LiveItem | null; readonly place: Place | null };

/** What must be drawn anew for: everything else follows from it. */
const faceOf = (place: Place | null, sheets: readonly StageSheet[]): string => {
  if (!place) return "";
  const { phase, index, bar, beat, count, barsLeft, next } = place;
  const piece = sheets[index] ? pieceAt(sheets[index], place.tick) : null;
  return [phase, index, bar, beat, count, barsLeft, next, piece?.line, piece?.piece].join(" ");
};

/** While the music moves it is looked at this often, ms, and just when a beat begins: a chord off the beat comes no later. */
const LOOK_MS = 25;
/** While nothing moves. */
const REST_MS = 250;

/**
 * Where everybody is, drawn anew when a beat, a chord or a bar begins. By timers, not with every frame: a phone that draws
 * sixty times a second does not last an evening.
 * @param sheets of the song, for the chord that sounds
 */
export function useNow(line: StageLine, state: LiveState, sheets: readonly StageSheet[]): Now {
  const item = itemOf(state);
  const look = (): Place | null => (item ? placeAt(item.passages, state.transport, line.now()) : null);
  const [, redraw] = useState(0);
  const place = look();
  const face = useRef("");
  face.current = faceOf(place, sheets);
  const latest = useRef(look);
  latest.current = look;
  const shown = useRef(sheets);
  shown.current = sheets;
  const moves = state.transport.mode === "running";
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout>;
    const onTime = () => {
      const now = latest.current();
      if (faceOf(now, shown.current) !== face.current) redraw((count) => count + 1);
      const beat = now?.msToBeat ?? LOOK_MS;
      timer = setTimeout(onTime, moves ? Math.max(1, Math.min(LOOK_MS, beat)) : REST_MS);
    };
    onTime();
    return () => clearTimeout(timer);
  }, [moves]);
  return { item, place };
}
