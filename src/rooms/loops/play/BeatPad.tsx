"use client";

import { useEffect, useEffectEvent } from "react";
import { isTyping } from "@/ui/is-typing";
import { keyAct } from "@/ui/keys";

/** Where the beat is tapped while a layer is recorded: a key, or a pad on the screen. */
export function BeatPad({ onTap }: { onTap: (stamp: number) => void }) {
  const onKey = useEffectEvent((event: KeyboardEvent) => {
    if (keyAct("pedals", event) !== "beat" || event.repeat || isTyping(event.target)) return;
    event.preventDefault();
    onTap(event.timeStamp);
  });
  useEffect(() => {
    const down = (event: KeyboardEvent) => onKey(event);
    window.addEventListener("keydown", down);
    return () => window.removeEventListener("keydown", down);
  }, []);
  return (
    <button
      type="button"
      className="btn mt-3 h-14 touch-none"
      aria-keyshortcuts="b"
      onPointerDown={(event) => onTap(event.timeStamp)}
    >
      Tap the beat as you play <span className="font-mono text-sm font-normal">key B</span>
    </button>
  );
}
