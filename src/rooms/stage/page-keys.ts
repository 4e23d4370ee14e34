import { useLayoutEffect } from "react";
import { stageKeyAct } from "@/ui/keys/stage";

/** Whether a key is meant for a field, a dialog, or the button that has the focus. */
export const isTyping = ({ target, key }: KeyboardEvent): boolean =>
  target instanceof HTMLElement &&
  (target.closest("input, textarea, select, dialog") !== null ||
    (key === " " && target.closest("button, a, summary") !== null));

/** On and Back by the keys that page-turn pedals send. */
export function usePageKeys(goOn: () => void, goBack: () => void): void {
  // With the drawing, not after it: a press that comes as soon as the sheet is seen must not be lost.
  useLayoutEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const pressed = isTyping(event) ? null : stageKeyAct("stage", event);
      if (pressed === "on") goOn();
      else if (pressed === "back") goBack();
      else return;
      event.preventDefault();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [goOn, goBack]);
}
