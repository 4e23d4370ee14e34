import { createStore, type StoreApi } from "zustand/vanilla";
import { type Command, singles, type Tables } from "..";
import type { Acting } from "./store";

/** One step back or forward: the edit that makes it, and the document it is for. */
type Step = { readonly documentId: string; readonly command: Command };

/** What has just happened, for whoever does not see it: something was taken out, a step was taken back or done again. */
type Happened = {
  readonly what: "taken out" | "taken back" | "done again";
  readonly words: string;
  /** Counts up, so that the same can happen again. */
  readonly count: number;
};

type HistoryState = {
  readonly undo: readonly Step[];
  readonly redo: readonly Step[];
  readonly happened: Happened | null;
};

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
 * @param later when the steps are written there: many big steps take longer than a key press may
 */
export function createHistory(
  stores: readonly Acting[],
  storageKey: string,
  later: (keep: () => void) => void = afterPause,
): History {
  const state = createStore<HistoryState>(() => ({ ...load(storageKey), happened: null }));
  const storeOf = (id: string) => stores.find((store) => store.id === id);

  const save = (next: Pick<HistoryState, "undo" | "redo">) => {
    const bounded = { undo: next.undo.slice(-DEEPEST), redo: next.redo.slice(-DEEPEST) };
    state.setState(bounded);
    later(keep);
  };
  const keep = () => {
    const { undo, redo } = state.getState();
    try {
      sessionStorage.setItem(storageKey, JSON.stringify({ undo, redo }));
    } catch {
      // Steps back stay in memory only; nothing typed is lost.
    }
  };

  const tellOf = (what: Happened["what"], words: string) =>
    state.setState(({ happened }) => ({ happened: { what, words, count: (happened?.count ?? 0) + 1 } }));

  const act = <T extends Tables>(store: Acting<T>, command: Command<T>) => {
    const words = takesOut(command) ? describeRemoval(store, command) : null;
    const inverse = store.act(command);
    if (!inverse) return;
    if (words !== null) tellOf("taken out", words);
    save({ undo: [...state.getState().undo, { documentId: store.id, command: inverse }], redo: [] });
  };

  const step = (from: "undo" | "redo", to: "undo" | "redo") => {
    const last = state.getState()[from].at(-1);
    if (!last) return;
    const rest = state.getState()[from].slice(0, -1);
    const store = storeOf(last.documentId);
    const words = store?.describe(last.command) ?? "";
    const inverse = store?.act(last.command) ?? null;
    if (inverse) tellOf(from === "undo" ? "taken back" : "done again", words);
    const other = state.getState()[to];
    save({
      ...state.getState(),
      [from]: rest,
      [to]: inverse ? [...other, { documentId: last.documentId, command: inverse }] : other,
    });
  };

  return { state, act, undo: () => step("undo", "redo"), redo: () => step("redo", "undo") };
}

/** Whether an edit takes something out and puts nothing in its place. */
const takesOut = (command: Command): boolean => {
  const all = singles(command);
  return all.some(({ type }) => type === "remove") && !all.some(({ type }) => type === "add");
};

/** How long nothing is done before steps are written down, ms; a page that goes away does so at once. */
const PAUSE_MS = 400;

/** The steps of a window that wait to be written down. */
let waiting: { readonly keep: () => void; readonly timer: ReturnType<typeof setTimeout> } | null = null;

function keepNow(): void {
  if (!waiting) return;
  clearTimeout(waiting.timer);
  waiting.keep();
  waiting = null;
}
if (typeof window !== "undefined") window.addEventListener("pagehide", keepNow);

function afterPause(keep: () => void): void {
  if (waiting?.keep === keep) clearTimeout(waiting.timer);
  else keepNow();
  waiting = { keep, timer: setTimeout(keepNow, PAUSE_MS) };
}

/** What was taken out by its name, where one thing with a name was and all else went with it. */
function describeRemoval<T extends Tables>(store: Acting<T>, command: Command<T>): string {
  const named = singles(command)
    .filter(({ type }) => type === "remove")
    .map((single) => store.describe(single))
    .filter((words) => words.includes("“"));
  return named.length === 1 ? named[0]! : store.describe(command);
}

function load(storageKey: string): Pick<HistoryState, "undo" | "redo"> {
  try {
    const saved = JSON.parse(sessionStorage.getItem(storageKey) ?? "null");
    if (Array.isArray(saved?.undo) && Array.isArray(saved?.redo)) return saved;
  } catch {
    // A damaged entry: begin anew.
  }
  return { undo: [], redo: [] };
}
