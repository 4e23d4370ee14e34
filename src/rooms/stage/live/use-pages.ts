import { useCallback, useEffect, useRef, useState } from "react";
import type { FootKey, LiveItem, Place } from "@/core/stage";
import { firstHiddenLine, pageTop } from "./sheet/hidden-line";
import { useFoot } from "./use-foot";

type Moves = {
  /** What On and Back do where they move the music. @param ago how long ago the pedal went down, ms */
  readonly by: (by: 1 | -1, ago: number) => void;
  /** What a long press does. */
  readonly back: () => void;
};

/** Whether a clock runs, or waits for the sign to: pages then turn by it. */
const runs = (place: Place | null): boolean =>
  place !== null && ["counting", "playing", "holding", "sign"].includes(place.phase);

/** So much of what was in sight last stays in sight, px. */
const STAYS_PX = 140;

/**
 * On and Back of one screen: lines that don't fit come first, then a look at the sections around. What everybody does
 * brings the screen back.
 * @param moves what they move where that is the music instead; with no clock running the lines that don't fit still come first
 */
export function usePages(item: LiveItem | null, place: Place | null, gateMs: number, moves: Moves | null) {
  const box = useRef<HTMLElement>(null);
  const [peek, setPeek] = useState(0);
  /** Where the first line begins that is not in sight and On brings next. */
  const [hidden, setHidden] = useState<number | null>(null);
  const isPaged = !runs(place);
  const here = `${item?.id} ${place?.index}`;
  // biome-ignore lint/correctness/useExhaustiveDependencies: another section is looked at from its top
  useEffect(() => {
    setPeek(0);
    box.current?.scrollTo(0, 0);
  }, [here]);
  const look = useCallback(() => {
    const from = isPaged && box.current ? firstHiddenLine(box.current)?.dataset.from : undefined;
    setHidden(from === undefined ? null : Number(from));
  }, [isPaged]);
  // What fits depends on all that is drawn.
  useEffect(look);
  useEffect(() => {
    window.addEventListener("resize", look);
    return () => window.removeEventListener("resize", look);
  }, [look]);
  /** @returns whether there were lines to bring */
  const lineOn = (): boolean => {
    const next = box.current && firstHiddenLine(box.current);
    if (box.current && next) box.current.scrollTo(0, pageTop(box.current, next));
    return Boolean(next);
  };
  const lineBack = (): boolean => {
    if (!box.current || box.current.scrollTop <= 0) return false;
    box.current.scrollTo(0, Math.max(0, box.current.scrollTop - box.current.clientHeight + STAYS_PX));
    return true;
  };
  const peekBy = (by: 1 | -1) => {
    const to = place ? place.index + peek + by : -1;
    if (to < 0 || to >= (item?.passages.length ?? 0)) return;
    setPeek(peek + by);
    if (by === 1) box.current?.scrollTo(0, 0);
  };
  const button = useFoot({
    moves: moves !== null,
    gateMs,
    onTap: (key: FootKey, ago) => {
      const by = key === "on" ? 1 : -1;
      if ((isPaged || !moves) && (by === 1 ? lineOn() : lineBack())) return;
      if (moves) moves.by(by, ago);
      else peekBy(by);
    },
    onHold: () => moves?.back(),
  });
  return { box, peek, setPeek, hidden, look, button };
}
