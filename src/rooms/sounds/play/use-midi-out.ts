"use client";

import { useRef, useState } from "react";
import { midiOutputs } from "@/performance/midi";

/** MIDI to real gear, only when it is asked for: which outputs there are, and the one messages go to. */
export function useMidiOut() {
  const [outputs, setOutputs] = useState<readonly MIDIOutput[]>([]);
  const [state, setState] = useState<"off" | "on" | "none" | "refused">("off");
  const [chosen, setChosen] = useState("");
  // A run keeps the function it was begun with, so that reads where messages go at each one.
  const output = useRef<MIDIOutput | undefined>(undefined);
  const choose = (id: string, among = outputs) => {
    setChosen(id);
    output.current = among.find((one) => one.id === id);
  };
  const ask = async () => {
    const found = await midiOutputs();
    setState(found.state);
    if (found.state !== "on") return;
    setOutputs(found.ports);
    choose(found.ports[0]!.id, found.ports);
  };
  const send = (bytes: readonly number[], inSeconds: number) =>
    output.current?.send([...bytes], performance.now() + inSeconds * 1000);
  return { state, outputs, chosen, choose, ask: () => void ask(), send };
}
