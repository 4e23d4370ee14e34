"use client";

import { useEffect, useEffectEvent, useRef, useState } from "react";
import type { LoopBox } from "@/core/song/schema";
import {
  movePedals,
  nextHold,
  PEDALS_AT_REST,
  type PedalAct,
  type PedalEvent,
  type PedalsState,
} from "@/performance/pedals";
import { type MidiState, usePedalInputs } from "./use-pedal-inputs";

export type Pedals = {
  readonly down: (pedal: number, stamp: number) => void;
  readonly up: (pedal: number) => void;
  readonly midi: {
    readonly state: MidiState;
    readonly learned: number;
    readonly start: () => void;
  };
};

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
  useEffect(() => () => clearTimeout(hold.current), []);
  const { state: midi, start } = usePedalInputs(
    true,
    (key, kind, stamp) => move({ kind, pedal: Number(key) - 1, stamp }),
    (bytes, stamp) => {
      if (!onMessage(bytes, stamp)) move({ kind: "midi", bytes, stamp });
    },
  );

  return {
    down: (pedal, stamp) => move({ kind: "down", pedal, stamp }),
    up: (pedal) => move({ kind: "up", pedal, stamp: performance.now() }),
    midi: { state: midi, learned, start },
  };
}
