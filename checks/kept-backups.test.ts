import fs, { rmSync } from "node:fs";
import path from "node:path";
import { setTimeout as wait } from "node:timers/promises";
import { beforeAll, describe, expect, it } from "vitest";
import { startServer } from "../scripts/lib/server.mjs";
import { post, temporaryFolders } from "../testing/server/real-server";

/** The real program: the backups it keeps by itself, and what it does where its database does not open. */
const newFolder = temporaryFolders("kept");
type Server = Awaited<ReturnType<typeof startServer>>;
/** A minute is three seconds long here. */
const start = (data: string, env: Record<string, string> = {}) =>
  startServer({ data, env: { LANTERN_DEMO: "off", LANTERN_BACKUP_MINUTES: "0.05", ...env } });
const read = async ({ address }: Server, place: string) => {
  const response = await fetch(address + place, { redirect: "manual" });
  const text = (await response.text()).replaceAll("<!-- -->", "");
  return { status: response.status, to: response.headers.get("location"), text };
};
const titles = async (server: Server) =>
  (JSON.parse((await read(server, "/api/shelf")).text) as { rows: { title: string }[] }).rows
    .map(({ title }) => title)
    .sort();
const keptIn = (data: string) =>
  fs.existsSync(path.join(data, "backups"))
    ? fs
        .readdirSync(path.join(data, "backups"))
        .filter((name) => name.endsWith(".zip"))
        .sort()
    : [];
async function until(done: () => boolean | Promise<boolean>) {
  for (let tries = 0; !(await done()); tries++) {
    if (tries > 150) throw new Error("Expected it within 30 s.");
    await wait(200);
  }
}
const make = (server: Server, title: string) =>
  post(server, "/api/songs", { text: "[Verse]\nG C D G\none two three four", title });

describe("backups kept by themselves", () => {
  it("are made while something is written, and everything is put back from one", async () => {
    const data = newFolder();
    const server = await start(data);
    const { versionId } = (await make(server, "First Lamp")).body;
    await until(() => keptIn(data).length === 1);
    // Nothing is written: nothing is kept.
    await wait(7000);
    const [first] = keptIn(data);
    expect(keptIn(data).length).toBeLessThanOrEqual(2);
    expect((await read(server, "/")).text).toContain("While it is used, the program keeps a backup");
    await make(server, "Second Lamp");
    const row = { id: "s1", order: "V", name: "Late sheet", kind: "sheet", text: "" };
    const command = { type: "add", table: "sources", row };
    await post(server, `/api/documents/${versionId}/edits`, { editId: "late", base: 0, command });
    expect(await titles(server)).toEqual(["First Lamp", "Second Lamp"]);

    const kept = await fetch(`${server.address}/api/backup/kept?name=${first}`);
    expect([kept.status, (await kept.arrayBuffer()).byteLength]).toEqual([
      200,
      fs.statSync(path.join(data, "backups", first!)).size,
    ]);
    for (const name of ["000009-2026-11-30T08-00-00Z.zip", "../postgres/PG_VERSION", "", null])
      expect((await post(server, "/api/backup/kept", { name })).status).toBeGreaterThanOrEqual(400);
    expect(await titles(server)).toEqual(["First Lamp", "Second Lamp"]);

    const before = keptIn(data);
    expect(await post(server, "/api/backup/kept", { name: first })).toMatchObject({
      status: 200,
      body: { documents: 2, leftOut: [] },
    });
    expect(await titles(server)).toEqual(["First Lamp"]);
    expect(JSON.parse((await read(server, `/api/documents/${versionId}`)).text).revision).toBe(0);
    // What was there is kept first of all, and comes back as well; the server may have kept another since.
    const replaced = keptIn(data).find((name) => !before.includes(name))!;
    expect(replaced).not.toBe(first);
    expect((await post(server, "/api/backup/kept", { name: replaced })).status).toBe(200);
    expect(await titles(server)).toEqual(["First Lamp", "Second Lamp"]);
    expect(JSON.parse((await read(server, `/api/documents/${versionId}`)).text).revision).toBe(1);
    await server.stop();
  });

  it("that can't be written are said on the first page, and made once they can", async () => {
    const data = newFolder();
    fs.writeFileSync(path.join(data, "backups"), "in the way");
    const server = await start(data);
    await make(server, "First Lamp");
    await until(async () => (await read(server, "/")).text.includes("The last one could not be kept"));
    fs.rmSync(path.join(data, "backups"));
    await until(() => keptIn(data).length > 0);
    await until(async () => !(await read(server, "/")).text.includes("The last one could not be kept"));
    await server.stop();
  });
});

