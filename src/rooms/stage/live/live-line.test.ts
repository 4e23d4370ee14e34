import "fake-indexeddb/auto";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import {
  applyLive,
  EMPTY_STATE,
  itemOf,
  type LeaderAct,
  type LiveEvent,
  type LiveMessage,
} from "@/core/stage";
import { SAMPLE_ITEMS } from "../../../../testing/stage/sample-live";
import { loadKept } from "./keep";
import { LiveLine } from "./live-line";

/** A server of one evening, on the other end of a line that can be cut. */
class FakeStage {
  log: LiveEvent[] = [{ id: 1, at: Date.now(), act: { type: "score", items: SAMPLE_ITEMS } }];
  cut = false;
  lost = false;
  out = false;
  gone = false;
  /** Opens no line, as a server does that answers with an error. */
  refuses = false;
  /** Whom another device has said to be. */
  taken = "";
  edits: unknown[] = [];
  songs = "v1:1";
  asked: string[] = [];
  notes: unknown[] = [];
  feeds = new Set<FakeEvents>();

  get state() {
    return this.log.reduce(applyLive, EMPTY_STATE);
  }
  happen(act: LeaderAct): void {
    const event = { id: this.log.length + 1, at: Date.now(), act };
    this.log.push(event);
    if (!this.lost) this.tell({ type: "event", event });
  }
  beat(): void {
    this.tell({ type: "beat", lastId: this.log.length, songs: this.songs });
  }
  private tell(message: LiveMessage): void {
    if (!this.cut) for (const feed of this.feeds) feed.take(message);
  }
  down(): void {
    this.cut = true;
    for (const feed of [...this.feeds]) feed.onerror?.();
  }
  answer(method: string, place: string, body: unknown): Response {
    this.asked.push(`${method} ${place}`);
    if (this.out)
      return Response.json({ error: { path: "who", message: "This code was withdrawn." } }, { status: 401 });
    if (this.gone)
      return Response.json({ error: { path: "eveningId", message: "names none" } }, { status: 404 });
    if (place === "edits") {
      this.edits.push(body);
      return Response.json({ status: "done" });
    }
    if (place === "me" && method === "POST" && (body as { person: string }).person === this.taken)
      return Response.json(
        { error: { path: "person", message: "Another device is Ann already." } },
        { status: 409 },
      );
    const since = Number(/since=(\d+)/u.exec(place)?.[1] ?? 0);
    if (place.startsWith("clock")) return Response.json({ now: Date.now() + 5000 });
    if (place.startsWith("events")) return Response.json({ events: this.log.filter(({ id }) => id > since) });
    if (place.startsWith("me")) return Response.json({ role: "player", person: null });
    if (place.startsWith("people"))
      return Response.json({ people: [{ person: "ann", name: "Ann", instrument: "guitar" }] });
    if (place.startsWith("pack")) return Response.json({ person: "ann", songs: [SONG] });
    if (method === "PUT") {
      this.notes.push(body);
      return Response.json({});
    }
    if (place === "press") {
      const { act } = body as { act: LeaderAct };
      if (act.type === "hold")
        return Response.json({ error: { path: "act", message: "Nothing is playing." } }, { status: 409 });
      this.happen(act);
      return Response.json({ event: this.log.at(-1) });
    }
    return Response.json({ notes: [] });
  }
}

const SONG = { itemId: "one", versionId: "v1", revision: 4, part: null };

let stage: FakeStage;
class FakeEvents {
  onmessage: ((event: { data: string }) => void) | null = null;
  onerror: (() => void) | null = null;
  constructor(readonly address: string) {
    queueMicrotask(() => {
      if (stage.cut || stage.refuses) return this.onerror?.();
      stage.feeds.add(this);
      const since = Number(/since=(\d+)/u.exec(address)![1]);
      if (since === 0 || since > stage.log.length) this.take({ type: "whole", state: stage.state });
      else for (const event of stage.log.slice(since)) this.take({ type: "event", event });
      this.take({ type: "beat", lastId: stage.log.length, songs: stage.songs });
    });
  }
  take(message: LiveMessage): void {
    this.onmessage?.({ data: JSON.stringify({ ...message, now: Date.now() + 5000 }) });
  }
  close(): void {
    stage.feeds.delete(this);
  }
}

let line: LiveLine;
let count = 0;
beforeEach(() => {
  stage = new FakeStage();
  vi.stubGlobal("EventSource", FakeEvents);
  vi.stubGlobal("window", new EventTarget());
  vi.stubGlobal("document", Object.assign(new EventTarget(), { visibilityState: "visible" }));
  vi.stubGlobal("fetch", async (place: string, init?: RequestInit) => {
    if (stage.cut) throw new TypeError("no network");
    const [, , , , ...rest] = place.split("/");
    return stage.answer(init?.method ?? "GET", rest.join("/"), init?.body && JSON.parse(String(init.body)));
  });
  line = new LiveLine(`evening${count++}`);
});
afterEach(() => {
  line.end();
  vi.unstubAllGlobals();
});

const live = () => line.store.getState();
const inStep = () => expect.poll(() => live().line).toBe("step");

