import "fake-indexeddb/auto";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { unwrap } from "../../base";
import { songEdits } from "../../core/song/edit";
import { DOCUMENTS, type SongBody, type SongTables } from "../../core/song/schema";
import {
  type ArrivedEdit as AnyArrived,
  type Command as AnyCommand,
  type PendingEdit as AnyPending,
  type SimpleCommand as AnySimple,
  applyEdit,
  emptyBody,
  overlap,
  touches,
} from "..";
import { createHistory } from "./history";
import { type EditQueue as AnyQueue, browserQueue } from "./queue";
import { type Acting as AnyActing, type DocumentStore as AnyStore, createDocumentStore } from "./store";
import type { Answer as AnyAnswer, Transport as AnyTransport } from "./transport";

type Command = AnyCommand<SongTables>;
type ArrivedEdit = AnyArrived<SongTables>;
type PendingEdit = AnyPending<SongTables>;
type EditQueue = AnyQueue<SongTables>;
type DocumentStore = AnyStore<SongTables>;
type Answer = AnyAnswer<SongTables>;
type Transport = AnyTransport<SongTables>;
const { set } = songEdits;

const start: SongBody = {
  ...emptyBody(DOCUMENTS.song),
  song: {
    s: {
      id: "s",
      title: "Ferry",
      by: "",
      composer: "",
      copyright: "",
      tags: [],
      rehearsed: null,
      archived: false,
    },
  },
};
const title = (text: string): Command => set("song", "s", { title: text });
const by = (text: string): Command => set("song", "s", { by: text });
const rowOf = (store: DocumentStore) => store.state.getState().replica.view.song.s!;

/** A server in memory that can be cut off, and several lines to it. */
class FakeServer {
  readonly log: ArrivedEdit[] = [];
  away = false;
  full = false;
  locked = false;
  deaf = false;
  body = start;
  private readonly listeners = new Set<(edit: ArrivedEdit) => void>();

  line(): Transport {
    return {
      send: async (edit) => this.take(edit),
      since: async (revision) => {
        if (this.away) throw new Error("away");
        return this.log.filter((one) => one.revision > revision);
      },
      follow: (revision, take) => {
        for (const edit of this.log.slice(revision)) take(edit);
        this.listeners.add(take);
        return () => this.listeners.delete(take);
      },
    };
  }

  private take(edit: PendingEdit): Answer {
    if (this.away) return { status: "away" };
    if (this.full) return { status: "storage" };
    if (this.locked) return { status: "locked" };
    const known = this.log.find((one) => one.editId === edit.editId);
    if (known) return { status: "done", edit: known };
    const since = this.log.filter((one) => one.revision > edit.base).flatMap((one) => touches(one.command));
    const met = overlap(touches(edit.command), since);
    if (met.length > 0)
      return {
        status: "conflict",
        conflicts: met.map((at) => ({
          ...at,
          theirs: Object.entries(this.body.song.s!).find(([field]) => field === at.field)?.[1],
          yours: "mine",
        })),
      };
    const applied = applyEdit(DOCUMENTS.song, this.body, edit.command);
    if (!applied.ok) return { status: "refused", problem: applied.problem };
    this.body = applied.value.body;
    const stored = { revision: this.log.length + 1, editId: edit.editId, command: edit.command };
    this.log.push(stored);
    if (!this.deaf) for (const listener of this.listeners) listener(stored);
    return { status: "done", edit: stored };
  }
}

/** A queue in memory that outlives its store. */
function memoryQueue(): EditQueue & { saved: PendingEdit[] } {
  const queue = {
    saved: [] as PendingEdit[],
    load: async () => queue.saved,
    save: async (pending: readonly PendingEdit[]) => {
      queue.saved = [...pending];
    },
  };
  return queue;
}

let server: FakeServer;
let count = 0;
const open = (queue: EditQueue = memoryQueue(), revision = 0, body = start) =>
  createDocumentStore(
    DOCUMENTS.song,
    { id: "s", revision, body },
    {
      queue,
      transport: server.line(),
      makeId: () => `edit${count++}`,
      retryMs: 5,
    },
  );
const settled = (store: DocumentStore) =>
  vi.waitFor(() => expect(store.state.getState().saving).toBe("saved"));

beforeEach(() => {
  server = new FakeServer();
});

