"use client";

import { type Dispatch, type SetStateAction, useCallback, useEffect, useEffectEvent, useRef } from "react";
import type { StrandPlace } from "./use-strands";

/**
 * Drawing along one strand or several with the mouse or a finger.
 * @param onDrawn is told when the stroke ends, where the place says
 */
export function useStrandDrag(setPlace: Dispatch<SetStateAction<StrandPlace | null>>, onDrawn: () => void) {
  const drag = useRef(false);

  const onUp = useEffectEvent(() => {
    if (!drag.current) return;
    drag.current = false;
    onDrawn();
  });
  useEffect(() => {
    const up = () => onUp();
    // A finger that turns out to scroll draws nothing.
    const cancel = () => {
      drag.current = false;
      setPlace(null);
    };
    window.addEventListener("pointerup", up);
    window.addEventListener("pointercancel", cancel);
    return () => {
      window.removeEventListener("pointerup", up);
      window.removeEventListener("pointercancel", cancel);
    };
  }, [setPlace]);
  const onDown = useCallback(
    (use: number, layer: number, unit: number) => {
      drag.current = true;
      setPlace({ use, anchor: layer, layer, from: unit, to: unit });
    },
    [setPlace],
  );
  const onEnter = useCallback(
    (use: number, layer: number, unit: number) => {
      setPlace((before) => (drag.current && before?.use === use ? { ...before, layer, to: unit } : before));
    },
    [setPlace],
  );
  return { onDown, onEnter };
}
