import { describe, expect, it, vi } from "vitest";
import {
  editsSince,
  isOpen,
  makeEvening,
  readNetwork,
  runEngine,
  saveBackup,
  searchShelf,
  startVersion,
} from "@/api";
import { ROLE_HEADER } from "./access";
import { Refuse, Reply, serve } from "./serve";

const ask = (handler: ReturnType<typeof serve>, place: string, init: RequestInit = {}, role = "leader") =>
  handler(
    new Request(`http://127.0.0.1${place}`, {
      ...init,
      headers: { ...(role ? { [ROLE_HEADER]: role } : {}) },
    }),
    { params: Promise.resolve({ id: "v1" }) },
  );
const post = (body: unknown) => ({ method: "POST", body: JSON.stringify(body) });

describe("what answers an endpoint", () => {
  it("is given what was sent, checked, the ids of the path and who asks", async () => {
    const seen: unknown[] = [];
    const handler = serve(editsSince, async ({ sent, params, who }) => {
      seen.push(sent, params, who.role);
      return { edits: [] };
    });
    const response = await ask(handler, "/api/documents/v1/edits?since=7", {}, "player");
    expect(seen).toEqual([{ since: 7 }, { id: "v1" }, "player"]);
    expect(await response.json()).toEqual({ edits: [] });
    expect(response.headers.get("cache-control")).toBe("no-store");
  });

  it("is not asked about ids that no database keeps, and says what can't be stored", async () => {
    const handler = serve(editsSince, async () => ({ edits: [] }));
    for (const id of ["\0", "a\ud800"]) {
      const response = await handler(new Request("http://127.0.0.1/"), { params: Promise.resolve({ id }) });
      expect([response.status, await response.json()]).toEqual([
        404,
        { error: { path: "id", message: "names nothing here" } },
      ]);
    }
    const failing = serve(makeEvening, async () => {
      throw new Error("Failed query", { cause: Object.assign(new Error("0x00"), { code: "22021" }) });
    });
    const response = await ask(failing, "/api/evenings", post({ name: "Net Loft" }));
    expect(response.status).toBe(400);
    expect((await response.json()).error.message).toContain("can't be stored");
  });

  it("is not asked where what was sent is wrong: the field is named", async () => {
    const handler = serve(editsSince, async () => {
      throw new Error("Expected no call.");
    });
    const response = await ask(handler, "/api/documents/v1/edits?since=-1");
    expect(response.status).toBe(400);
    expect(await response.json()).toEqual({
      error: { path: "since", message: "should be a revision, 0 or more" },
    });
    const shelf = serve(searchShelf, async () => ({ rows: [], total: 0, songs: 0 }));
    expect((await ask(shelf, "/api/shelf?limit=9999")).status).toBe(400);
    expect((await ask(shelf, "/api/shelf?down=true&limit=5")).status).toBe(200);
    const evening = serve(makeEvening, async ({ sent }) => new Reply({ id: sent.name }, 201));
    expect(await (await ask(evening, "/api/evenings", post({}))).json()).toEqual({ id: "New evening" });
    expect((await ask(evening, "/api/evenings", { method: "POST", body: "{" })).status).toBe(400);
    expect((await ask(evening, "/api/evenings", post({ name: " " }))).status).toBe(400);
  });

  it("changes nothing for who may only look on; reading and reckoning is free to them", async () => {
    const made = vi.fn(async () => new Reply({ versionId: "v2" }, 201));
    const start = serve(startVersion, made);
    for (const role of ["", "player", "viewer"])
      expect((await ask(start, "/api/versions", post({ from: "v1", name: "x" }), role)).status).toBe(403);
    expect(made).not.toHaveBeenCalled();
    expect((await ask(start, "/api/versions", post({ from: "v1", name: "x" }))).status).toBe(201);
    const engine = serve(runEngine, async ({ sent }) => sent);
    expect(await (await ask(engine, "/api/plan/capo", post({ key: "F" }), "")).json()).toEqual({ key: "F" });
    expect(
      (
        await ask(
          serve(isOpen, async () => ({ open: true })),
          "/api/join",
          {},
          "",
        )
      ).status,
    ).toBe(200);
    expect(
      (
        await ask(
          serve(readNetwork, async () => ({ open: false, secure: false })),
          "/x",
          {},
          "",
        )
      ).status,
    ).toBe(200);
  });

  it("says where nothing can be written, and lets an error of reading be an error", async () => {
    vi.spyOn(process.stderr, "write").mockReturnValue(true);
    const fails = async () => {
      throw new Error("disk full");
    };
    const response = await ask(serve(startVersion, fails), "/api/versions", post({ from: "v1", name: "x" }));
    expect(response.status).toBe(507);
    expect((await response.json()).error.path).toBe("storage");
    await expect(ask(serve(isOpen, fails), "/api/join")).rejects.toThrow("disk full");
    vi.restoreAllMocks();
  });

  it("answers with a status, headers, a refusal that says more, or a response of its own", async () => {
    const reply = await ask(
      serve(isOpen, async () => new Reply({ open: true }, 202, { "set-cookie": "a=b" })),
      "/api/join",
    );
    expect([reply.status, reply.headers.get("set-cookie")]).toEqual([202, "a=b"]);
    const refuse = await ask(
      serve(isOpen, async () => new Refuse(null, 409, { path: "x", message: "is so" })),
      "/api/join",
    );
    expect([refuse.status, await refuse.json()]).toEqual([409, { error: { path: "x", message: "is so" } }]);
    const own = await ask(
      serve(saveBackup, async () => new Response("zip")),
      "/api/backup",
    );
    expect(await own.text()).toBe("zip");
  });

  it("takes no more than an endpoint allows", async () => {
    const handler = serve(startVersion, async () => ({ versionId: "v2" }));
    const response = await ask(handler, "/api/versions", post({ from: "v1", name: "x".repeat(20_000) }));
    expect(response.status).toBe(413);
  });
});
