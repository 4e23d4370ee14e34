import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { eq } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import type { Body } from "@/document";
import { openFolder } from "@/server/db/open-database";
import { documents } from "@/server/db/schema";
import { startServer } from "../scripts/lib/server.mjs";
import { post as postTo } from "../testing/server/real-server";

/** The real program on a folder in which single documents are damaged, or written by a newer program. */
const data = mkdtempSync(path.join(tmpdir(), "lantern-unreadable-"));
let server: Awaited<ReturnType<typeof startServer>>;
const made: { songId: string; versionId: string }[] = [];

const read = async (place: string) => {
  const response = await fetch(server.address + place, { redirect: "manual" });
  return {
    status: response.status,
    to: response.headers.get("location"),
    text: (await response.text()).replaceAll("<!-- -->", ""),
  };
};
const post = (place: string, body: unknown) => postTo(server, place, body);

beforeAll(async () => {
  server = await startServer({ data });
  for (const title of ["Newer Rope", "Broken Lamp", "Whole Harbour"])
    made.push((await post("/api/songs", { text: "[Verse]\nG C D G\none two three four", title })).body);
  await server.stop();
  const { database, close } = await openFolder(data);
  const change = (id: string, fields: Partial<typeof documents.$inferInsert>) =>
    database.update(documents).set(fields).where(eq(documents.id, id));
  await change(made[0]!.versionId, { schema: 999 });
  await change(made[1]!.songId, { body: "torn" as unknown as Body });
  await close();
  server = await startServer({ data });
}, 120_000);
afterAll(async () => {
  await server.stop();
  rmSync(data, { recursive: true, force: true });
});

describe("a document that can't be read", () => {
  it("is shown on the first page, beside everything else", async () => {
    const { status, text } = await read("/");
    expect(status).toBe(200);
    expect(text.includes("2 documents can’t be read")).toBe(true);
    for (const id of [made[0]!.versionId, made[1]!.songId])
      expect(text.includes(`/unreadable/${id}`)).toBe(true);
    expect(text.includes("Whole Harbour")).toBe(true);
    expect(text.includes("Lantern Night at the Net Loft")).toBe(true);
    expect((await read("/api/shelf?q=whole")).text).toContain(made[2]!.versionId);
  });

  it("has a page that says what is wrong, where its song would open", async () => {
    for (const [{ versionId }, culprit] of [
      [made[0]!, made[0]!.versionId],
      [made[1]!, made[1]!.songId],
    ] as const) {
      const { status, to } = await read(`/song/${versionId}`);
      expect([status, to]).toEqual([307, `/unreadable/${culprit}`]);
      expect((await read(to!)).text.includes("can’t be read")).toBe(true);
    }
    expect((await read(`/song/${made[2]!.versionId}`)).status).toBe(200);
    expect((await read(`/unreadable/${made[2]!.versionId}`)).status).toBe(404);
  });

  it("refuses edits with a sentence, and its song takes them", async () => {
    const row = { id: "s1", order: "V", name: "Sheet", kind: "sheet", text: "" };
    const edit = (id: string) =>
      post(`/api/documents/${id}/edits`, {
        editId: `e${id}`,
        base: 0,
        command: { type: "add", table: "sources", row },
      });
    const refused = await edit(made[0]!.versionId);
    expect([refused.status, refused.body.error.message]).toEqual([
      422,
      expect.stringContaining("this program reads forms 1 to"),
    ]);
    const title = { type: "set", table: "song", id: made[0]!.songId, fields: { title: "Renamed Rope" } };
    const song = JSON.parse((await read(`/api/documents/${made[0]!.songId}`)).text);
    const { id } = Object.values(song.body.song)[0] as { id: string };
    const renamed = await post(`/api/documents/${made[0]!.songId}/edits`, {
      editId: "rename",
      base: 0,
      command: { ...title, id },
    });
    expect(renamed.status).toBe(200);
    expect((await edit(made[2]!.versionId)).status).toBe(200);
    expect((await edit(made[1]!.versionId)).status).toBe(200);
  });

  it("is saved out as it stands, and with everything in one file", async () => {
    const { status, text } = await read(`/api/documents/${made[1]!.songId}/stored`);
    expect([status, JSON.parse(text).document.body]).toEqual([200, "torn"]);
    expect((await read("/api/backup")).status).toBe(200);
  });
});
