import { useEffect, useEffectEvent } from "react";
import type { LeaderAct } from "@/core/stage";
import { stageKeyAct } from "@/ui/keys/stage";
import { isTyping } from "../page-keys";

/** The leader's letters: the same acts as the buttons. */
export function useLeadKeys(leads: boolean, press: (act: LeaderAct) => void, onMark: () => void): void {
  const onPressed = useEffectEvent((event: KeyboardEvent) => {
    const pressed = isTyping(event) || event.repeat ? null : stageKeyAct("leading", event);
    if (pressed === null) return;
    if (pressed === "mark") onMark();
    else if (pressed === "start") press({ type: "start", passage: null, countBars: 1 });
    else press({ type: pressed });
  });
  useEffect(() => {
    if (!leads) return;
    const onKey = (event: KeyboardEvent) => onPressed(event);
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [leads]);
}
