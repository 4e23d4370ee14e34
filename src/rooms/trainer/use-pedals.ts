"use client";

import { useEffect, useEffectEvent, useRef, useState } from "react";
import type { LoopBox } from "@/core/song/schema";
import { hear, midiInputs } from "@/performance/midi";
import {
  movePedals,
  nextHold,
  PEDALS_AT_REST,
  type PedalAct,
  type PedalEvent,
  type PedalsState,
} from "@/performance/pedals";
import { isTyping } from "@/ui/is-typing";
import { keyAct } from "@/ui/keys";

export type Pedals = {
  readonly down: (pedal: number, stamp: number) => void;
  readonly up: (pedal: number) => void;
  readonly midi: {
    readonly state: "off" | "on" | "none" | "refused";
    readonly learned: number;
    readonly start: () => void;
  };
};

const pedalOfKey = (event: KeyboardEvent): number | null =>
  keyAct("pedals", event) === "pedal" ? Number(event.key) - 1 : null;

/**
 * Pedals by keys (digits), by screen and by MIDI where it is present.
 * @param onMessage is given every MIDI message first; what it takes is not looked at further
 */
export function usePedals(
  pedals: LoopBox["pedals"],
  onAct: (act: PedalAct) => void,
  onMessage: (bytes: readonly number[], stamp: number) => boolean = () => false,
): Pedals {
  const state = useRef<PedalsState>(PEDALS_AT_REST);
  const hold = useRef<ReturnType<typeof setTimeout>>(undefined);
  const [midi, setMidi] = useState<Pedals["midi"]["state"]>("off");
  const [inputs, setInputs] = useState<readonly MIDIInput[]>([]);
  const [learned, setLearned] = useState(0);

  const move = (event: PedalEvent) => {
    const moved = movePedals(state.current, event, pedals);
    state.current = moved.state;
    setLearned(moved.state.learned.length);
    clearTimeout(hold.current);
    const due = nextHold(moved.state);
    if (due !== null) hold.current = setTimeout(() => onTime(), Math.max(0, due - performance.now()));
    for (const act of moved.acts) onAct(act);
  };
  const onTime = useEffectEvent(() => move({ kind: "time", stamp: performance.now() }));
  const onKeyDown = useEffectEvent((event: KeyboardEvent) => {
    const pedal = pedalOfKey(event);
    const isMeant =
      !event.repeat && !isTyping(event.target) && !event.ctrlKey && !event.metaKey && !event.altKey;
    if (pedal === null || !isMeant) return;
    event.preventDefault();
    move({ kind: "down", pedal, stamp: event.timeStamp });
  });
  const onKeyUp = useEffectEvent((event: KeyboardEvent) => {
    const pedal = pedalOfKey(event);
    if (pedal !== null) move({ kind: "up", pedal, stamp: event.timeStamp });
  });
  useEffect(() => {
    const down = (event: KeyboardEvent) => onKeyDown(event);
    const up = (event: KeyboardEvent) => onKeyUp(event);
    window.addEventListener("keydown", down);
    window.addEventListener("keyup", up);
    return () => {
      window.removeEventListener("keydown", down);
      window.removeEventListener("keyup", up);
      clearTimeout(hold.current);
    };
  }, []);
  const onMidi = useEffectEvent((bytes: readonly number[], stamp: number) => {
    if (!onMessage(bytes, stamp)) move({ kind: "midi", bytes, stamp });
  });
  useEffect(() => hear(inputs, (bytes, stamp) => onMidi(bytes, stamp)), [inputs]);

  const start = async () => {
    const found = await midiInputs();
    setMidi(found.state);
    if (found.state === "on") setInputs(found.ports);
  };
  return {
    down: (pedal, stamp) => move({ kind: "down", pedal, stamp }),
    up: (pedal) => move({ kind: "up", pedal, stamp: performance.now() }),
    midi: { state: midi, learned, start: () => void start() },
  };
}
