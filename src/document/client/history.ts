import { createStore, type StoreApi } from "zustand/vanilla";
import type { Command, Tables } from "..";
import type { Acting } from "./store";

/** One step back or forward: the edit that makes it, and the document it is for. */
type Step = { readonly documentId: string; readonly command: Command };

type HistoryState = { readonly undo: readonly Step[]; readonly redo: readonly Step[] };

export type History = {
  readonly state: StoreApi<HistoryState>;
  readonly act: <T extends Tables>(store: Acting<T>, command: Command<T>) => void;
  readonly undo: () => void;
  readonly redo: () => void;
};

const DEEPEST = 300;

/**
 * Undo and redo of one window, over all its documents: a step back is a new edit made of the inverse.
 * Kept in session storage, so that it survives a reload.
 */
export function createHistory(stores: readonly Acting[], storageKey: string): History {
  const state = createStore<HistoryState>(() => load(storageKey));
  const storeOf = (id: string) => stores.find((store) => store.id === id);

  const save = (next: HistoryState) => {
    const bounded = { undo: next.undo.slice(-DEEPEST), redo: next.redo.slice(-DEEPEST) };
    state.setState(bounded);
    try {
      sessionStorage.setItem(storageKey, JSON.stringify(bounded));
    } catch {
      // Steps back stay in memory only; nothing typed is lost.
    }
  };

  const act = <T extends Tables>(store: Acting<T>, command: Command<T>) => {
    const inverse = store.act(command);
    if (inverse)
      save({ undo: [...state.getState().undo, { documentId: store.id, command: inverse }], redo: [] });
  };

  const step = (from: "undo" | "redo", to: "undo" | "redo") => {
    const last = state.getState()[from].at(-1);
    if (!last) return;
    const rest = state.getState()[from].slice(0, -1);
    const inverse = storeOf(last.documentId)?.act(last.command) ?? null;
    const other = state.getState()[to];
    save({
      ...state.getState(),
      [from]: rest,
      [to]: inverse ? [...other, { documentId: last.documentId, command: inverse }] : other,
    });
  };

  return { state, act, undo: () => step("undo", "redo"), redo: () => step("redo", "undo") };
}

function load(storageKey: string): HistoryState {
  try {
    const saved = JSON.parse(sessionStorage.getItem(storageKey) ?? "null");
    if (Array.isArray(saved?.undo) && Array.isArray(saved?.redo)) return saved;
  } catch {
    // A damaged entry: begin anew.
  }
  return { undo: [], redo: [] };
}
