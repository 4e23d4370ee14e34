import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import type { ArrivedEdit } from "..";

class FakeEvents {
  static readonly open = new Set<FakeEvents>();
  static opened = 0;
  onmessage: ((event: { data: string }) => void) | null = null;
  constructor(readonly address: string) {
    FakeEvents.open.add(this);
    FakeEvents.opened++;
  }
  tell(documentId: string, revision: number): void {
    const command = { type: "remove", table: "items", id: "a" };
    this.onmessage?.({ data: JSON.stringify({ documentId, revision, editId: `e${revision}`, command }) });
  }
  close(): void {
    FakeEvents.open.delete(this);
  }
}

let page: EventTarget & { visibilityState: string };
const line = () => [...FakeEvents.open][0]!;
const asked = () => new URL(line().address, "http://lantern").searchParams.get("follow");
const settled = () => new Promise((resolve) => setTimeout(resolve));

beforeEach(() => {
  page = Object.assign(new EventTarget(), { visibilityState: "visible" });
  vi.stubGlobal("document", page);
  vi.stubGlobal("EventSource", FakeEvents);
  FakeEvents.opened = 0;
});
afterEach(async () => {
  vi.unstubAllGlobals();
  vi.resetModules();
  FakeEvents.open.clear();
});

describe("the one line of events a window holds", () => {
  it("is opened once for all documents that are followed in one go, from their revisions", async () => {
    const { followDocument } = await import("./feed");
    followDocument("song", 4, () => {});
    followDocument("version", 9, () => {});
    await settled();
    expect(FakeEvents.opened).toBe(1);
    expect(asked()).toBe("song:4,version:9");
    expect(line().address.startsWith("/api/events?")).toBe(true);
  });

  it("brings each edit to who follows its document, and takes up after it when it opens anew", async () => {
    const { followDocument } = await import("./feed");
    const heard: ArrivedEdit[] = [];
    followDocument("song", 4, (edit) => heard.push(edit));
    const end = followDocument("version", 9, () => {});
    await settled();
    line().tell("song", 5);
    line().tell("nobody", 1);
    expect(heard.map(({ revision }) => revision)).toEqual([5]);
    end();
    await settled();
    expect(asked()).toBe("song:5");
    expect(FakeEvents.open.size).toBe(1);
  });

  it("is let go while the window is hidden, and when nothing is followed", async () => {
    const { followDocument } = await import("./feed");
    const end = followDocument("song", 4, () => {});
    await settled();
    page.visibilityState = "hidden";
    page.dispatchEvent(new Event("visibilitychange"));
    await settled();
    expect(FakeEvents.open.size).toBe(0);
    page.visibilityState = "visible";
    page.dispatchEvent(new Event("visibilitychange"));
    await settled();
    expect(asked()).toBe("song:4");
    end();
    await settled();
    expect(FakeEvents.open.size).toBe(0);
  });

  it("does not end for one that has followed anew", async () => {
    const { followDocument } = await import("./feed");
    const first = followDocument("song", 1, () => {});
    followDocument("song", 7, () => {});
    first();
    await settled();
    expect(asked()).toBe("song:7");
  });
});
