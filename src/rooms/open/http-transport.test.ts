import { afterEach, describe, expect, it, vi } from "vitest";
import { songEdits } from "@/core/song/edit";
import type { SongTables } from "@/core/song/schema";
import { httpTransport } from "./http-transport";

afterEach(() => vi.unstubAllGlobals());

const edit = { editId: "e1", base: 0, command: songEdits.set("song", "s", { title: "Ferry" }) };
const send = (status: number, said: unknown) => {
  vi.stubGlobal("fetch", async () => Response.json(said, { status }));
  return httpTransport<SongTables>("doc").send(edit);
};

describe("the line to the server", () => {
  it("gives the edit as it stands in the log", async () => {
    const stored = { revision: 1, editId: "e1", command: edit.command };
    expect(await send(200, { status: "done", revision: 1, repeated: false, edit: stored })).toEqual({
      status: "done",
      edit: stored,
    });
  });

  it("tells both values of a conflict, and why an edit can't be made", async () => {
    const at = [{ table: "song", id: "s", field: "title", theirs: "A", yours: "B" }];
    expect(await send(409, { status: "conflict", revision: 3, conflicts: at })).toEqual({
      status: "conflict",
      conflicts: at,
    });
    const problem = { code: "unknown-row", table: "song", id: "s" };
    expect(await send(422, { status: "refused", revision: 3, problem })).toEqual({
      status: "refused",
      problem,
    });
  });

  it.each([
    [507, "storage"],
    [401, "locked"],
    [403, "locked"],
    [500, "away"],
    [503, "away"],
  ])("keeps an edit that met status %s waiting: %s", async (status, said) => {
    expect(await send(status, { error: { path: "x", message: "y" } })).toEqual({ status: said });
  });

  it("waits where the server can't be reached", async () => {
    vi.stubGlobal("fetch", () => Promise.reject(new TypeError("no network")));
    expect(await httpTransport<SongTables>("doc").send(edit)).toEqual({ status: "away" });
    await expect(httpTransport<SongTables>("doc").since(0)).rejects.toThrow("got away");
  });

  it("says what is wrong with an edit the server can't read", async () => {
    expect(await send(400, { error: { path: "command", message: "should be a command" } })).toEqual({
      status: "rejected",
      message: "command should be a command.",
    });
  });
});
