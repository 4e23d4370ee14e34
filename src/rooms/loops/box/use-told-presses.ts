"use client";

import { useEffect, useEffectEvent, useRef } from "react";
import type { Pressed } from "@/core/loops";
import { type ControlEvent, controlOf, nextTold, type Telling, tellPress } from "@/performance/pedals";
import { usePedalInputs } from "../../trainer";

/**
 * Presses of whatever is used as pedals, told as once, twice or held: digits of the keyboard, MIDI pedals where they are there,
 * and buttons on the screen.
 */
export function useToldPresses(isOn: boolean, onTold: (pressed: Pressed) => void) {
  const telling = useRef<Telling>(null);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);

  const move = (event: ControlEvent) => {
    if (!isOn) return;
    const next = tellPress(telling.current, event);
    telling.current = next.telling;
    clearTimeout(timer.current);
    const due = nextTold(next.telling);
    if (due !== null) timer.current = setTimeout(() => onTime(), Math.max(0, due - performance.now()) + 1);
    if (next.told) onTold(next.told);
  };
  const onTime = useEffectEvent(() => move({ kind: "time", stamp: performance.now() }));
  useEffect(() => () => clearTimeout(timer.current), []);
  const midi = usePedalInputs(
    isOn,
    (key, kind, stamp) => move({ kind, control: `key ${key}`, stamp }),
    (bytes, stamp) => {
      const said = controlOf(bytes);
      if (!said) return;
      const { control, isDown, isMoment } = said;
      move({ kind: isDown ? "down" : "up", control, stamp });
      if (isMoment) move({ kind: "up", control, stamp });
    },
  );
  return {
    midi,
    down: (control: string, stamp: number) => move({ kind: "down", control, stamp }),
    up: (control: string) => move({ kind: "up", control, stamp: performance.now() }),
  };
}
