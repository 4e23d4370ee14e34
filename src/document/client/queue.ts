import { type IDBPDatabase, openDB } from "idb";
import { z } from "zod/mini";
import type { PendingEdit, Tables } from "..";

/** Where edits wait until the server has them on disk. */
export type EditQueue<T extends Tables = Tables> = {
  readonly load: () => Promise<PendingEdit<T>[]>;
  readonly save: (pending: readonly PendingEdit<T>[]) => Promise<void>;
};

const STORE = "pending";
const savedSchema = z.array(
  z.object({ editId: z.string(), base: z.number(), command: z.looseObject({ type: z.string() }) }),
);

let opened: Promise<IDBPDatabase> | null = null;

const open = (): Promise<IDBPDatabase> => {
  opened ??= openDB("shared-lantern", 1, { upgrade: (database) => void database.createObjectStore(STORE) });
  return opened;
};

/** A page that is drawn no more, ms: what waits for its paint goes on then. */
const NO_PAINT_MS = 100;

/** Settles once what a key has changed is painted; at once where nothing is drawn or the page is left. */
const painted = (): Promise<void> =>
  new Promise((resolve) => {
    if (typeof requestAnimationFrame === "undefined" || document.visibilityState === "hidden") {
      resolve();
      return;
    }
    const done = () => {
      removeEventListener("pagehide", done);
      clearTimeout(timer);
      resolve();
    };
    const timer = setTimeout(done, NO_PAINT_MS);
    addEventListener("pagehide", done);
    requestAnimationFrame(() => setTimeout(done));
  });

/**
 * The queue of one document, kept in IndexedDB: it outlives a reload and a crash of the page. Windows share
 * it, an entry an edit; a window opened later may send what one that was closed had left, and the server
 * takes each edit once. It is written after the paint, and of quick edits together: a key is answered on the screen first.
 */
export function browserQueue<T extends Tables>(documentId: string): EditQueue<T> {
  /** What this window has put into the store: the edit as it stands there, null where that is not known. */
  const mine = new Map<string, PendingEdit<T> | null>();
  const keyOf = (editId: string, place: number) =>
    `${documentId} ${String(place).padStart(15, "0")} ${editId}`;
  const keys = new Map<string, string>();
  let place = Date.now();
  let newest: readonly PendingEdit<T>[] = [];
  let next: Promise<void> | null = null;
  const write = async (pending: readonly PendingEdit<T>[]) => {
    const transaction = (await open()).transaction(STORE, "readwrite");
    const done: Promise<unknown>[] = [transaction.done];
    const waiting = new Set(pending.map((edit) => edit.editId));
    const gone = [...mine.keys()].filter((editId) => !waiting.has(editId));
    const changed = pending.filter((edit) => mine.get(edit.editId) !== edit);
    for (const editId of gone) done.push(transaction.store.delete(keys.get(editId)!));
    for (const edit of changed) {
      const key = keys.get(edit.editId) ?? keyOf(edit.editId, place++);
      keys.set(edit.editId, key);
      mine.set(edit.editId, null);
      done.push(transaction.store.put(JSON.parse(JSON.stringify(edit)), key));
    }
    await Promise.all(done);
    // Only now it stands there: what could not be written is written anew with the next one.
    for (const edit of changed) if (mine.has(edit.editId)) mine.set(edit.editId, edit);
    for (const editId of gone) {
      mine.delete(editId);
      keys.delete(editId);
    }
  };
  return {
    load: async () => {
      const range = IDBKeyRange.bound(`${documentId} `, `${documentId} \uffff`);
      const entries = await (await open()).getAll(STORE, range);
      const saved = savedSchema.safeParse(entries);
      if (!saved.success) return [];
      // What is no edit any more is lost when it is replayed, with its values shown.
      const pending = saved.data as unknown as PendingEdit<T>[];
      const found = await (await open()).getAllKeys(STORE, range);
      for (const [index, edit] of pending.entries()) {
        mine.set(edit.editId, null);
        keys.set(edit.editId, String(found[index]));
      }
      return pending;
    },
    save: (pending) => {
      newest = pending;
      next ??= painted().then(() => {
        next = null;
        return write(newest);
      });
      return next;
    },
  };
}