describe("a database that does not open", () => {
  const DAMAGE: readonly [string, (place: string) => void][] = [
    ["its control file cut off", (place) => fs.truncateSync(path.join(place, "global", "pg_control"), 100)],
    ["its log gone", (place) => rmSync(path.join(place, "pg_wal"), { recursive: true })],
    ["its version file gone", (place) => rmSync(path.join(place, "PG_VERSION"))],
    ["its tables overwritten", (place) => overwrite(path.join(place, "base"))],
  ];
  /** A data folder with a song and a backup, to be copied and damaged. */
  const whole = newFolder();
  beforeAll(async () => {
    const server = await start(whole);
    await make(server, "First Lamp");
    await until(() => keptIn(whole).length > 0);
    await server.stop();
  });

  /** Every file of a folder, filled with one byte. */
  function overwrite(place: string): void {
    for (const entry of fs.readdirSync(place, { withFileTypes: true, recursive: true }))
      if (entry.isFile()) fs.writeFileSync(path.join(entry.parentPath, entry.name), Buffer.alloc(8192, 7));
  }

  /** The files with tables in them, by name and length. */
  const tablesIn = (place: string): string[] =>
    fs
      .readdirSync(path.join(place, "base"), { withFileTypes: true, recursive: true })
      .filter((entry) => entry.isFile() && /^\d+$/u.test(entry.name))
      .map(({ parentPath, name }) => {
        const folder = path.relative(place, parentPath);
        return `${folder}/${name} ${fs.statSync(path.join(parentPath, name)).size}`;
      })
      .sort();

  it.each(DAMAGE)("says so and goes on from the newest backup: %s", async (_, damage) => {
    const data = newFolder();
    fs.cpSync(whole, data, { recursive: true });
    damage(path.join(data, "postgres"));
    const files = tablesIn(path.join(data, "postgres"));

    const server = await start(data);
    const first = await read(server, "/");
    expect(first.text).toContain("The database does not open");
    const newest = keptIn(data).at(-1)!;
    expect(first.text).toContain(newest);
    expect(server.said()).toContain("does not open");
    expect(await read(server, "/new")).toMatchObject({ status: 303, to: "/" });
    expect((await read(server, "/api/shelf")).status).toBe(503);
    const missing = { name: "000099-2026-11-30T08-00-00Z.zip" };
    expect((await post(server, "/api/backup/kept", missing)).status).toBe(404);
    expect(tablesIn(path.join(data, "postgres"))).toEqual(files);

    expect(await post(server, "/api/backup/kept", { name: newest })).toMatchObject({
      status: 200,
      body: { documents: 2, leftOut: [] },
    });
    expect(await titles(server)).toEqual(["First Lamp"]);
    expect(tablesIn(path.join(data, "postgres.damaged-1"))).toEqual(files);
    await make(server, "Second Lamp");
    expect(await titles(server)).toEqual(["First Lamp", "Second Lamp"]);
    await server.stop();
  });

  it("begins with an empty shelf where that is wanted", async () => {
    const data = newFolder();
    fs.cpSync(whole, data, { recursive: true });
    rmSync(path.join(data, "backups"), { recursive: true });
    DAMAGE[0]![1](path.join(data, "postgres"));
    const server = await start(data);
    expect((await read(server, "/")).text).toContain("No backup is kept in this data folder");
    expect((await post(server, "/api/backup/kept", { name: null })).body).toEqual({
      documents: 0,
      leftOut: [],
    });
    expect(await titles(server)).toEqual([]);
    expect((await post(server, "/api/backup/kept", { name: null })).status).toBe(404);
    await server.stop();
  });
});
