import { useRef } from "react";
import type { LeaderAct } from "@/core/stage";

/** Acts of one button, whatever it says at the time: twice the large one is not a hold and out of it again. */
const BUTTON: Partial<Readonly<Record<LeaderAct["type"], string>>> = {
  start: "main",
  hold: "main",
  goOn: "main",
  next: "main",
};

/** Lets an act through once where a wet finger touches twice; a tempo is tapped as fast as one likes. */
export function useOnce(press: (act: LeaderAct) => void, gateMs: number): (act: LeaderAct) => void {
  const last = useRef(new Map<string, number>());
  return (act) => {
    const button = BUTTON[act.type] ?? (act.type === "jump" ? `jump ${act.passage}` : act.type);
    const now = performance.now();
    const isTwice =
      act.type !== "tempo" && now - (last.current.get(button) ?? Number.NEGATIVE_INFINITY) < gateMs;
    last.current.set(button, now);
    if (!isTwice) press(act);
  };
}
