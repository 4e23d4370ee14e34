import { afterAll, beforeAll, describe, expect, it } from "vitest";
import type { Command, VersionBody } from "@/core/song";
import { set, versionRow } from "@/core/song";
import { restoreBackup, saveBackup } from "../backup";
import { type Database, openFolder } from "../db/open";
import { createSong } from "../songs/create";
import { demoDocuments } from "../songs/demo";
import { listShelf } from "./shelf";
import { createDocuments, editsSince, findDocument, listDocuments, replayLog, takeEdit } from "./store";

let database: Database;
let close: () => Promise<void>;
beforeAll(async () => {
  ({ database, close } = await openFolder(null));
});
afterAll(() => close());

const SHEET = "[Verse]\nG C D G\nfour chords of a song\n";
const fresh = async () =>
  (await createSong(database, { text: SHEET, title: "Night <b>Ferry</b>" })).versionId;
const versionId = async (id: string) =>
  versionRow((await findDocument(database, id))!.body as VersionBody).id;
let count = 0;
const send = (id: string, base: number, command: Command, editId = `edit${count++}`) =>
  takeEdit(database, id, { editId, base, command });

describe("takeEdit", () => {
  it("stores an edit once, however often it is sent", async () => {
    const id = await fresh();
    const command = set("version", await versionId(id), { bpm: 90 });
    expect(await send(id, 0, command, "same")).toMatchObject({
      status: "done",
      revision: 1,
      repeated: false,
    });
    expect(await send(id, 0, command, "same")).toMatchObject({ status: "done", revision: 1, repeated: true });
    expect(await editsSince(database, id, 0)).toHaveLength(1);
  });

  it("carries a stale edit over one on another place, and refuses one on the same with both values", async () => {
    const id = await fresh();
    const row = await versionId(id);
    await send(id, 0, set("version", row, { bpm: 90 }));
    expect(await send(id, 0, set("version", row, { key: "A" }))).toMatchObject({
      status: "done",
      revision: 2,
    });
    const refused = await send(id, 0, set("version", row, { bpm: 100 }));
    expect(refused).toEqual({
      status: "conflict",
      revision: 2,
      conflicts: [{ table: "version", id: row, field: "bpm", theirs: 90, yours: 100 }],
    });
    expect(versionRow((await findDocument(database, id))!.body as VersionBody)).toMatchObject({
      bpm: 90,
      key: "A",
    });
  });

  it("refuses what cannot be, and changes nothing", async () => {
    const id = await fresh();
    expect(await send(id, 0, set("version", await versionId(id), { bpm: 0 }))).toMatchObject({
      status: "refused",
      problem: { code: "bad-field" },
    });
    expect(await send(id, 7, set("version", "x", {}))).toEqual({ status: "ahead", revision: 0 });
    expect(await send("nobody", 0, set("version", "x", {}))).toEqual({ status: "unknown" });
    expect((await findDocument(database, id))!.revision).toBe(0);
  });

  it("keeps body, log and shelf alike under many writers at once", async () => {
    const id = await fresh();
    const row = await versionId(id);
    const outcomes = await Promise.all(
      Array.from({ length: 40 }, (_, index) =>
        send(
          id,
          0,
          index % 2
            ? { type: "add", table: "sources", row: { id: `s${index}`, order: "V", name: `S${index}` } }
            : set("version", row, { bpm: 60 + index }),
        ),
      ),
    );
    const done = outcomes.filter((outcome) => outcome.status === "done");
    expect(done).toHaveLength(21);
    const stored = (await findDocument(database, id))!;
    expect(stored.revision).toBe(21);
    expect(await replayLog(database, id)).toEqual(stored.body);
    const [shelved] = (await listShelf(database)).filter((one) => one.versionId === id);
    expect(shelved!.bpm).toBe(versionRow(stored.body as VersionBody).bpm);
  });

  it("writes a new title through to the shelf", async () => {
    const id = await fresh();
    const songId = (await findDocument(database, id))!.parentId!;
    await send(songId, 0, set("song", songId, { title: "Other" }));
    expect((await listShelf(database)).find((one) => one.versionId === id)!.title).toBe("Other");
  });
});

describe("the demo evening and the backup", () => {
  it("come back the same in an empty folder", async () => {
    const first = await openFolder(null);
    const second = await openFolder(null);
    await createDocuments(first.database, await demoDocuments());
    const [version] = await listDocuments(first.database, "version");
    await takeEdit(first.database, version!.id, {
      editId: "change",
      base: 0,
      command: set("version", versionRow(version!.body as VersionBody).id, { bpm: 71 }),
    });
    const file = await saveBackup(first.database, new Date(0));
    expect(await restoreBackup(second.database, file)).toEqual({ ok: true, value: { documents: 6 } });
    for (const kind of ["band", "song", "version", "evening"] as const) {
      expect(await listDocuments(second.database, kind)).toEqual(
        expect.arrayContaining(await listDocuments(first.database, kind)),
      );
    }
    expect(await listShelf(second.database)).toEqual(await listShelf(first.database));
    const again = await restoreBackup(second.database, file);
    expect(again).toMatchObject({ ok: false, problem: { message: expect.stringContaining("here already") } });
    await first.close();
    await second.close();
  });

  it.each([
    ["no zip", new Uint8Array([1, 2, 3])],
    ["an empty file", new Uint8Array()],
  ])("refuse %s with a sentence", async (_, file) => {
    const outcome = await restoreBackup(database, file);
    expect(outcome).toMatchObject({
      ok: false,
      problem: { message: expect.stringMatching(/Nothing was changed\.$/) },
    });
  });

  it("refuse a damaged, a newer and a forged backup", async () => {
    const { strToU8, zipSync } = await import("fflate");
    const pack = (content: string) => zipSync({ "shared-lantern.json": strToU8(content) });
    const forged = {
      form: 1,
      savedAt: "",
      documents: [
        { id: "x", kind: "version", parentId: null, originSchema: 1, origin: { version: {} }, edits: [] },
      ],
    };
    for (const content of ['{"form":1', '{"form":2}', JSON.stringify(forged)]) {
      expect(await restoreBackup(database, pack(content))).toMatchObject({
        ok: false,
        problem: { message: expect.stringMatching(/Nothing was changed\.$/) },
      });
    }
  });
});
