import { mkdtempSync, readdirSync, readFileSync, rmSync } from "node:fs";
import { request } from "node:http";
import { tmpdir } from "node:os";
import path from "node:path";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { startServer } from "../scripts/lib/server.mjs";

/**
 * The real program with an evening open to the network, from outside: every route tried with no code, a wrong one, one that
 * was withdrawn, and a player's. Its listener for the network is asked by the loopback address.
 */
const data = mkdtempSync(path.join(tmpdir(), "lantern-access-"));
let server: Awaited<ReturnType<typeof startServer>>;
let network = "";
let eveningId = "";
const cookies: Record<string, string> = {};
let codes: { player: string; viewer: string };

type Answer = { status: number; body: Record<string, unknown>; cookie: string };

async function ask(
  address: string,
  method: string,
  place: string,
  {
    body,
    cookie = "",
    headers = {},
  }: { body?: unknown; cookie?: string; headers?: Record<string, string> } = {},
): Promise<Answer> {
  const response = await fetch(address + place, {
    method,
    redirect: "manual",
    headers: { "content-type": "application/json", ...(cookie ? { cookie } : {}), ...headers },
    ...(body === undefined || method === "GET" ? {} : { body: JSON.stringify(body) }),
    signal: AbortSignal.timeout(20_000),
  });
  const isEvents = response.headers.get("content-type")?.startsWith("text/event-stream");
  if (isEvents) await response.body?.cancel();
  const text = isEvents ? "" : await response.text();
  let read: Record<string, unknown> = {};
  try {
    read = JSON.parse(text);
  } catch {
    // A page.
  }
  return {
    status: response.status,
    body: read,
    cookie: response.headers.get("set-cookie")?.split(";")[0] ?? "",
  };
}

const join = async (secret: object) => ask(network, "POST", "/api/join", { body: secret });

beforeAll(async () => {
  server = await startServer({ data });
  const home = await (await fetch(server.address)).text();
  eveningId = /\/evening\/([\w-]+)/u.exec(home)![1]!;
  const opened = await ask(server.address, "POST", "/api/network", {
    body: { act: "open", eveningId, passphrase: "net loft lamp" },
  });
  cookies.leader = opened.cookie;
  const { player, viewer, addresses } = opened.body as {
    player: { code: string };
    viewer: { code: string };
    addresses: string[];
  };
  codes = { player: player.code, viewer: viewer.code };
  network = `http://127.0.0.1:${new URL(addresses[0] ?? `http://x:${server.port + 1}`).port}`;
  cookies.player = (await join({ code: codes.player })).cookie;
  cookies.viewer = (await join({ code: codes.viewer.toLowerCase() })).cookie;
  const gone = await join({ code: codes.player });
  cookies.withdrawn = gone.cookie;
  const guests = (await ask(server.address, "GET", "/api/network", { cookie: cookies.leader! })).body
    .guests as { id: string; role: string }[];
  await ask(server.address, "POST", "/api/network", {
    body: { act: "remove", guestId: guests.at(-1)!.id },
    cookie: cookies.leader!,
  });
}, 90_000);
afterAll(async () => {
  await server.stop();
  rmSync(data, { recursive: true, force: true });
});

/** Every method of every route, read off the sources, with ids of this evening. */
const routes = readdirSync(path.resolve("src", "app"), { recursive: true, encoding: "utf8" })
  .filter((file) => file.endsWith("route.ts"))
  .flatMap((file) => {
    const source = readFileSync(path.resolve("src", "app", file), "utf8");
    const place = `/${path.dirname(file)}`;
    return [...source.matchAll(/export (?:async function|const) (GET|POST|PUT|PATCH|DELETE)\b/gu)].map(
      ([, method]) => [method!, place] as const,
    );
  });
const filled = (place: string) => place.replace("[eveningId]", eveningId).replaceAll(/\[\w+\]/gu, "x");

const OPEN_TO_ALL = new Set(["GET /api/join", "POST /api/join", "GET /lantern-ca.crt"]);
const isStage = (place: string) => place.startsWith("/api/stage/");
const PLAYERS = new Set([
  "POST /api/stage/[eveningId]/me",
  "POST /api/stage/[eveningId]/practices",
  "PUT /api/stage/[eveningId]/notes",
]);

