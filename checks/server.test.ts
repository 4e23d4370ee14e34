import { spawn } from "node:child_process";
import { mkdtempSync, rmSync } from "node:fs";
import { request } from "node:http";
import { createServer } from "node:net";
import { tmpdir } from "node:os";
import path from "node:path";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { HOST } from "../scripts/lib/ready.mjs";
import { startServer } from "../scripts/lib/server.mjs";

/** The real program on loopback, from outside: engines, edits, Host and Origin, port and lock. */
const data = mkdtempSync(path.join(tmpdir(), "lantern-check-"));
let server: Awaited<ReturnType<typeof startServer>>;
beforeAll(async () => {
  server = await startServer({ data });
});
afterAll(async () => {
  await server.stop();
  rmSync(data, { recursive: true, force: true });
});

const post = (place: string, body: unknown, headers: Record<string, string> = {}) =>
  fetch(server.address + place, {
    method: "POST",
    headers: { "content-type": "application/json", ...headers },
    body: typeof body === "string" ? body : JSON.stringify(body),
  });
const newSong = async () =>
  (await (await post("/api/songs", { text: "[Verse]\nG C D G\none two three four" })).json()) as {
    songId: string;
    versionId: string;
  };
const document = async (id: string) =>
  (await (await fetch(`${server.address}/api/documents/${id}`)).json()) as {
    revision: number;
    body: Record<string, Record<string, Record<string, unknown>>>;
  };

/** A request with headers that fetch would not let through. */
const raw = (method: string, place: string, headers: Record<string, string>) =>
  new Promise<number>((resolve, reject) => {
    const sent = request(
      { host: "127.0.0.1", port: server.port, method, path: place, headers },
      (response) => {
        response.resume();
        resolve(response.statusCode ?? 0);
      },
    );
    sent.on("error", reject);
    sent.end();
  });

const run = (args: readonly string[], input: string, env: Record<string, string> = {}) =>
  new Promise<{ code: number | null; out: string; err: string }>((resolve) => {
    const child = spawn(args[0]!, args.slice(1), { env: { ...process.env, ...env } });
    let out = "";
    let err = "";
    child.stdout.on("data", (text) => {
      out += text;
    });
    child.stderr.on("data", (text) => {
      err += text;
    });
    child.on("exit", (code) => resolve({ code, out, err }));
    child.stdin.end(input);
  });
const plan = (args: readonly string[], input = "") => run(["npm", "run", "-s", "plan", "--", ...args], input);

describe("engines from outside", () => {
  const input = { symbol: "Am7", limit: 3 };

  it("answer alike over HTTP and on the command line", async () => {
    const response = await post("/api/plan/fingerings", input);
    expect(response.status).toBe(200);
    const printed = await plan(["fingerings"], JSON.stringify(input));
    expect([printed.code, printed.err.replace(/npm warn[^\n]*\n/gu, "")]).toEqual([0, ""]);
    expect(JSON.parse(printed.out)).toEqual(await response.json());
  });

  it("refuse bad input with the field: 400 over HTTP, exit 2 and one line on the command line", async () => {
    const response = await post("/api/plan/capo", { key: "H", chords: [] });
    expect([response.status, (await response.json()).error.path]).toEqual([400, "key"]);
    const printed = await plan(["capo"], JSON.stringify({ key: "H", chords: [] }));
    expect([printed.code, printed.out]).toEqual([2, ""]);
    expect(printed.err.replace(/npm warn[^\n]*\n/gu, "")).toMatch(/^key: [^\n]+\n$/);
    expect((await plan(["capo"], "{not json")).code).toBe(2);
    expect((await plan(["nothing"], "{}")).code).toBe(2);
    const listed = (await plan(["--list"])).out.trim().split("\n");
    expect(listed.map((line) => line.split(":")[0])).toEqual([
      "beats",
      "capo",
      "fingerings",
      "identify",
      "voice-path",
      "planted",
      "stand-ins",
      "degree-line",
      "harmoniser",
      "follow-line",
      "strum",
      "play",
      "split",
      "arrange",
      "loops",
      "recover",
      "tones",
      "tones-live",
      "pedals",
      "delay",
      "read",
    ]);
  });

  it("refuse an unknown engine, no JSON and an overlong body", async () => {
    expect((await post("/api/plan/weather", {})).status).toBe(404);
    expect((await post("/api/plan/capo", "{")).status).toBe(400);
    expect((await post("/api/plan/capo", JSON.stringify({ key: "x".repeat(1_100_000) }))).status).toBe(413);
  });
});

