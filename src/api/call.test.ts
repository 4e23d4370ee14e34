import { afterEach, describe, expect, it, vi } from "vitest";
import { call, callTold, editsSince, placeOf, searchShelf, startVersion } from ".";

afterEach(() => vi.unstubAllGlobals());

const answering = (answer: () => Response | Promise<Response>) => {
  const asked: { readonly place: string; readonly init: RequestInit }[] = [];
  vi.stubGlobal("fetch", async (place: string, init: RequestInit) => {
    asked.push({ place, init });
    return answer();
  });
  return asked;
};

/** A body that comes in such pieces. */
const piecewise = (pieces: readonly string[]) =>
  new ReadableStream({
    start(controller) {
      for (const piece of pieces) controller.enqueue(new TextEncoder().encode(piece));
      controller.close();
    },
  });

describe("call", () => {
  it("sends what is sent as JSON, and gives the answer", async () => {
    const asked = answering(() => Response.json({ versionId: "v2" }, { status: 201 }));
    const made = await call(startVersion, { sent: { from: "v1", name: "Easy" } });
    expect(made).toEqual({ ok: true, status: 201, answer: { versionId: "v2" } });
    expect(asked[0]).toMatchObject({ place: "/api/versions", init: { method: "POST" } });
    expect(asked[0]!.init.body).toBe('{"from":"v1","name":"Easy"}');
  });

  it("puts what a GET is asked with into the address", async () => {
    const asked = answering(() => Response.json({ edits: [] }));
    await call(editsSince, { params: { id: "a b" }, sent: { since: 3 } });
    expect(asked[0]!.place).toBe("/api/documents/a%20b/edits?since=3");
    expect(placeOf(searchShelf, { sent: { q: "é", limit: 8, tag: undefined } })).toBe(
      "/api/shelf?q=%C3%A9&limit=8",
    );
  });

  it("tells how far the server is, line by line, and gives the last line's answer", async () => {
    const pieces = [
      '{"done":1,"of":4}\n{"do',
      'ne":2,"of":4}\n',
      '{"status":200,"answer":{"versionId":"v", ',
      '"é":1}}\n',
    ];
    const asked = answering(
      () =>
        new Response(piecewise(pieces), {
          headers: { "content-type": "application/x-ndjson" },
        }),
    );
    const told: number[] = [];
    const onProgress = (done: number, of: number) => told.push(done / of);
    const sent = { from: "v1", name: "Easy" };
    const made = await callTold(startVersion, { sent }, onProgress);
    expect(made).toEqual({ ok: true, status: 200, answer: { versionId: "v", é: 1 } });
    expect(told).toEqual([0.25, 0.5]);
    expect(asked[0]!.init.headers).toMatchObject({ accept: "application/x-ndjson, application/json" });
    pieces.splice(2);
    expect(await callTold(startVersion, { sent }, onProgress)).toEqual({ ok: false, status: "away" });
  });

  it("tells a refusal with its sentence and what else it says", async () => {
    answering(() =>
      Response.json(
        { made: false, error: { path: "from", message: "names no version here" } },
        { status: 404 },
      ),
    );
    expect(await call(startVersion, { sent: { from: "x", name: "y" } })).toEqual({
      ok: false,
      status: 404,
      path: "from",
      message: "names no version here",
      refusal: { made: false },
    });
    answering(() => Response.json({ error: { path: "who", message: "may look on" } }, { status: 403 }));
    expect(await call(startVersion, { sent: { from: "x", name: "y" } })).toMatchObject({ refusal: null });
  });

  it("tells a server that is away, and one that answers with no JSON", async () => {
    answering(() => Promise.reject(new TypeError("no network")));
    expect(await call(startVersion, { sent: { from: "x", name: "y" } })).toEqual({
      ok: false,
      status: "away",
    });
    answering(() => new Response("<html>"));
    expect(await call(startVersion, { sent: { from: "x", name: "y" } })).toEqual({
      ok: false,
      status: "away",
    });
  });
});
