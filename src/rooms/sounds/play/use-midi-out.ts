"use client";

import { useRef, useState } from "react";

/** MIDI to real gear, only when it is asked for: which outputs there are, and the one messages go to. */
export function useMidiOut() {
  const [outputs, setOutputs] = useState<readonly MIDIOutput[]>([]);
  const [state, setState] = useState<"off" | "on" | "none" | "refused">("off");
  const [chosen, setChosen] = useState("");
  const output = useRef<MIDIOutput | null>(null);
  const choose = (id: string, among: readonly MIDIOutput[] = outputs) => {
    setChosen(id);
    output.current = among.find((one) => one.id === id) ?? null;
  };
  const ask = () => {
    if (!navigator.requestMIDIAccess) {
      setState("none");
      return;
    }
    navigator.requestMIDIAccess().then(
      (access) => {
        const found = [...access.outputs.values()];
        setOutputs(found);
        setState(found.length > 0 ? "on" : "none");
        choose(found[0]?.id ?? "", found);
      },
      () => setState("refused"),
    );
  };
  const send = (bytes: readonly number[], inSeconds: number) =>
    output.current?.send([...bytes], performance.now() + inSeconds * 1000);
  return { state, outputs, chosen, choose, ask, send };
}