describe("engines under load", () => {
  const chords = ["G", "Em", "C", "D", "Am", "Bm", "F", "E"];
  /** Some seconds of search: a whole song over every capo and colour. */
  const heavy = {
    changes: Array.from({ length: 120 }, (_, at) => ({ symbol: chords[(at * 7) % 8], beats: 4 })),
    tempo: 90,
    capos: [0, 1, 2, 3, 4, 5, 6, 7],
    allow: ["add9", "sus2", "sus4", "7", "6", "maj7"],
  };

  it("answer a light request beside six heavy ones, and go on when those are given up", async () => {
    const given = new AbortController();
    let settled = 0;
    const asked = Array.from({ length: 6 }, () =>
      fetch(`${server.address}/api/plan/planted`, {
        method: "POST",
        headers: { "content-type": "application/json" },
        body: JSON.stringify(heavy),
        signal: given.signal,
      })
        .catch(() => null)
        .then(() => settled++),
    );
    await new Promise((resolve) => setTimeout(resolve, 500));
    const light = await post("/api/plan/delay", { tempo: 120, note: "1/4" });
    expect([light.status, await light.json()]).toEqual([200, { ms: 500 }]);
    expect(settled).toBeLessThan(6);
    given.abort();
    await Promise.all(asked);
    for (let again = 0; again < 3; again++)
      expect((await post("/api/plan/delay", { tempo: 120, note: "1/4" })).status).toBe(200);
  });

  it("refuse what is nested too deep, and answer on", async () => {
    const deep = `{"key":"D","chords":${"[".repeat(20_000)}${"]".repeat(20_000)}}`;
    const refused = await post("/api/plan/capo", deep);
    expect([refused.status, (await refused.json()).error]).toEqual([
      400,
      { path: "body", message: "should be nested at most 64 deep" },
    ]);
    expect((await post("/api/plan/capo", { key: "D", chords: [] })).status).toBe(200);
  });

  it("bound a budget that asks for too much, instead of hanging", async () => {
    const shape = { symbol: "G", limit: 1, budget: 1e15 };
    const response = await post("/api/plan/fingerings", shape);
    expect([response.status, (await response.json()).fingerings.length]).toEqual([200, 1]);
    expect((await post("/api/plan/fingerings", { symbol: "G", budget: "all" })).status).toBe(400);
  });
});

describe("edits from outside", () => {
  it("are stored once, refused with both values, and refused with a reason", async () => {
    const { versionId } = await newSong();
    const row = Object.keys((await document(versionId)).body.version!)[0]!;
    const edit = (editId: string, base: number, fields: unknown) =>
      post(`/api/documents/${versionId}/edits`, {
        editId,
        base,
        command: { type: "set", table: "version", id: row, fields },
      });
    expect((await edit("a1", 0, { bpm: 91 })).status).toBe(200);
    expect((await edit("a1", 0, { bpm: 91 })).status).toBe(200);
    const stale = await edit("a2", 0, { bpm: 92 });
    expect([stale.status, (await stale.json()).conflicts]).toEqual([
      409,
      [{ table: "version", id: row, field: "bpm", theirs: 91, yours: 92 }],
    ]);
    expect((await edit("a3", 1, { bpm: 0 })).status).toBe(422);
    expect((await edit("a4", 9, { bpm: 95 })).status).toBe(400);
    expect(
      (
        await post(`/api/documents/${versionId}/edits`, {
          editId: "a5",
          base: 0,
          command: { type: "explode" },
        })
      ).status,
    ).toBe(400);
    expect(
      (
        await post("/api/documents/nobody/edits", {
          editId: "a6",
          base: 0,
          command: { type: "remove", table: "x", id: "y" },
        })
      ).status,
    ).toBe(404);
    expect((await document(versionId)).revision).toBe(1);
  });

  it("reach another window by events, from the cursor on", async () => {
    const { versionId } = await newSong();
    const row = Object.keys((await document(versionId)).body.version!)[0]!;
    const set = (editId: string, bpm: number, base: number) =>
      post(`/api/documents/${versionId}/edits`, {
        editId,
        base,
        command: { type: "set", table: "version", id: row, fields: { bpm } },
      });
    await set("b1", 81, 0);
    const stop = new AbortController();
    const response = await fetch(`${server.address}/api/events?follow=${versionId}:0`, {
      signal: stop.signal,
    });
    const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader();
    let heard = "";
    const until = async (revision: number) => {
      while (!heard.includes(`id: ${versionId}:${revision}\n`)) heard += (await reader.read()).value ?? "";
    };
    await until(1);
    await set("b2", 82, 1);
    await until(2);
    expect([...heard.matchAll(/^id: [\w-]+:(\d+)$/gmu)].map((match) => Number(match[1]))).toEqual([1, 2]);
    stop.abort();
    expect((await fetch(`${server.address}/api/events?follow=${versionId}`)).status).toBe(400);
  });
});

