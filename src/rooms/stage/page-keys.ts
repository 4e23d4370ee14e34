import { useLayoutEffect } from "react";

/** Page-turn pedals send these. */
const ON = new Set(["ArrowRight", " ", "PageDown"]);
const BACK = new Set(["ArrowLeft", "PageUp"]);

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
      if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event)) return;
      if (ON.has(event.key)) goOn();
      else if (BACK.has(event.key)) goBack();
      else return;
      event.preventDefault();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [goOn, goBack]);
}
