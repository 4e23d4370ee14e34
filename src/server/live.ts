import type { LoggedEdit } from "./documents/stored-documents";
import { onHost } from "./host";

type Listener = (edit: LoggedEdit) => void;

/** Who watches which document. */
const watchers = onHost("watchers", () => new Map<string, Set<Listener>>());

/** Who watches all documents: in a thread apart, whoever carries edits on to those who watch. */
const watchersOfAll = onHost(
  "watchers of all",
  () => new Set<(documentId: string, edit: LoggedEdit) => void>(),
);

/** Tells everyone who watches a document of an edit that is on disk. */
export function announce(documentId: string, edit: LoggedEdit): void {
  for (const listener of watchersOfAll()) listener(documentId, edit);
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

/** Watches every document, for good. */
export const watchAll = (listener: (documentId: string, edit: LoggedEdit) => void): void =>
  void watchersOfAll().add(listener);

/** Open lines by the guest who hears them. */
const lines = onHost("lines of guests", () => new Map<string, Set<() => void>>());

/**
 * Remembers an open line of a guest, so that it ends with the guest's being here; null is whoever sits at this machine.
 * @param end ends the line
 * @returns forgets it, once it has ended by itself
 */
export function keepLine(guestId: string | null, end: () => void): () => void {
  if (guestId === null) return () => {};
  const own = lines().get(guestId) ?? new Set();
  lines().set(guestId, own.add(end));
  return () => {
    own.delete(end);
    if (own.size === 0) lines().delete(guestId);
  };
}

/** Ends every open line of guests who are out. */
export function endLines(guestIds: readonly string[]): void {
  for (const id of guestIds) for (const end of [...(lines().get(id) ?? [])]) end();
}
