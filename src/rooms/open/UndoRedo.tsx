"use client";

import { Redo2, Undo2 } from "lucide-react";
import { useEffect } from "react";
import { useStore } from "zustand";
import type { History } from "@/document/client";
import { keyAct } from "@/ui/keys";
import { useReady } from "@/ui/use-ready";
import { HistoryTold } from "./HistoryTold";

/** The two buttons that take a step back and do it again, and their keys. */
export function UndoRedo({ history }: { history: History }) {
  const ready = useReady();
  const undo = useStore(history.state, (state) => state.undo.length);
  const redo = useStore(history.state, (state) => state.redo.length);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const act = keyAct("everywhere", event);
      if (act === "undo") history.undo();
      else if (act === "redo") history.redo();
      else return;
      event.preventDefault();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [history]);
  return (
    <span className="join">
      <HistoryTold history={history} />
      <button
        type="button"
        className="btn btn-sm join-item"
        disabled={!ready || undo === 0}
        onClick={history.undo}
      >
        <Undo2 size={16} aria-hidden="true" /> Undo
      </button>
      <button
        type="button"
        className="btn btn-sm join-item"
        disabled={!ready || redo === 0}
        onClick={history.redo}
      >
        <Redo2 size={16} aria-hidden="true" /> Redo
      </button>
    </span>
  );
}