describe("every route, over the network", () => {
  it("are all known here", () => {
    expect(routes.length).toBeGreaterThan(22);
  });

  it.each(routes)(
    "%s %s: nothing without a code, with a wrong one, or with one that is withdrawn",
    async (method, place) => {
      for (const cookie of ["", "lantern=made-up-token", cookies.withdrawn!]) {
        const { status, body } = await ask(network, method, filled(place), { cookie, body: {} });
        if (OPEN_TO_ALL.has(`${method} ${place}`)) expect(status).not.toBe(401);
        else {
          expect(status).toBe(401);
          expect(body.error).toMatchObject({ path: "who" });
        }
      }
    },
  );

  it.each(routes)("%s %s: a player gets the stage, and never what is the leader's", async (method, place) => {
    const { status } = await ask(network, method, filled(place), { cookie: cookies.player!, body: {} });
    const name = `${method} ${place}`;
    if (OPEN_TO_ALL.has(name)) return;
    const may = isStage(place) && (method === "GET" || PLAYERS.has(name));
    if (may) expect([200, 400, 403, 404]).toContain(status);
    else expect(status).toBe(403);
  });
});

describe("pages", () => {
  it("run only scripts of this answer: each that stands in the page carries its nonce", async () => {
    for (const [address, place] of [
      [server.address, "/"],
      [server.address, "/new"],
      [network, "/join"],
      [server.address, "/not/here"],
    ] as const) {
      const response = await fetch(address + place);
      const [, nonce] = /'nonce-([^']+)'/u.exec(response.headers.get("content-security-policy") ?? "") ?? [];
      const inline = [...(await response.text()).matchAll(/<script(?![^>]*\bsrc=)([^>]*)>/gu)];
      expect(inline.length).toBeGreaterThan(0);
      expect(inline.every(([, attributes]) => attributes!.includes(`nonce="${nonce}"`))).toBe(true);
    }
  });
});

