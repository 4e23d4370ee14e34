import { get } from "node:http";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { largeBackup, longText } from "../bench/importing.mjs";
import { startServer } from "../scripts/lib/server.mjs";
import { post, temporaryFolders } from "../testing/server/real-server";

/** The real program: what is read and written much is done in a thread apart, and can be stopped. */
const newFolder = temporaryFolders("apart");
const start = (data: string) => startServer({ data, env: { LANTERN_DEMO: "off" } });
type Server = Awaited<ReturnType<typeof start>>;

let server: Server;
let long: { songId: string; versionId: string };
let backup: Uint8Array<ArrayBuffer>;

const found = async ({ address }: Server) =>
  ((await (await fetch(`${address}/api/shelf`)).json()) as { total: number }).total;

beforeAll(async () => {
  server = await start(newFolder());
  long = (await post(server, "/api/songs", { text: longText(), title: "Long Night" })).body;
  const saved = await fetch(`${server.address}/api/backup`);
  backup = new Uint8Array(largeBackup(new Uint8Array(await saved.arrayBuffer()), long.versionId, 30).bytes);
}, 120_000);
afterAll(() => server.stop());

describe("what is done in a thread apart", () => {
  it("reaches who watches: a large edit comes over the line of events", async () => {
    const { versionId } = long;
    const document = await (await fetch(`${server.address}/api/documents/${versionId}`)).json();
    const chords = Object.keys((document as { body: { chords: object } }).body.chords);
    const heard = new Promise<string>((resolve) => {
      const line = get(`${server.address}/api/events?follow=${versionId}:0`, (answer) => {
        let text = "";
        answer.setEncoding("utf8").on("data", (chunk: string) => {
          text += chunk;
          if (!text.includes('"editId":"large"')) return;
          line.destroy();
          resolve(text);
        });
        answer.on("error", () => {});
      });
      line.on("error", () => {});
    });
    const commands = chords.map((id) => ({ type: "set", table: "chords", id, fields: { symbol: "F#m7" } }));
    const edit = { editId: "large", base: 0, command: { type: "batch", label: "All", commands } };
    expect(JSON.stringify(edit).length).toBeGreaterThan(200_000);
    expect(await post(server, `/api/documents/${versionId}/edits`, edit)).toMatchObject({
      status: 200,
      body: { revision: 1, repeated: false },
    });
    expect(await heard).toContain(`"label":"All"`);
    expect((await post(server, `/api/documents/${versionId}/edits`, edit)).body.repeated).toBe(true);
    const wrong = {
      ...edit,
      editId: "none",
      command: { ...edit.command, commands: "none" },
      pad: "x".repeat(20_000),
    };
    expect((await post(server, `/api/documents/${versionId}/edits`, wrong)).status).toBe(400);
  });

  it("makes one song of two files of one title that come at once, and the shelf counts anew", async () => {
    const before = await found(server);
    const file = { name: "x.txt", base64: btoa("[Verse]\nG C\none two"), title: "Twin Lamps", double: false };
    const made = await Promise.all(Array.from({ length: 6 }, () => post(server, "/api/songs", file)));
    expect(made.map(({ status }) => status).sort()).toEqual([201, 409, 409, 409, 409, 409]);
    expect(await found(server)).toBe(before + 1);
  });
});

/** Sends a backup and asks to be told how far it is, until it is given up or at its end. */
async function bring({ address }: Server, until: (share: number) => boolean) {
  const given = new AbortController();
  const shares: number[] = [];
  let last: unknown = null;
  try {
    const response = await fetch(`${address}/api/backup`, {
      method: "POST",
      body: backup,
      headers: { accept: "application/x-ndjson" },
      signal: given.signal,
    });
    let text = "";
    for await (const chunk of response.body!) {
      text += Buffer.from(chunk).toString("utf8");
      const lines = text.split("\n");
      text = lines.pop()!;
      for (const line of lines) {
        last = JSON.parse(line);
        const { done, of } = last as { done?: number; of?: number };
        if (done !== undefined) shares.push(done / of!);
      }
      if (until(shares.at(-1) ?? 0)) given.abort();
    }
  } catch (error) {
    if (!given.signal.aborted) return { shares, last, error };
  }
  return { shares, last, error: null };
}

describe("a backup that is brought back", () => {
  it("is taken back whole where it is stopped in the middle, and comes whole when it is not", async () => {
    const other = await start(newFolder());
    const stopped = await bring(other, (share) => share > 0.6);
    expect(stopped.shares.at(-1)).toBeGreaterThan(0.5);
    expect(stopped.last).not.toHaveProperty("status");
    // What had come is being taken back: another one is refused until then.
    let again: Awaited<ReturnType<typeof bring>>;
    do again = await bring(other, () => false);
    while (JSON.stringify(again.last).includes("Another backup is being brought back"));
    expect(again.last).toMatchObject({ status: 200, answer: { leftOut: [] } });
    expect(again.shares).toEqual(again.shares.toSorted((a, b) => a - b));
    const { documents } = (again.last as { answer: { documents: number } }).answer;
    expect(await found(other)).toBe(documents / 2);
    await other.stop();
  });

  it("is taken back at the next start where the program was killed in the middle", async () => {
    const data = newFolder();
    const killed = await start(data);
    let isKilled = false;
    await bring(killed, (share) => {
      if (share > 0.6 && !isKilled) {
        isKilled = true;
        killed.child.kill("SIGKILL");
      }
      return false;
    });
    await killed.ended;
    expect(isKilled).toBe(true);
    const again = await start(data);
    expect(await found(again)).toBe(0);
    await again.stop();
  });
});