describe("LiveLine", () => {
  it("hears where everybody is, measures the clock, and says who plays", async () => {
    await line.begin();
    await inStep();
    expect(itemOf(live().follower.state)?.title).toBe("One");
    await expect.poll(() => live().people.length).toBe(1);
    await expect.poll(() => line.clockWithin).not.toBeNull();
    expect(Math.abs(line.now() - Date.now() - 5000)).toBeLessThan(500);
    stage.happen({ type: "next" });
    expect(itemOf(live().follower.state)?.title).toBe("Welcome");
  });

  it("asks for what was lost on the way, as soon as a beat tells of it", async () => {
    await line.begin();
    await inStep();
    stage.lost = true;
    stage.happen({ type: "next" });
    stage.happen({ type: "next" });
    expect(itemOf(live().follower.state)?.title).toBe("One");
    stage.beat();
    await expect.poll(() => itemOf(live().follower.state)?.title).toBe("Two");
  });

  it("goes on alone when the line breaks, and falls back in step with what everybody did", async () => {
    await line.begin();
    await inStep();
    stage.down();
    expect(live().line).toBe("alone");
    await line.press({ type: "next" });
    expect(itemOf(LiveLine.stateOf(live()))?.title).toBe("Welcome");
    expect(itemOf(live().follower.state)?.title).toBe("One");
    stage.cut = false;
    stage.happen({ type: "open", itemId: "two" });
    await inStep();
    expect(itemOf(LiveLine.stateOf(live()))?.title).toBe("Two");
  });

  it("keeps notes made alone, and sends them when the line is back", async () => {
    await line.begin();
    await inStep();
    await line.choose("ann");
    stage.down();
    line.note({ versionId: "v1", useId: "u1", text: "breathe" });
    expect(live()).toMatchObject({ notes: [{ text: "breathe" }], unsent: [{ text: "breathe" }] });
    stage.cut = false;
    await expect.poll(() => stage.notes).toMatchObject([{ person: "ann", text: "breathe" }]);
    await expect.poll(() => live().unsent).toEqual([]);
  });

  it("is nobody another device is already, and says so", async () => {
    await line.begin();
    await inStep();
    stage.taken = "ann";
    await line.choose("ann");
    expect(live()).toMatchObject({ person: null, said: { text: "Another device is Ann already." } });
    stage.taken = "";
    await line.choose("ann");
    expect(live().person).toBe("ann");
  });

  it("begins from what the device has kept where there is no network at all", async () => {
    await line.begin();
    await inStep();
    await line.choose("ann");
    stage.happen({ type: "next" });
    await expect.poll(async () => (await loadKept(line.id))?.state.lastId).toBe(2);
    line.end();
    stage.down();
    line = new LiveLine(line.id);
    await line.begin();
    await expect.poll(() => live().line).toBe("alone");
    expect(itemOf(LiveLine.stateOf(live()))?.title).toBe("Welcome");
    expect(live()).toMatchObject({ person: "ann", pack: { person: "ann" } });
    expect(Math.abs(line.now() - Date.now() - 5000)).toBeLessThan(500);
  });

  it("tells what the server says to a press, and that it is out when its code was withdrawn", async () => {
    await line.begin();
    await inStep();
    await line.press({ type: "hold" });
    expect(live().said.text).toBe("Nothing is playing.");
    stage.out = true;
    for (const feed of [...stage.feeds]) feed.onerror?.();
    await expect.poll(() => live().out).toBe("This code was withdrawn.");
  });

  it("keeps a bar as a danger spot in the song, with its use and tick", async () => {
    await line.begin();
    await inStep();
    await line.markBar();
    expect(live().said.text).toBe("There is no bar to mark here.");
    await line.choose("ann");
    stage.happen({ type: "jump", passage: "chorus 0", when: "now" });
    await line.markBar();
    expect(live().said.text).toBe("Bar 1 of chorus 0 is kept as a danger spot in Cues.");
    expect(stage.edits).toMatchObject([
      { base: 4, command: { table: "cues", row: { useId: "chorus", tick: 0, danger: true } } },
    ]);
  });

  it("says when there is no such evening", async () => {
    stage.gone = true;
    stage.refuses = true;
    await line.begin();
    await expect.poll(() => live().out, { timeout: 5000 }).toContain("no such evening");
  });

  it("takes a server that was set up anew as it is, and fetches a part again when a song was edited", async () => {
    await line.begin();
    await inStep();
    await line.choose("ann");
    stage.happen({ type: "next" });
    stage.log = stage.log.slice(0, 1);
    for (const feed of [...stage.feeds]) feed.onerror?.();
    await expect.poll(() => live().follower.state.lastId).toBe(1);
    const packs = () => stage.asked.filter((one) => one.startsWith("GET pack")).length;
    const before = packs();
    stage.songs = "v1:2";
    stage.beat();
    await expect.poll(packs).toBe(before + 1);
  });

  it("does nothing more after its end", async () => {
    const begun = line.begin();
    line.end();
    await begun;
    expect(stage.feeds.size).toBe(0);
    await line.begin();
    await inStep();
  });
});