describe("a document in a window", () => {
  it("shows an edit at once and keeps it when the server has it", async () => {
    const store = open();
    const stop = store.start();
    store.act(title("Night ferry"));
    expect(rowOf(store).title).toBe("Night ferry");
    await vi.waitFor(() => expect(server.log).toHaveLength(1));
    await settled(store);
    expect(store.state.getState().replica).toMatchObject({ revision: 1, pending: [] });
    stop();
  });

  it("refuses what cannot be with a sentence, and changes nothing", () => {
    const store = open();
    expect(store.act(set("song", "s", { title: "" }))).toBeNull();
    expect(store.state.getState().notice?.text).toMatch(/Nothing was changed\.$/);
    expect(rowOf(store).title).toBe("Ferry");
  });

  it("keeps edits while the server is away and sends them in order", async () => {
    const queue = memoryQueue();
    const store = open(queue);
    const stop = store.start();
    server.away = true;
    store.act(title("One"));
    store.act(title("Two"));
    await vi.waitFor(() => expect(store.state.getState().saving).toBe("away"));
    expect(queue.saved).toHaveLength(2);
    server.away = false;
    await settled(store);
    expect(server.log.map((edit) => edit.command)).toEqual([title("One"), title("Two")]);
    expect(queue.saved).toEqual([]);
    stop();
  });

  it("keeps what was typed while this window may not change anything, and sends it when it may", async () => {
    const queue = memoryQueue();
    const store = open(queue);
    const stop = store.start();
    server.locked = true;
    store.act(title("One"));
    await vi.waitFor(() => expect(store.state.getState().saving).toBe("locked"));
    expect(queue.saved).toHaveLength(1);
    server.locked = false;
    await settled(store);
    expect(server.log).toHaveLength(1);
    stop();
  });

  it("keeps what was typed while the server cannot write, and says so", async () => {
    const queue = memoryQueue();
    const store = open(queue);
    const stop = store.start();
    server.full = true;
    store.act(title("Typed on a full disk"));
    await vi.waitFor(() => expect(store.state.getState().saving).toBe("storage"));
    expect(rowOf(store).title).toBe("Typed on a full disk");
    expect(queue.saved).toHaveLength(1);
    server.full = false;
    await settled(store);
    expect(server.body.song!.s!.title).toBe("Typed on a full disk");
    stop();
  });

  it("takes up after a reload what was not sent", async () => {
    const queue = memoryQueue();
    server.away = true;
    open(queue).act(title("Typed before the crash"));
    await vi.waitFor(() => expect(queue.saved).toHaveLength(1));
    server.away = false;
    const later = open(queue);
    const stop = later.start();
    await vi.waitFor(() => expect(server.log).toHaveLength(1));
    await settled(later);
    expect(rowOf(later).title).toBe("Typed before the crash");
    stop();
  });

  it("two windows: other places merge, the same place is asked about", async () => {
    const [one, two] = [open(), open()];
    const stops = [one!.start(), two!.start()];
    one!.act(title("One"));
    two!.act(by("Two"));
    await vi.waitFor(() => expect(server.log).toHaveLength(2));
    await vi.waitFor(() =>
      expect([rowOf(one!), rowOf(two!)]).toEqual([server.body.song!.s, server.body.song!.s]),
    );

    server.deaf = true;
    one!.act(title("From one"));
    await vi.waitFor(() => expect(server.log).toHaveLength(3));
    two!.act(title("From two"));
    await vi.waitFor(() => expect(two!.state.getState().lost).toHaveLength(1));
    await settled(two!);
    expect(rowOf(two!).title).toBe("From one");
    const [lost] = two!.state.getState().lost;
    expect(lost!.at[0]).toMatchObject({ field: "title", theirs: "From one" });
    two!.dismiss(lost!);
    two!.act(lost!.edit.command);
    await vi.waitFor(() => expect(server.body.song!.s!.title).toBe("From two"));
    expect(two!.state.getState().lost).toEqual([]);
    for (const stop of stops) stop();
  });

  it("says that the browser's storage is blocked, and not that something waits", async () => {
    const blocked: EditQueue = {
      load: async () => Promise.reject(new Error("blocked")),
      save: async () => Promise.reject(new Error("blocked")),
    };
    const store = open(blocked);
    const stop = store.start();
    await vi.waitFor(() => expect(store.state.getState().notice?.text).toContain("its storage is blocked"));
    expect(store.state.getState().notice?.text).not.toContain("waiting");
    stop();
  });

  it("says when the browser cannot keep its queue", async () => {
    const broken: EditQueue = { load: async () => [], save: async () => Promise.reject(new Error("full")) };
    const store = open(broken);
    store.start();
    store.act(title("Still sent"));
    await vi.waitFor(() => expect(store.state.getState().notice?.text).toContain("keep this window open"));
    await vi.waitFor(() => expect(server.body.song!.s!.title).toBe("Still sent"));
  });
});

