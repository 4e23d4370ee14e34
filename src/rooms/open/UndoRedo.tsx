"use client";

import { Redo2, Undo2 } from "lucide-react";
import { useStore } from "zustand";
import type { History } from "@/document/client";
import { useReady } from "@/ui/use-ready";

/** The two buttons that take a step back and do it again. */
export function UndoRedo({ history }: { history: History }) {
  const ready = useReady();
  const undo = useStore(history.state, (state) => state.undo.length);
  const redo = useStore(history.state, (state) => state.redo.length);
  return (
    <span className="join">
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
