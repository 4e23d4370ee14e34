import { useEffect, useRef } from "react";
import type { LeaderAct } from "@/core/stage";
import { isTyping } from "../page-keys";

const LEAD_KEYS: Readonly<Record<string, LeaderAct["type"]>> = {
  h: "hold",
  g: "goOn",
  m: "repeat",
  l: "skip",
  s: "stop",
  u: "undo",
  n: "next",
};

/** The leader's letters: the same acts as the buttons; `c` counts a bar in, `d` marks a danger spot. */
export function useLeadKeys(leads: boolean, press: (act: LeaderAct) => void, onMark: () => void): void {
  const mark = useRef(onMark);
  mark.current = onMark;
  useEffect(() => {
    if (!leads) return;
    const onKey = (event: KeyboardEvent) => {
      if (isTyping(event) || event.ctrlKey || event.metaKey || event.altKey || event.repeat) return;
      const key = event.key.toLowerCase();
      if (key === "c") return press({ type: "start", passage: null, countBars: 1 });
      if (key === "d") return mark.current();
      const type = LEAD_KEYS[key];
      if (type) press({ type } as LeaderAct);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [leads, press]);
}
