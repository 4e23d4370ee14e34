import type { KeyboardEvent } from "react";

/** Escape leaves a pane: for its `onKeyDown`. A field that takes Escape for itself keeps it. */
export const onEscape =
  (leave: () => void) =>
  (event: KeyboardEvent): void => {
    if (event.key !== "Escape" || event.defaultPrevented) return;
    event.preventDefault();
    event.stopPropagation();
    leave();
  };
