"use client";

import { useEffect, useRef, useState } from "react";
import type { LoopBox } from "@/core/song/schema";
import { isTyping } from "@/ui/is-typing";

/** A second press within this is a double one; a pedal down for longer is held. Ours, no source. */
const DOUBLE_MS = 350;
const HOLD_MS = 650;

/** What a pedal's movement asks for: an act, and whether it stands in place of the press just made. */
export type PedalAct = { readonly act: string; readonly instead: boolean; readonly stamp: number };

export type Pedals = {
  readonly down: (pedal: number, stamp: number) => void;
  readonly up: (pedal: number) => void;
  readonly midi: {
    readonly state: "off" | "on" | "none" | "refused";
    readonly learned: number;
    readonly start: () => void;
  };
};

/**
 * Pedals by keys (digits), by screen and by MIDI where it is present. A double press or a held pedal takes the press back.
 * @param onMessage is given every MIDI message first; what it takes is not looked at further
 */
export function usePedals(
  pedals: LoopBox["pedals"],
  onAct: (act: PedalAct) => void,
  onMessage: (bytes: readonly number[], stamp: number) => boolean = () => false,
): Pedals {
  const last = useRef<{ pedal: number; stamp: number } | null>(null);
  const holds = useRef(new Map<number, ReturnType<typeof setTimeout>>());
  const heard = useRef<string[]>([]);
  const access = useRef<MIDIAccess | null>(null);
  const [midi, setMidi] = useState<Pedals["midi"]["state"]>("off");
  const [learned, setLearned] = useState(0);
  const latest = useRef({ pedals, onAct, onMessage });
  latest.current = { pedals, onAct, onMessage };

  const down = (index: number, stamp: number) => {
    const { pedals: own, onAct: tell } = latest.current;
    const pedal = own[index];
    if (!pedal) return;
    const before = last.current;
    const isDouble = before?.pedal === index && stamp - before.stamp < DOUBLE_MS && pedal.double !== "none";
    tell({ act: isDouble ? pedal.double : pedal.press, instead: isDouble, stamp });
    last.current = isDouble ? null : { pedal: index, stamp };
    if (pedal.hold === "none" || isDouble) return;
    const timer = setTimeout(() => {
      last.current = null;
      latest.current.onAct({ act: pedal.hold, instead: true, stamp: performance.now() });
    }, HOLD_MS);
    holds.current.set(index, timer);
  };
  const up = (index: number) => {
    clearTimeout(holds.current.get(index));
    holds.current.delete(index);
  };
  const acts = useRef({ down, up });
  acts.current = { down, up };

  useEffect(() => {
    const digit = (event: KeyboardEvent) => (/^[1-9]$/u.test(event.key) ? Number(event.key) - 1 : null);
    const onDown = (event: KeyboardEvent) => {
      const pedal = digit(event);
      if (
        pedal === null ||
        event.repeat ||
        isTyping(event.target) ||
        event.ctrlKey ||
        event.metaKey ||
        event.altKey
      )
        return;
      event.preventDefault();
      acts.current.down(pedal, event.timeStamp);
    };
    const onUp = (event: KeyboardEvent) => {
      const pedal = digit(event);
      if (pedal !== null) acts.current.up(pedal);
    };
    window.addEventListener("keydown", onDown);
    window.addEventListener("keyup", onUp);
    const timers = holds.current;
    return () => {
      window.removeEventListener("keydown", onDown);
      window.removeEventListener("keyup", onUp);
      for (const timer of timers.values()) clearTimeout(timer);
      for (const input of access.current?.inputs.values() ?? []) input.onmidimessage = null;
    };
  }, []);

  /** Controls are learned in the order they are first pressed. */
  const onMidi = (event: MIDIMessageEvent) => {
    const bytes = [...(event.data ?? [])];
    if (latest.current.onMessage(bytes, event.timeStamp)) return;
    const [status = 0, number = 0, value = 0] = bytes;
    const kind = status & 0xf0;
    if (kind !== 0x90 && kind !== 0x80 && kind !== 0xb0 && kind !== 0xc0) return;
    const key = `${kind === 0x80 ? 0x90 : kind} ${status & 0x0f} ${number}`;
    const isDown = kind === 0xc0 || (kind !== 0x80 && value > 0);
    if (!heard.current.includes(key)) {
      if (!isDown || heard.current.length >= latest.current.pedals.length) return;
      heard.current.push(key);
      setLearned(heard.current.length);
    }
    const pedal = heard.current.indexOf(key);
    if (isDown) acts.current.down(pedal, event.timeStamp);
    if (!isDown || kind === 0xc0) acts.current.up(pedal);
  };
  const start = () => {
    if (!navigator.requestMIDIAccess) {
      setMidi("none");
      return;
    }
    navigator.requestMIDIAccess().then(
      (granted) => {
        access.current = granted;
        for (const input of granted.inputs.values()) input.onmidimessage = onMidi;
        setMidi(granted.inputs.size > 0 ? "on" : "none");
      },
      () => setMidi("refused"),
    );
  };
  return { down, up, midi: { state: midi, learned, start } };
}
