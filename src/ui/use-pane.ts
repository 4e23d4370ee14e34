"use client";

import { useState } from "react";
import { onEscape } from "./on-escape";

/**
 * Escape leaves a pane and gives the focus back to what opened it. For the `onKeyDown` of a pane that is drawn when it is
 * opened.
 */
export function usePane(leave: () => void): ReturnType<typeof onEscape> {
  const [opener] = useState(() => (typeof document === "undefined" ? null : document.activeElement));
  return onEscape(() => {
    leave();
    if (opener instanceof HTMLElement && opener.isConnected) opener.focus();
  });
}
