import { describe, expect, it } from "vitest";
import { z } from "zod";
import { judge, loopbackHosts } from "./host/origin";
import { isTooDeep, readBytes, readJson } from "./http";

const request = (body: BodyInit, headers: Record<string, string> = {}) =>
  new Request("http://127.0.0.1/x", { method: "POST", body, headers });
const schema = z.object({ name: z.string({ error: "should be a text" }) });
const problem = async (read: Awaited<ReturnType<typeof readJson>>) =>
  read.ok ? null : [read.response.status, (await read.response.json()).error.path];

describe("reading a body", () => {
  it("gives what fits", async () => {
    expect(await readJson(request('{"name":"a"}'), 100, schema)).toEqual({ ok: true, value: { name: "a" } });
  });

  it("refuses what is too long, no JSON, no UTF-8, or of another form, naming the field", async () => {
    expect(await problem(await readJson(request("x".repeat(200)), 100, schema))).toEqual([413, "body"]);
    expect(await problem(await readJson(request("{"), 100, schema))).toEqual([400, "body"]);
    expect(await problem(await readJson(request(new Uint8Array([0xff, 0xfe])), 100, schema))).toEqual([
      400,
      "body",
    ]);
    expect(await problem(await readJson(request('{"name":1}'), 100, schema))).toEqual([400, "name"]);
  });

  it("refuses what is nested too deep, whatever stands in its texts", async () => {
    const nested = (depth: number) => `${"[".repeat(depth)}${"]".repeat(depth)}`;
    expect([isTooDeep(nested(64)), isTooDeep(nested(65))]).toEqual([false, true]);
    expect(isTooDeep(JSON.stringify({ a: "[".repeat(100), b: '"[[\\', c: [] }), 2)).toBe(false);
    expect(isTooDeep(`[${"[],".repeat(100)}[]]`, 2)).toBe(false);
    expect(isTooDeep(`"${"[".repeat(100)}`, 2)).toBe(false);
    const deep = `{"name":${nested(100_000)}}`;
    expect(await problem(await readJson(request(deep), 1_000_000, schema))).toEqual([400, "body"]);
  });

  it("does not trust a stated length", async () => {
    const stream = new ReadableStream({
      start(controller) {
        for (let chunk = 0; chunk < 5; chunk++) controller.enqueue(new Uint8Array(50));
        controller.close();
      },
    });
    const lying = new Request("http://127.0.0.1/x", {
      method: "POST",
      body: stream,
      duplex: "half",
    } as RequestInit);
    expect((await readBytes(lying, 100)).ok).toBe(false);
  });
});

describe("Host and Origin", () => {
  const ask = (method: string, headers: Record<string, string>) =>
    judge({ method, headers } as never, loopbackHosts(3210))?.path ?? null;

  it.each([
    ["GET", { host: "127.0.0.1:3210" }, null],
    ["GET", { host: "localhost:3210" }, null],
    ["GET", { host: "[::1]:3210" }, null],
    ["GET", { host: "127.0.0.1:80" }, "Host"],
    ["GET", { host: "lantern.example:3210" }, "Host"],
    ["GET", {}, "Host"],
    ["POST", { host: "127.0.0.1:3210" }, null],
    ["POST", { host: "127.0.0.1:3210", origin: "http://127.0.0.1:3210" }, null],
    ["POST", { host: "127.0.0.1:3210", origin: "http://evil.example" }, "Origin"],
    ["POST", { host: "127.0.0.1:3210", origin: "null" }, "Origin"],
    ["POST", { host: "127.0.0.1:3210", "sec-fetch-site": "cross-site" }, "Origin"],
    ["DELETE", { host: "127.0.0.1:3210", origin: "https://127.0.0.1:3210" }, "Origin"],
    ["GET", { host: "127.0.0.1:3210", upgrade: "websocket", origin: "http://evil.example" }, "Origin"],
  ] as [string, Record<string, string>, string | null][])("%s %j: %s", (method, headers, expected) =>
    expect(ask(method, headers)).toBe(expected),
  );

  it("holds a listener on the network to its own addresses and scheme", () => {
    const at = (headers: Record<string, string>, scheme: "http" | "https") =>
      judge({ method: "POST", headers } as never, ["10.0.0.7:3211"], scheme)?.path ?? null;
    const host = "10.0.0.7:3211";
    expect(at({ host, origin: "http://10.0.0.7:3211" }, "http")).toBeNull();
    expect(at({ host, origin: "http://10.0.0.7:3211" }, "https")).toBe("Origin");
    expect(at({ host, origin: "http://127.0.0.1:3210" }, "http")).toBe("Origin");
    expect(at({ host: "lantern.example:3211" }, "http")).toBe("Host");
  });
});
