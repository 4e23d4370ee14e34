"use client";

import { useEffect } from "react";
import type { History } from "@/document/client";
import { keepFocusNear } from "@/ui/keep-focus";
import { tell } from "../frame";

/**
 * Tells what was taken out, with a way to take that back, and says steps back and forward to whoever does not see them.
 * What had the focus and is gone leaves it to its neighbour.
 */
export function HistoryTold({ history }: { readonly history: History }) {
  useEffect(
    () =>
      history.state.subscribe(({ happened }, before) => {
        if (!happened || happened === before.happened) return;
        // The screen still shows what is about to go.
        keepFocusNear(document.activeElement);
        const { what, words } = happened;
        if (what === "taken out") tell({ words: `${words}.`, act: { name: "Undo", run: history.undo } });
        else
          tell({ words: `${what === "taken back" ? "Taken back" : "Done again"}: ${words}.`, isSaid: true });
      }),
    [history],
  );
  return null;
}
