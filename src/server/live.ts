import type { LoggedEdit } from "./documents/store";

type Listener = (edit: LoggedEdit) => void;

/** Who watches which document. Kept on the global object: pages and route handlers may load this file apart. */
const shared = globalThis as { lanternWatchers?: Map<string, Set<Listener>> };
shared.lanternWatchers ??= new Map();
const watchers = shared.lanternWatchers;

/** Tells everyone who watches a document of an edit that is on disk. */
export function announce(documentId: string, edit: LoggedEdit): void {
  for (const listener of watchers.get(documentId) ?? []) listener(edit);
}

/** Watches a document; the function returned ends it. */
export function watch(documentId: string, listener: Listener): () => void {
  const listeners = watchers.get(documentId) ?? new Set();
  watchers.set(documentId, listeners.add(listener));
  return () => {
    listeners.delete(listener);
    if (listeners.size === 0) watchers.delete(documentId);
  };
}
