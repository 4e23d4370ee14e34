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

/**
 * The queue of one document, kept in IndexedDB: it outlives a reload and a crash of the page. Windows share
 * it, an entry an edit; a window opened later may send what one that was closed had left, and the server
 * takes each edit once.
 */
export function browserQueue<T extends Tables>(documentId: string): EditQueue<T> {
  const mine = new Set<string>();
  const keyOf = (editId: string, place: number) =>
    `${documentId} ${String(place).padStart(15, "0")} ${editId}`;
  const keys = new Map<string, string>();
  let place = Date.now();
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
        mine.add(edit.editId);
        keys.set(edit.editId, String(found[index]));
      }
      return pending;
    },
    save: async (pending) => {
      const transaction = (await open()).transaction(STORE, "readwrite");
      const waiting = new Set(pending.map((edit) => edit.editId));
      for (const editId of [...mine]) {
        if (waiting.has(editId)) continue;
        await transaction.store.delete(keys.get(editId)!);
        mine.delete(editId);
        keys.delete(editId);
      }
      for (const edit of pending) {
        const key = keys.get(edit.editId) ?? keyOf(edit.editId, place++);
        keys.set(edit.editId, key);
        mine.add(edit.editId);
        await transaction.store.put(JSON.parse(JSON.stringify(edit)), key);
      }
      await transaction.done;
    },
  };
}
