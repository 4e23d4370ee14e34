import { useEffect, useRef, useState } from "react";
import type { FootKey, LiveItem, Place } from "@/core/stage";
import { firstHiddenLine } from "../StagePieces";
import { useFoot } from "./use-foot";

type Moves = {
  /** What On and Back do where they move the music. @param ago how long ago the pedal went down, ms */
  readonly by: (by: 1 | -1, ago: number) => void;
  /** What a long press does. */
  readonly back: () => void;
};

/**
 * On and Back of one screen: lines that don't fit come first, then a look at the sections around. What everybody does
 * brings the screen back.
 * @param moves what they move where that is the music instead
 */
export function usePages(item: LiveItem | null, place: Place | null, gateMs: number, moves: Moves | null) {
  const box = useRef<HTMLElement>(null);
  const [peek, setPeek] = useState(0);
  const here = `${item?.id} ${place?.index}`;
  // biome-ignore lint/correctness/useExhaustiveDependencies: another section is looked at from its top
  useEffect(() => {
    setPeek(0);
    box.current?.scrollTo(0, 0);
  }, [here]);
  const goOn = () => {
    const hidden = box.current && firstHiddenLine(box.current);
    if (box.current && hidden) box.current.scrollTo(0, hidden.offsetTop - box.current.offsetTop);
    else if (item && place && place.index + peek + 1 < item.passages.length) {
      setPeek(peek + 1);
      box.current?.scrollTo(0, 0);
    }
  };
  const goBack = () => {
    if (box.current && box.current.scrollTop > 0)
      box.current.scrollTo(0, Math.max(0, box.current.scrollTop - box.current.clientHeight + 140));
    else if (place && place.index + peek > 0) setPeek(peek - 1);
  };
  const button = useFoot({
    moves: moves !== null,
    gateMs,
    onTap: (key: FootKey, ago) => {
      if (moves) moves.by(key === "on" ? 1 : -1, ago);
      else if (key === "on") goOn();
      else goBack();
    },
    onHold: () => moves?.back(),
  });
  return { box, peek, setPeek, button };
}
