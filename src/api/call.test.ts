import { afterEach, describe, expect, it, vi } from "vitest";
import { call, editsSince, placeOf, searchShelf, startVersion } from ".";

afterEach(() => vi.unstubAllGlobals());

const answering = (answer: () => Response | Promise<Response>) => {
  const asked: { readonly place: string; readonly init: RequestInit }[] = [];
  vi.stubGlobal("fetch", async (place: string, init: RequestInit) => {
    asked.push({ place, init });
    return answer();
  });
  return asked;
};

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
