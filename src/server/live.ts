import type { LoggedEdit } from "./documents/stored-documents";
import { onHost } from "./host";

type Listener = (edit: LoggedEdit) => void;

/** Who watches which document. */
const watchers = onHost("watchers", () => new Map<string, Set<Listener>>());

/** Tells everyone who watches a document of an edit that is on disk. */
export function announce(documentId: string, edit: LoggedEdit): void {
  for (const listener of watchers().get(documentId) ?? []) listener(edit);
}

/** Watches a document; the function returned ends it. */
export function watch(documentId: string, listener: Listener): () => void {
  const listeners = watchers().get(documentId) ?? new Set();
  watchers().set(documentId, listeners.add(listener));
  return () => {
    listeners.delete(listener);
    if (listeners.size === 0) watchers().delete(documentId);
  };
}
