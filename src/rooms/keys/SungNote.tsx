"use client";

import { Mic, MicOff } from "lucide-react";
import { useEffect, useRef } from "react";
import { useNames } from "../open";
import { useMicrophone } from "./use-microphone";

/** So many readings of one pitch in a row are a held note. */
const HELD = 12;

/** Finds a held note by the microphone: sing, hold, and it is taken. */
export function SungNote({ which, onHeld }: { which: "lowest" | "highest"; onHeld: (midi: number) => void }) {
  const { state, heard, start, stop } = useMicrophone();
  const namer = useNames()();
  const run = useRef({ midi: -1, count: 0 });
  useEffect(() => {
    if (!heard) return;
    const count = run.current.midi === heard.midi ? run.current.count + 1 : 1;
    run.current = { midi: heard.midi, count };
    if (count < HELD) return;
    run.current = { midi: -1, count: 0 };
    stop();
    onHeld(heard.midi);
  }, [heard, stop, onHeld]);
  if (state === "refused")
    return (
      <p role="alert" className="max-w-72 text-sm text-error">
        The browser does not give the microphone. Allow it for this page, or type the note.
      </p>
    );
  const isOn = state === "on" || state === "asking";
  return (
    <span className="flex items-center gap-2">
      <button type="button" className="btn btn-sm" onClick={isOn ? stop : start}>
        {isOn ? <MicOff size={16} aria-hidden="true" /> : <Mic size={16} aria-hidden="true" />}
        {isOn ? "Stop listening" : `Sing the ${which} note`}
      </button>
      {isOn && (
        <span aria-live="polite" className="font-mono font-bold">
          {state === "asking" ? "asking…" : heard ? namer.soundingPitch(heard.midi) : "sing and hold it"}
        </span>
      )}
    </span>
  );
}
