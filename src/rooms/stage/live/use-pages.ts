import { useCallback, useEffect, useRef, useState } from "react";
import type { LiveItem, Place } from "@/core/stage";
import { usePageKeys } from "../page-keys";
import { firstHiddenLine } from "../StagePieces";

/**
 * On and Back of one screen: lines that don't fit come first, then a look at the sections around. What everybody does
 * brings the screen back.
 * @param move where they move the music instead
 */
export function usePages(item: LiveItem | null, place: Place | null, move: ((by: 1 | -1) => void) | null) {
  const box = useRef<HTMLElement>(null);
  const [peek, setPeek] = useState(0);
  const here = `${item?.id} ${place?.index}`;
  // biome-ignore lint/correctness/useExhaustiveDependencies: another section is looked at from its top
  useEffect(() => {
    setPeek(0);
    box.current?.scrollTo(0, 0);
  }, [here]);
  const goOn = useCallback(() => {
    const hidden = box.current && firstHiddenLine(box.current);
    if (move) move(1);
    else if (box.current && hidden) box.current.scrollTo(0, hidden.offsetTop - box.current.offsetTop);
    else if (item && place && place.index + peek + 1 < item.passages.length) {
      setPeek(peek + 1);
      box.current?.scrollTo(0, 0);
    }
  }, [move, item, place, peek]);
  const goBack = useCallback(() => {
    if (move) move(-1);
    else if (box.current && box.current.scrollTop > 0)
      box.current.scrollTo(0, Math.max(0, box.current.scrollTop - box.current.clientHeight + 140));
    else if (place && place.index + peek > 0) setPeek(peek - 1);
  }, [move, place, peek]);
  usePageKeys(goOn, goBack);
  return { box, peek, setPeek, goOn, goBack };
}
