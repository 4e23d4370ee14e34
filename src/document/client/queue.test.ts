import "fake-indexeddb/auto";
import { openDB } from "idb";
import { describe, expect, it, vi } from "vitest";
import type { ListTables } from "../../../testing/document/lists";
import { makersOf, type PendingEdit } from "..";
import { browserQueue } from "./queue";

const { set } = makersOf<ListTables>();
const edit = (editId: string, text = editId): PendingEdit<ListTables> => ({
  editId,
  base: 0,
  command: set("items", "a", { text }),
});
let count = 0;
const newId = () => `doc${count++}`;
const idsOf = async (id: string) => (await browserQueue<ListTables>(id).load()).map(({ editId }) => editId);

describe("the queue of a document", () => {
  it("gives back what waits, in its order, when the window is opened again", async () => {
    const id = newId();
    const queue = browserQueue<ListTables>(id);
    await queue.save([edit("one"), edit("two")]);
    await queue.save([edit("one"), edit("two"), edit("three")]);
    expect(await browserQueue<ListTables>(id).load()).toEqual([edit("one"), edit("two"), edit("three")]);
  });

  it("forgets what the server has", async () => {
    const id = newId();
    const queue = browserQueue<ListTables>(id);
    await queue.save([edit("one"), edit("two")]);
    await queue.save([edit("two")]);
    expect(await idsOf(id)).toEqual(["two"]);
    await queue.save([]);
    expect(await idsOf(id)).toEqual([]);
  });

  it("keeps the edits of each document, and of each window, apart", async () => {
    const id = newId();
    const [here, there] = [browserQueue<ListTables>(id), browserQueue<ListTables>(id)];
    await here.save([edit("mine")]);
    await there.save([edit("theirs")]);
    await browserQueue<ListTables>(newId()).save([edit("elsewhere")]);
    expect((await idsOf(id)).sort()).toEqual(["mine", "theirs"]);
    await here.save([]);
    expect(await idsOf(id)).toEqual(["theirs"]);
  });

  it("lets a window that takes up what a closed one left also put it away", async () => {
    const id = newId();
    await browserQueue<ListTables>(id).save([edit("left")]);
    const later = browserQueue<ListTables>(id);
    expect((await later.load()).map(({ editId }) => editId)).toEqual(["left"]);
    await later.save([]);
    expect(await idsOf(id)).toEqual([]);
  });

  it("keeps an edit with its newest base, under its old place", async () => {
    const id = newId();
    const queue = browserQueue<ListTables>(id);
    await queue.save([edit("one"), edit("two")]);
    await queue.save([{ ...edit("one"), base: 4 }, edit("two")]);
    expect((await browserQueue<ListTables>(id).load()).map(({ editId, base }) => [editId, base])).toEqual([
      ["one", 4],
      ["two", 0],
    ]);
  });

  it("writes anew what could not be written", async () => {
    const id = newId();
    const queue = browserQueue<ListTables>(id);
    const [one, two] = [edit("one"), edit("two")];
    const put = vi.spyOn(IDBObjectStore.prototype, "put").mockImplementationOnce(() => {
      throw new DOMException("The disk is full.", "QuotaExceededError");
    });
    await expect(queue.save([one])).rejects.toThrow("The disk is full.");
    await queue.save([one, two]);
    put.mockRestore();
    expect(await idsOf(id)).toEqual(["one", "two"]);
  });

  it("writes quick edits together, and each once", async () => {
    const id = newId();
    const queue = browserQueue<ListTables>(id);
    const edits = [edit("one"), edit("two"), edit("three")];
    const put = vi.spyOn(IDBObjectStore.prototype, "put");
    await Promise.all(edits.map((_, at) => queue.save(edits.slice(0, at + 1))));
    await queue.save([...edits, edit("four")]);
    expect(put).toHaveBeenCalledTimes(4);
    put.mockRestore();
    expect(await idsOf(id)).toEqual(["one", "two", "three", "four"]);
  });

  it("takes entries that are no edits for none", async () => {
    const id = newId();
    await browserQueue<ListTables>(id).save([edit("one")]);
    const database = await openDB("shared-lantern", 1);
    await database.put("pending", { nonsense: true }, `${id} 000000000000001 x`);
    expect(await idsOf(id)).toEqual([]);
    database.close();
  });
});