describe("history", () => {
  const storage = new Map<string, string>();
  beforeEach(() => {
    storage.clear();
    vi.stubGlobal("sessionStorage", {
      getItem: (key: string) => storage.get(key) ?? null,
      setItem: (key: string, value: string) => storage.set(key, value),
    });
  });
  afterEach(() => vi.unstubAllGlobals());

  it("steps back and forward, and a new act ends the way forward", () => {
    const store = open();
    const history = createHistory([store], "h", (keep) => keep());
    history.act(store, title("A"));
    history.act(store, title("B"));
    history.undo();
    expect(rowOf(store).title).toBe("A");
    history.redo();
    expect(rowOf(store).title).toBe("B");
    history.undo();
    history.act(store, title("C"));
    expect(history.state.getState().redo).toEqual([]);
    history.undo();
    history.undo();
    history.undo();
    expect(rowOf(store).title).toBe("Ferry");
  });

  it("survives a reload", () => {
    const store = open();
    createHistory([store], "h", (keep) => keep()).act(store, title("A"));
    const again = open(memoryQueue(), 1, unwrap(applyEdit(DOCUMENTS.song, start, title("A"))).body);
    const history = createHistory([again], "h");
    history.undo();
    expect(rowOf(again).title).toBe("Ferry");
    storage.set("h", "{damaged");
    expect(createHistory([again], "h").state.getState()).toMatchObject({ undo: [], redo: [] });
  });
});

describe("the queue in the browser", () => {
  it("keeps edits in their order, an entry an edit, apart from other documents", async () => {
    const edit = (editId: string): PendingEdit => ({ editId, base: 0, command: title(editId) });
    const one = browserQueue("doc1");
    const other = browserQueue("doc2");
    await one.save([edit("a"), edit("b")]);
    await other.save([edit("x")]);
    await one.save([edit("b"), edit("c")]);
    expect((await browserQueue("doc1").load()).map((saved) => saved.editId)).toEqual(["b", "c"]);
    const reloaded = browserQueue("doc1");
    await reloaded.load();
    await reloaded.save([]);
    expect(await browserQueue("doc1").load()).toEqual([]);
    expect(await browserQueue("doc2").load()).toHaveLength(1);
  });

  it("tells what was taken out, by its name, and steps back and forward", () => {
    const remove = (table: string, id: string) => ({ type: "remove" as const, table, id });
    const add = (table: string, id: string) => ({ type: "add" as const, table, row: { id } });
    const store: AnyActing = {
      id: "d",
      act: (command) => command,
      describe: (command) =>
        command.type === "batch"
          ? command.label
          : `${command.type} ${command.table}${command.table === "players" ? " “Ann”" : ""}`,
    };
    const history = createHistory([store], "h", (keep) => keep());
    const told = (command: AnyCommand) => {
      history.act(store, command);
      return history.state.getState().happened;
    };
    const batch = (label: string, ...commands: AnySimple[]) => ({ type: "batch" as const, label, commands });
    expect(told(add("players", "a"))).toBe(null);
    expect(told(batch("Change", remove("notes", "n"), add("notes", "m")))).toBe(null);
    expect(told(remove("notes", "n"))).toEqual({ what: "taken out", words: "remove notes", count: 1 });
    const whole = batch("Remove a player", remove("cells", "c"), remove("players", "a"));
    expect(told(whole)).toMatchObject({ words: "remove players “Ann”", count: 2 });
    const two = batch("Remove two", remove("players", "a"), remove("players", "b"));
    expect(told(two)).toMatchObject({ words: "Remove two", count: 3 });
    history.undo();
    expect(history.state.getState().happened).toEqual({ what: "taken back", words: "Remove two", count: 4 });
    history.redo();
    expect(history.state.getState().happened).toMatchObject({ what: "done again", count: 5 });
  });
});
