import { strFromU8, strToU8, unzipSync, zipSync } from "fflate";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { WHOLE_SHELF } from "@/api";
import { set } from "@/core/song/edit";
import { versionRow } from "@/core/song/read";
import { type Database, openFolder } from "../db/open-database";
import { searchShelf } from "../documents/shelf";
import { createDocuments, findDocument, listDocuments, takeEdit } from "../documents/stored-documents";
import { demoDocuments } from "../songs/demo";
import { restoreBackup } from "./restore-backup";
import { saveBackup } from "./save-backup";

const listShelf = async (database: Database) =>
  (await searchShelf(database, WHOLE_SHELF)).rows.map(({ updatedAt: _updatedAt, ...row }) => row);

let here: Database;
let close: () => Promise<void>;
beforeAll(async () => {
  ({ database: here, close } = await openFolder(null));
});
afterAll(() => close());

describe("a backup of the demo evening", () => {
  it("comes back the same in an empty folder", async () => {
    const first = await openFolder(null);
    const second = await openFolder(null);
    const demo = await demoDocuments();
    await createDocuments(first.database, demo);
    const [version] = await listDocuments(first.database, "version");
    await takeEdit(first.database, version!.id, {
      editId: "change",
      base: 0,
      command: set("version", versionRow(version!.body).id, { bpm: 71 }),
    });
    const file = await saveBackup(first.database, new Date(0));
    expect(await restoreBackup(second.database, file)).toEqual({
      ok: true,
      value: { documents: demo.length, leftOut: [] },
    });
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
  ])("is refused with a sentence where it is %s", async (_, file) => {
    const outcome = await restoreBackup(here, file);
    expect(outcome).toMatchObject({
      ok: false,
      problem: { message: expect.stringMatching(/Nothing was changed\.$/) },
    });
  });

  it("is brought back with a log longer than one statement of the database holds", async () => {
    const first = await openFolder(null);
    await createDocuments(first.database, (await demoDocuments()).slice(0, 1));
    const content = JSON.parse(
      strFromU8(unzipSync(await saveBackup(first.database, new Date(0)))["shared-lantern.json"]!),
    );
    const [{ id, kind, origin }] = content.documents;
    const [head] = Object.keys(origin[kind]);
    content.documents[0].edits = Array.from({ length: 9000 }, (_, at) => ({
      editId: `edit${at}`,
      command: { type: "set", table: kind, id: head, fields: { name: `Name ${at}` } },
      at: new Date(at).toISOString(),
    }));
    await first.close();
    const second = await openFolder(null);
    const told: number[] = [];
    const file = zipSync({ "shared-lantern.json": strToU8(JSON.stringify(content)) });
    const outcome = await restoreBackup(second.database, file, {
      told: (done, of) => told.push(done / of),
    });
    expect(outcome).toMatchObject({ ok: true, value: { documents: 1 } });
    expect((await findDocument(second.database, id))?.revision).toBe(9000);
    expect(told).toEqual([0, 1]);
    await second.close();
  });

  it("is refused where it is damaged, a newer and a forged backup", async () => {
    const pack = (content: string) => zipSync({ "shared-lantern.json": strToU8(content) });
    const forged = {
      form: 1,
      savedAt: "",
      documents: [
        { id: "x", kind: "version", parentId: null, originSchema: 1, origin: { version: {} }, edits: [] },
      ],
    };
    for (const content of ['{"form":1', '{"form":2}', JSON.stringify(forged)]) {
      expect(await restoreBackup(here, pack(content))).toMatchObject({
        ok: false,
        problem: { message: expect.stringMatching(/Nothing was changed\.$/) },
      });
    }
  });
});

describe("a backup of which some can't be brought back", () => {
  type Content = { documents: { id: string; kind: string; parentId: string | null; originSchema: number }[] };
  /** The demo's backup, changed; and what came of bringing it back into an empty folder. */
  async function restored(change: (content: Content) => void, isPartly = false) {
    const content = structuredClone(demo);
    change(content);
    const file = zipSync({ "shared-lantern.json": strToU8(JSON.stringify(content)) });
    const outcome = await restoreBackup(here, file, { isPartly });
    return { outcome, songs: (await listDocuments(here, "song")).map(({ id }) => id) };
  }
  let demo: Content;
  beforeAll(async () => {
    const first = await openFolder(null);
    await createDocuments(first.database, await demoDocuments());
    const file = await saveBackup(first.database, new Date(0));
    await first.close();
    demo = JSON.parse(strFromU8(unzipSync(file)["shared-lantern.json"]!));
  });
  const of = (content: Content, kind: string) => content.documents.find((one) => one.kind === kind)!;

  it.each<[string, (content: Content) => void]>([
    ["stands in it more than once", (all) => all.documents.push({ ...of(all, "evening") })],
    ["belongs to itself", (all) => Object.assign(of(all, "version"), { parentId: of(all, "version").id })],
    ["belongs to no song", (all) => Object.assign(of(all, "version"), { parentId: null })],
    ["a song that is not in it", (all) => Object.assign(of(all, "version"), { parentId: "nowhere" })],
    ["as only a version does", (all) => Object.assign(of(all, "evening"), { parentId: of(all, "song").id })],
    ["form 999", (all) => Object.assign(of(all, "evening"), { originSchema: 999 })],
    ["its song can't be brought back", (all) => Object.assign(of(all, "song"), { originSchema: 999 })],
  ])("says that one %s, and changes nothing", async (words, change) => {
    const { outcome, songs } = await restored(change);
    expect(outcome).toMatchObject({ ok: false, problem: { leftOut: expect.any(Array) } });
    if (!outcome.ok) {
      const { message, leftOut } = outcome.problem;
      expect([message, ...leftOut!.map(({ problem }) => problem)].join(" ")).toContain(words);
      expect(message).toMatch(/Nothing was changed\.$/u);
    }
    expect(songs).toEqual([]);
  });

  it("brings the rest back when it is told to: a song goes with all its versions", async () => {
    const { outcome, songs } = await restored((all) => {
      Object.assign(of(all, "song"), { originSchema: 999 });
    }, true);
    if (!outcome.ok) throw new Error(outcome.problem.message);
    const { documents, leftOut } = outcome.value;
    expect(leftOut[0]).toMatchObject({ name: expect.stringMatching(/^song “/u) });
    expect(leftOut.length).toBeGreaterThan(1);
    expect(songs.length).toBeGreaterThan(0);
    expect(songs).not.toContain(leftOut[0]!.id);
    expect(documents + leftOut.length).toBe((await demoDocuments()).length);
  });
});