describe("bad input from outside", () => {
  it.each([
    ["an empty paste", { text: "  \n" }, 400],
    ["a paste that is no text", { text: 5 }, 400],
    ["a paste of 9 MB", { text: "G C D\n".repeat(1_500_000) }, 413],
    ["a paste of 300 kB", { text: "G C D\n".repeat(50_000) }, 400],
  ])("%s gets a sentence and makes no song", async (_, body, status) => {
    const response = await post("/api/songs", body);
    expect(response.status).toBe(status);
    expect((await response.json()).error.message.length).toBeGreaterThan(10);
  });

  it("an unknown song gets a page that says so", async () => {
    const response = await fetch(`${server.address}/song/nobody`);
    expect(response.status).toBe(404);
    expect(await response.text()).toContain("Nothing is kept at this address");
  });
});

describe("Host and Origin", () => {
  const own = () => `127.0.0.1:${server.port}`;

  it("answers only to its own name", async () => {
    expect(await raw("GET", "/", { host: "lantern.example:80" })).toBe(403);
    expect(await raw("GET", "/api/documents/x", { host: own() })).toBe(404);
  });

  it("takes no change of state from another page", async () => {
    const headers = { host: own(), "content-type": "application/json", "content-length": "2" };
    for (const origin of ["http://evil.example", "null", `http://127.0.0.1:${server.port + 1}`]) {
      expect(await raw("POST", "/api/songs", { host: own(), origin })).toBe(403);
    }
    expect(await raw("POST", "/api/songs", { host: own(), "sec-fetch-site": "cross-site" })).toBe(403);
    expect(headers.host).toBe(own());
    expect((await post("/api/songs", { text: "" }, { origin: `http://${own()}` })).status).toBe(400);
  });
});

describe("port and lock", () => {
  it("says that a port is in use", async () => {
    const holder = createServer();
    await new Promise<void>((resolve) => holder.listen(0, "127.0.0.1", resolve));
    const { port } = holder.address() as { port: number };
    const other = mkdtempSync(path.join(tmpdir(), "lantern-check-"));
    const refused = await run([process.execPath, HOST], "", {
      PORT: String(port),
      LANTERN_DATA: other,
      NODE_ENV: "production",
    });
    expect([refused.code, refused.err]).toEqual([1, expect.stringContaining(`Port ${port} is in use.`)]);
    holder.close();
    rmSync(other, { recursive: true, force: true });
  });

  it("says that a data folder is in use", async () => {
    const refused = await run([process.execPath, HOST], "", {
      PORT: String(server.port + 1),
      LANTERN_DATA: data,
      NODE_ENV: "production",
    });
    expect([refused.code, refused.err]).toEqual([
      1,
      expect.stringContaining("in use by another Shared Lantern"),
    ]);
  });

  it("says that a port is no port", async () => {
    const refused = await run([process.execPath, HOST], "", {
      PORT: "lamp",
      LANTERN_DATA: data,
      NODE_ENV: "production",
    });
    expect([refused.code, refused.err]).toEqual([
      2,
      expect.stringContaining("should be a number from 1 to 65534"),
    ]);
  });
});
