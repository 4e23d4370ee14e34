import fs from "node:fs";
import path from "node:path";
import { afterEach, describe, expect, it, vi } from "vitest";
import { openFolder } from "@/server/db/open-database";
import { isEmpty, takeEdit } from "@/server/documents/stored-documents";
import { whyNoDisk } from "../scripts/lib/disk.mjs";
import { cutPower } from "../scripts/lib/power-cut.mjs";
import { startServer } from "../scripts/lib/server.mjs";
import { writeAtOnce } from "../scripts/lib/writers.mjs";
import { numberedEdit, shortSong } from "../testing/server/numbered-edits";
import { temporaryFolders } from "../testing/server/real-server";

/** Saved means on the disk: fsync and fdatasync of POSIX.1-2017, asked for before anything is acknowledged. */

const newFolder = temporaryFolders("durable");
afterEach(() => vi.restoreAllMocks());

describe("what is acknowledged", () => {
  it("was written through to the disk, every single time", async () => {
    const { database, close } = await openFolder(newFolder());
    const versionId = await shortSong(database);
    const sync = vi.spyOn(fs, "fdatasyncSync");
    for (let number = 0; number < 40; number++) {
      const before = sync.mock.results.filter(({ type }) => type === "return").length;
      expect(await takeEdit(database, versionId, numberedEdit(number))).toMatchObject({ status: "done" });
      expect(sync.mock.results.filter(({ type }) => type === "return").length).toBeGreaterThan(before);
    }
    await close();
  });

  it("is not what the disk would not take: the program says so, ends, and has the rest when it is started again", async () => {
    const [data, broken] = [newFolder(), path.join(newFolder(), "broken")];
    const preload = path.resolve("scripts", "lib", "failing-disk.mjs");
    const env = { LANTERN_DEMO: "off", NODE_OPTIONS: `--import=${preload}`, FAILING_DISK: broken };
    const server = await startServer({ data, env });
    const writing = await writeAtOnce(server.address, { run: 1 });
    await writing.until(20);
    fs.writeFileSync(broken, "");
    await writing.end();
    expect((await server.ended).code).toBe(1);
    expect(server.said()).toMatch(/The disk does not take what is written into .* \(EIO\)/u);
    const again = await startServer({ data, env: { LANTERN_DEMO: "off" } });
    const response = await fetch(`${again.address}/api/documents/${writing.versionId}/edits?since=0`);
    const { edits } = (await response.json()) as { edits: { editId: string }[] };
    await again.stop();
    const stored = new Set(edits.map(({ editId }) => editId));
    expect([...writing.acknowledged].filter((editId) => !stored.has(editId))).toEqual([]);
  });
});

describe("a new folder", () => {
  it("is on the disk whole before it is used, its name in the folder above too", async () => {
    const folder = newFolder();
    const synced = new Set<string>();
    const place = new Map<number, string>();
    const open = fs.openSync;
    vi.spyOn(fs, "openSync").mockImplementation((...args) => {
      const descriptor = open(...args);
      place.set(descriptor, String(args[0]));
      return descriptor;
    });
    const sync = fs.fsyncSync;
    vi.spyOn(fs, "fsyncSync").mockImplementation((descriptor) => {
      sync(descriptor);
      synced.add(place.get(descriptor) ?? "");
    });
    const { database, close } = await openFolder(folder);
    expect(await isEmpty(database)).toBe(true);
    for (const part of ["", "PG_VERSION", "global", "global/pg_control", "base", "pg_wal"])
      expect(synced).toContain(path.join(folder, "postgres", part));
    expect(synced).toContain(folder);
    expect(synced).toContain(path.dirname(folder));
    await close();
  });

  it("that was cut off while it was made is made anew: nothing was in it yet", async () => {
    const folder = newFolder();
    fs.mkdirSync(path.join(folder, "postgres", "base"), { recursive: true });
    fs.writeFileSync(path.join(folder, "postgres", "PG_VERSION"), "18\n");
    fs.writeFileSync(path.join(folder, "postgres.unfinished"), "");
    const { database, close } = await openFolder(folder);
    expect(await isEmpty(database)).toBe(true);
    expect(fs.existsSync(path.join(folder, "postgres.unfinished"))).toBe(false);
    await shortSong(database);
    await close();
    const again = await openFolder(folder);
    expect(await isEmpty(again.database)).toBe(false);
    await again.close();
  });
});

const whyNot = whyNoDisk();
if (whyNot)
  process.stderr.write(`\nNO POWER WAS CUT: this machine mounts no file as a disk (${whyNot}).\n\n`);

describe.skipIf(whyNot !== null)("a power cut while eight clients write", () => {
  it("loses nothing acknowledged, and the folder opens", async () => {
    const result = await cutPower({ atLeast: 100 });
    expect(result.acknowledged).toBeGreaterThanOrEqual(100);
    expect([result.missing, result.twice]).toEqual([0, 0]);
  });
});
