"use client";

import { useEffect, useEffectEvent, useState } from "react";
import { hear, midiInputs } from "@/performance/midi";
import { isTyping } from "@/ui/is-typing";
import { keyAct } from "@/ui/keys";

/** Whether MIDI pedals are heard: not asked for yet, heard, none there, or not allowed. */
export type MidiState = "off" | "on" | "none" | "refused";

/** Why no MIDI pedals are heard, in words. */
export const NO_MIDI: Readonly<Record<MidiState, string>> = Object.freeze({
  off: "",
  on: "",
  none: "No MIDI pedals are there, or this browser has no MIDI.",
  refused: "The browser did not allow MIDI.",
});

/**
 * What is pressed instead of pedals: digits of the keyboard, and MIDI pedals where they are there and asked for.
 * @param isOn whether keys are listened to; else they are left to whoever wants them
 * @param onKey is told of a digit that goes down or up, and when, ms of the browser's clock
 * @param onMidi is given every MIDI message
 */
export function usePedalInputs(
  isOn: boolean,
  onKey: (key: string, kind: "down" | "up", stamp: number) => void,
  onMidi: (bytes: readonly number[], stamp: number) => void,
): { readonly state: MidiState; readonly start: () => void } {
  const [state, setState] = useState<MidiState>("off");
  const [inputs, setInputs] = useState<readonly MIDIInput[]>([]);
  const onKeyDown = useEffectEvent((event: KeyboardEvent) => {
    const isMeant =
      !event.repeat && !isTyping(event.target) && !event.ctrlKey && !event.metaKey && !event.altKey;
    if (!isOn || keyAct("pedals", event) !== "pedal" || !isMeant) return;
    event.preventDefault();
    onKey(event.key, "down", event.timeStamp);
  });
  const onKeyUp = useEffectEvent((event: KeyboardEvent) => {
    if (keyAct("pedals", event) === "pedal") onKey(event.key, "up", event.timeStamp);
  });
  useEffect(() => {
    const down = (event: KeyboardEvent) => onKeyDown(event);
    const up = (event: KeyboardEvent) => onKeyUp(event);
    window.addEventListener("keydown", down);
    window.addEventListener("keyup", up);
    return () => {
      window.removeEventListener("keydown", down);
      window.removeEventListener("keyup", up);
    };
  }, []);
  const onMessage = useEffectEvent(onMidi);
  useEffect(() => hear(inputs, (bytes, stamp) => onMessage(bytes, stamp)), [inputs]);
  const start = async () => {
    const found = await midiInputs();
    setState(found.state);
    if (found.state === "on") setInputs(found.ports);
  };
  return { state, start: () => void start() };
}
