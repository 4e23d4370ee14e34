import { useRef } from "react";
import type { LeaderAct } from "@/core/stage";

/** Acts of one button, whatever it says at the time: twice the large one is not a hold and out of it again. */
const BUTTON: Partial<Readonly<Record<LeaderAct["type"], string>>> = {
  start: "main",
  hold: "main",
  goOn: "main",
  next: "main",
};

/**
 * Lets an act through once where a wet finger touches twice: the same button, with nothing else between. A tempo is tapped as fast
 * as one likes.
 */
export function useOnce(press: (act: LeaderAct) => void, gateMs: number): (act: LeaderAct) => void {
  const last = useRef({ button: "", at: Number.NEGATIVE_INFINITY });
  return (act) => {
    const button = BUTTON[act.type] ?? (act.type === "jump" ? `jump ${act.passage}` : act.type);
    const at = performance.now();
    const isTwice = act.type !== "tempo" && button === last.current.button && at - last.current.at < gateMs;
    last.current = { button, at };
    if (!isTwice) press(act);
  };
}