describe("roles", () => {
  it("a leader's act is refused to players, viewers and strangers at this machine, and done for the leader", async () => {
    const press = (address: string, cookie: string, pressId: string) =>
      ask(address, "POST", `/api/stage/${eveningId}/press`, {
        cookie,
        body: { act: { type: "next" }, pressId },
      });
    expect((await press(network, cookies.player!, "p1")).status).toBe(403);
    expect((await press(network, cookies.viewer!, "p2")).status).toBe(403);
    expect((await press(server.address, "", "p3")).status).toBe(403);
    const events = async () =>
      (await ask(network, "GET", `/api/stage/${eveningId}/events?since=1`, { cookie: cookies.viewer! })).body;
    expect(await events()).toEqual({ events: [] });
    expect((await press(network, cookies.leader!, "p4")).status).toBe(200);
    expect((await events()).events).toHaveLength(1);
  });

  it("who is at this machine may read while it is open, and change nothing without the passphrase", async () => {
    expect((await ask(server.address, "GET", "/api/shelf")).status).toBe(200);
    expect((await ask(server.address, "POST", "/api/songs", { body: { text: "[V]\nG\nla" } })).status).toBe(
      403,
    );
    expect((await ask(server.address, "GET", "/api/network")).status).toBe(403);
    const led = await ask(server.address, "POST", "/api/join", { body: { passphrase: "net loft lamp" } });
    expect(led.status).toBe(201);
    const { status } = await ask(server.address, "POST", "/api/songs", {
      body: { text: "[V]\nG\nla" },
      cookie: led.cookie,
    });
    expect(status).toBe(201);
  });

  it("a header that only the gate may write is thrown away, and another site's page changes nothing", async () => {
    const forged = await ask(network, "GET", "/api/shelf", { headers: { "x-lantern-role": "leader" } });
    expect(forged.status).toBe(401);
    const here = await ask(server.address, "POST", "/api/network", {
      headers: { "x-lantern-role": "leader" },
      body: { act: "close" },
    });
    expect(here.status).toBe(403);
    for (const origin of ["http://evil.example", server.address]) {
      const { status, body } = await ask(network, "POST", `/api/stage/${eveningId}/press`, {
        cookie: cookies.leader!,
        headers: { origin },
        body: { act: { type: "undo" }, pressId: "evil" },
      });
      expect(status).toBe(403);
      expect(body.error).toMatchObject({ path: "Origin" });
    }
  });

  it("a player writes their own notes and nobody else's", async () => {
    const people = (await ask(network, "GET", `/api/stage/${eveningId}/people`, { cookie: cookies.player! }))
      .body.people as { person: string }[];
    const pack = (
      await ask(network, "GET", `/api/stage/${eveningId}/pack?person=${people[0]!.person}`, {
        cookie: cookies.player!,
      })
    ).body.songs as { versionId: string; part: { sheets: { id: string }[] } }[];
    const note = (person: string) => ({
      person,
      versionId: pack[0]!.versionId,
      useId: pack[0]!.part.sheets[0]!.id.split(" ")[0],
      text: "breathe",
    });
    const put = (cookie: string, body: object) =>
      ask(network, "PUT", `/api/stage/${eveningId}/notes`, { cookie, body });
    expect((await put(cookies.player!, note(people[0]!.person))).status).toBe(403);
    await ask(network, "POST", `/api/stage/${eveningId}/me`, {
      cookie: cookies.player!,
      body: { person: people[0]!.person },
    });
    expect((await put(cookies.player!, note(people[0]!.person))).status).toBe(200);
    expect((await put(cookies.player!, note(people[1]!.person))).status).toBe(403);
    expect((await put(cookies.viewer!, note(people[0]!.person))).status).toBe(403);
    expect((await put(cookies.player!, { ...note(people[0]!.person), versionId: "x" })).status).toBe(404);
    const own = await ask(network, "GET", `/api/stage/${eveningId}/notes?person=${people[1]!.person}`, {
      cookie: cookies.player!,
    });
    expect(own.body.notes).toMatchObject([{ text: "breathe" }]);
    // So it is with what they have practised.
    const { versionId } = pack[0]!;
    const gone = {
      versionId,
      day: "2026-12-02",
      what: "Verse 1",
      minutes: 3,
      percent: 70,
      rounds: 4,
      clean: 2,
    };
    const practise = (cookie: string, body: object) =>
      ask(network, "POST", `/api/stage/${eveningId}/practices`, { cookie, body: { ...gone, ...body } });
    const [one, other] = [people[0]!.person, people[1]!.person];
    expect((await practise(cookies.player!, { person: one })).status).toBe(200);
    expect((await practise(cookies.player!, { person: other })).status).toBe(403);
    expect((await practise(cookies.viewer!, { person: one })).status).toBe(403);
    expect((await practise(cookies.player!, { person: one, versionId: "x" })).status).toBe(404);
    expect((await practise(cookies.player!, { person: one, minutes: 6000 })).status).toBe(400);
    expect((await practise(cookies.player!, { person: one, day: "yesterday" })).status).toBe(400);
    await ask(network, "POST", `/api/stage/${eveningId}/me`, {
      cookie: cookies.viewer!,
      body: { person: people[0]!.person },
    });
    const looked = await ask(network, "GET", `/api/stage/${eveningId}/notes`, { cookie: cookies.viewer! });
    expect(looked.body.notes).toEqual([]);
  });

  it("a name another device has taken needs the leader's yes, and notes stand at real places only", async () => {
    const people = (await ask(network, "GET", `/api/stage/${eveningId}/people`, { cookie: cookies.player! }))
      .body.people as { person: string; name: string }[];
    const other = (await join({ code: codes.player })).cookie;
    const be = (cookie: string, at: number) =>
      ask(network, "POST", `/api/stage/${eveningId}/me`, { cookie, body: { person: people[at]!.person } });
    const refused = await be(other, 0);
    expect(refused.status).toBe(409);
    expect(refused.body.error).toMatchObject({
      path: "person",
      message: expect.stringContaining(`Another device is ${people[0]!.name} already`),
    });
    expect((await be(cookies.viewer!, 0)).status).toBe(200);
    expect((await be(cookies.player!, 0)).status).toBe(200);
    const notes = await ask(network, "GET", `/api/stage/${eveningId}/notes`, { cookie: other });
    expect(notes.body.notes).toEqual([]);
    const { songs } = (
      await ask(network, "GET", `/api/stage/${eveningId}/pack?person=${people[0]!.person}`, { cookie: other })
    ).body as { songs: { versionId: string }[] };
    for (const useId of ["made-up", "__proto__", "constructor"]) {
      const { status } = await ask(network, "PUT", `/api/stage/${eveningId}/notes`, {
        cookie: cookies.player!,
        body: { person: people[0]!.person, versionId: songs[0]!.versionId, useId, text: "here" },
      });
      expect([400, 404]).toContain(status);
    }
    const guests = (await ask(server.address, "GET", "/api/network", { cookie: cookies.leader! })).body
      .guests as { id: string; role: string; person: string | null }[];
    const holder = guests.find((one) => one.role === "player" && one.person === people[0]!.person)!;
    const freed = await ask(server.address, "POST", "/api/network", {
      cookie: cookies.leader!,
      body: { act: "free", guestId: holder.id },
    });
    expect(freed.status).toBe(200);
    expect((await be(other, 0)).status).toBe(200);
    expect((await be(cookies.player!, 0)).status).toBe(409);
  });

  it("who is put out hears no more edits on a line that was open already", async () => {
    const { cookie } = await ask(network, "POST", "/api/join", { body: { passphrase: "net loft lamp" } });
    const guests = (await ask(server.address, "GET", "/api/network", { cookie: cookies.leader! })).body
      .guests as { id: string; role: string }[];
    const stream = await fetch(`${network}/api/events?follow=${eveningId}:0`, { headers: { cookie } });
    expect(stream.status).toBe(200);
    const heard = stream.text();
    await ask(server.address, "POST", "/api/network", {
      body: { act: "remove", guestId: guests.at(-1)!.id },
      cookie: cookies.leader!,
    });
    const ended = await Promise.race([heard, new Promise((resolve) => setTimeout(resolve, 5000, "open"))]);
    expect(ended).toMatch(/^: lit\n/u);
  });

  it("a withdrawn code lets nobody in and puts out who had joined by it", async () => {
    await ask(server.address, "POST", "/api/network", {
      body: { act: "withdraw", role: "viewer" },
      cookie: cookies.leader!,
    });
    expect((await join({ code: codes.viewer })).status).toBe(403);
    expect(
      (await ask(network, "GET", `/api/stage/${eveningId}/me`, { cookie: cookies.viewer! })).status,
    ).toBe(401);
    expect(
      (await ask(network, "GET", `/api/stage/${eveningId}/me`, { cookie: cookies.player! })).status,
    ).toBe(200);
  });

  it("guessing is slowed down, the right code too while one waits", async () => {
    const tries = [];
    for (let guess = 0; guess < 8; guess++) tries.push((await join({ code: `AAAAA${guess}` })).status);
    expect(tries).toContain(403);
    expect(tries.at(-1)).toBe(429);
    expect((await join({ code: codes.player })).status).toBe(429);
  });

  it("400 passphrases sent at once are judged no more than as many sent in turn", async () => {
    // From an address that has guessed nothing yet; this machine's own listener does not count lines.
    const guess = (passphrase: string) =>
      new Promise<number>((resolve, reject) => {
        const asking = request(`${server.address}/api/join`, {
          method: "POST",
          localAddress: "127.0.0.2",
          headers: { "content-type": "application/json" },
        });
        asking.on("response", (response) => resolve(response.resume().statusCode!));
        asking.on("error", reject);
        asking.end(JSON.stringify({ passphrase }));
      });
    const began = performance.now();
    const tries = await Promise.all(Array.from({ length: 400 }, (_, at) => guess(`made up ${at}`)));
    const judged = tries.filter((status) => status === 403).length;
    expect(tries.filter((status) => status === 429)).toHaveLength(400 - judged);
    // After the fifth the wait is 2 s, and doubles: a slow machine is still sending when it is over.
    const waited = Math.floor(Math.log2((performance.now() - began) / 2000 + 1));
    expect(judged).toBeGreaterThanOrEqual(5);
    expect(judged).toBeLessThanOrEqual(5 + waited);
  });

  it("closing ends every code, cookie and the listener itself", async () => {
    const closed = await ask(server.address, "POST", "/api/network", {
      body: { act: "close" },
      cookie: cookies.leader!,
    });
    expect(closed.body).toMatchObject({ open: false });
    await expect(ask(network, "GET", "/join")).rejects.toThrow();
    expect((await ask(server.address, "GET", "/api/network")).body).toMatchObject({ open: false });
  });
});
