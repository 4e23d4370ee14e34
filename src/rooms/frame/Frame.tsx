"use client";

import { usePathname } from "next/navigation";
import { lazy, Suspense, useEffect } from "react";
import { useStore } from "zustand";
import { isTyping } from "@/ui/is-typing";
import { stageKeyAct } from "@/ui/keys/stage";
import { frame, showFrame } from "./frame-store";
import { toasts } from "./toasts";

const Palette = lazy(async () => ({ default: (await import("./Palette")).Palette }));
const KeysAndHelp = lazy(async () => ({ default: (await import("./KeysAndHelp")).KeysAndHelp }));
const Toasts = lazy(async () => ({ default: (await import("./Toasts")).Toasts }));

const STAGE = /^\/(?:live\/|stage\/[^/]+\/[^/]+$)/u;

/** What stands around every page: the palette, the list of keys, and sentences that come and go. Each is loaded when it is needed. */
export function Frame() {
  const shown = useStore(frame, (state) => state.shown);
  // A stage has a list of its own on the same key.
  const isStage = STAGE.test(usePathname());
  const hasToasts = useStore(toasts, (state) => state.last !== null);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const act = stageKeyAct("everywhere", event);
      if (act === "palette") showFrame("palette");
      else if (act === "help" && !isStage && !isTyping(event.target)) showFrame("help");
      else return;
      event.preventDefault();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [isStage]);
  return (
    <Suspense fallback={null}>
      {shown === "palette" && <Palette />}
      {shown === "help" && <KeysAndHelp />}
      {hasToasts && <Toasts />}
    </Suspense>
  );
}
