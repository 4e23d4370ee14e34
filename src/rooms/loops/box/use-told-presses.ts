"use client";

import { useEffect, useEffectEvent, useRef, useState } from "react";
import type { Pressed } from "@/core/loops";
import { hear, midiInputs } from "@/performance/midi";
import { type ControlEvent, controlOf, nextTold, type Telling, tellPress } from "@/performance/pedals";
import { isTyping } from "@/ui/is-typing";
import { keyAct } from "@/ui/keys";

/**
 * Presses of whatever is used as pedals, told as once, twice or held: digits of the keyboard, MIDI pedals where they are there,
 * and buttons on the screen.
 */
export function useToldPresses(isOn: boolean, onTold: (pressed: Pressed) => void) {
  const telling = useRef<Telling>(null);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const [inputs, setInputs] = useState<readonly MIDIInput[]>([]);
  const [midi, setMidi] = useState<"off" | "on" | "none" | "refused">("off");

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
  const onKey = useEffectEvent((event: KeyboardEvent, kind: "down" | "up") => {
    const isPedal = keyAct("pedals", event) === "pedal";
    const isMeant =
      isPedal &&
      !event.repeat &&
      !isTyping(event.target) &&
      !event.ctrlKey &&
      !event.metaKey &&
      !event.altKey;
    if (!isMeant || !isOn) return;
    event.preventDefault();
    move({ kind, control: `key ${event.key}`, stamp: event.timeStamp });
  });
  useEffect(() => {
    const down = (event: KeyboardEvent) => onKey(event, "down");
    const up = (event: KeyboardEvent) => onKey(event, "up");
    window.addEventListener("keydown", down);
    window.addEventListener("keyup", up);
    return () => {
      window.removeEventListener("keydown", down);
      window.removeEventListener("keyup", up);
      clearTimeout(timer.current);
    };
  }, []);
  const onMidi = useEffectEvent((bytes: readonly number[], stamp: number) => {
    const said = controlOf(bytes);
    if (!said) return;
    const { control, isDown, isMoment } = said;
    move({ kind: isDown ? "down" : "up", control, stamp });
    if (isMoment) move({ kind: "up", control, stamp });
  });
  useEffect(() => hear(inputs, (bytes, stamp) => onMidi(bytes, stamp)), [inputs]);

  const startMidi = async () => {
    const found = await midiInputs();
    setMidi(found.state);
    if (found.state === "on") setInputs(found.ports);
  };
  return {
    midi,
    startMidi: () => void startMidi(),
    down: (control: string, stamp: number) => move({ kind: "down", control, stamp }),
    up: (control: string) => move({ kind: "up", control, stamp: performance.now() }),
  };
}
