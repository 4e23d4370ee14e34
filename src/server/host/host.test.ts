import { mkdtempSync, rmSync, utimesSync, writeFileSync } from "node:fs";
import type { IncomingMessage, ServerResponse } from "node:http";
import { tmpdir } from "node:os";
import path from "node:path";
import { afterEach, describe, expect, it, vi } from "vitest";
import { clockFrom, runningClock } from "./clock";
import { makeDoor } from "./door";
import { heldOnHost, host, onHost, setHost } from "./host";
import type { Admission, AtTheGate, Gate } from "./host-gate";
import { readOptions } from "./host-options";
import { lockFolder } from "./lock";

describe("options", () => {
  it("are read off flags and environment", () => {
    expect(readOptions(["--https"], { PORT: "4000", LANTERN_DATA: "/tmp/lamp" })).toEqual({
      dev: false,
      secure: true,
      closed: false,
      port: 4000,
      folder: "/tmp/lamp",
    });
    expect(readOptions([], {})).toMatchObject({ port: 3210, folder: path.resolve("data") });
  });

  it.each(["0", "65535", "-1", "12.5", "lamp", ""])("refuse the port %j with a sentence", (PORT) => {
    expect(readOptions([], { PORT })).toBe(
      `PORT is ${JSON.stringify(PORT)}; it should be a number from 1 to 65534.`,
    );
  });
});

describe("the clock", () => {
  it("runs on by running time, whatever becomes of the system's", () => {
    let [system, running] = [1_000_000, 50];
    const clock = runningClock(
      () => system,
      () => running,
    );
    expect(clock()).toBe(1_000_000);
    system -= 3_600_000;
    running += 20;
    expect(clock()).toBe(1_000_020);
    system += 90 * 3_600_000;
    expect(clock()).toBe(1_000_020);
  });

  it("that was set back while nothing ran goes on from what has been", () => {
    let now = 5000;
    const clock = clockFrom(9000, () => now);
    expect(clock()).toBe(9000);
    now += 70;
    expect(clock()).toBe(9070);
    expect(clockFrom(4000, () => now)()).toBe(5070);
  });
});

describe("the lock on a folder", () => {
  const folder = () => mkdtempSync(path.join(tmpdir(), "lantern-lock-"));
  const elsewhere = (at: string) =>
    writeFileSync(
      path.join(at, "lock.json"),
      JSON.stringify({ token: "theirs", where: "another container" }),
    );

  it("is held by one process at a time", async () => {
    const at = folder();
    expect(await lockFolder(at)).toBe(true);
    expect(await lockFolder(at)).toBe(false);
    rmSync(at, { recursive: true });
  });

  it("is held by one in another container, as long as it says so", async () => {
    const at = folder();
    elsewhere(at);
    const beat = setInterval(() => utimesSync(path.join(at, "lock.json"), new Date(), new Date()), 150);
    expect(await lockFolder(at, () => {}, 1200)).toBe(false);
    clearInterval(beat);
    rmSync(at, { recursive: true });
  });

  it("is taken over from one that has said nothing for long, and told to one that comes back", async () => {
    const at = folder();
    elsewhere(at);
    const lost = vi.fn();
    expect(await lockFolder(at, lost, 400)).toBe(true);
    await new Promise((resolve) => setTimeout(resolve, 1200));
    expect(lost).not.toHaveBeenCalled();
    elsewhere(at);
    await vi.waitFor(() => expect(lost).toHaveBeenCalledTimes(1), 3000);
    rmSync(at, { recursive: true });
  });
});

describe("the host", () => {
  const before = host();
  afterEach(() => setHost(before));

  it("keeps a value once a process, whoever asks first", () => {
    setHost({ network: null, store: null, takeGate: () => {}, clock: Date.now, kept: new Map() });
    let made = 0;
    const ask = () => onHost("lamps", () => new Set([made++]));
    expect(ask()()).toBe(ask()());
    expect(made).toBe(1);
    const [here, there] = [heldOnHost<string>("wick"), heldOnHost<string>("wick")];
    expect(there.now).toBeNull();
    here.now = "lit";
    expect(there.now).toBe("lit");
    setHost({ network: null, store: null, takeGate: () => {}, clock: Date.now, kept: new Map() });
    expect(here.now).toBeNull();
  });
});

describe("the door", () => {
  const HOSTS = ["127.0.0.1:3210"];
  type Come = {
    readonly url?: string;
    readonly method?: string;
    readonly headers?: Record<string, string>;
    readonly from?: "here" | "network" | "network-plain";
  };
  /** Lets a request in by a door with a gate that says `admission`, and tells what came of it. */
  async function come(
    admission: Admission | Error,
    { url = "/", method = "GET", headers = {}, from = "here" }: Come = {},
  ) {
    const asked: AtTheGate[] = [];
    const said: string[] = [];
    const gate: Gate = {
      admit: async (request) => {
        asked.push(request);
        if (admission instanceof Error) throw admission;
        return admission;
      },
      reopen: async () => null,
      close: async () => {},
    };
    const out = { status: 200, headers: {} as Record<string, string>, body: "", answered: false };
    const request = {
      url,
      method,
      headers: { host: HOSTS[0]!, ...headers } as Record<string, string>,
      socket: { remoteAddress: "10.0.0.9" },
    };
    const response = {
      setHeader: (name: string, value: string) => {
        out.headers[name] = value;
      },
      writeHead: (status: number, more: Record<string, string>) => {
        out.status = status;
        Object.assign(out.headers, more);
      },
      end: (text = "") => {
        out.body = text;
      },
    };
    const handle = Promise.resolve(() => {
      out.answered = true;
    });
    const door = makeDoor(Promise.resolve(gate), handle, (sentence) => said.push(sentence));
    await door(request as unknown as IncomingMessage, response as unknown as ServerResponse, {
      from,
      hosts: HOSTS,
      scheme: "http",
    });
    return { ...out, asked, said, passed: request.headers };
  }
  const leader: Admission = { ok: true, headers: { "x-lantern-role": "leader" } };

  it("writes on a request what the gate found, and throws away what came from outside by these names", async () => {
    const { answered, passed, headers } = await come(leader, {
      headers: { "x-lantern-role": "viewer", "x-lantern-guest": "g", cookie: "lantern=t" },
    });
    expect(answered).toBe(true);
    expect(passed).toMatchObject({ "x-lantern-role": "leader", "x-lantern-address": "10.0.0.9" });
    expect(passed["x-lantern-guest"]).toBeUndefined();
    expect(headers).toMatchObject({ "x-frame-options": "DENY", "x-content-type-options": "nosniff" });
  });

  it("answers what can't be read, or is too long, with a sentence, and asks nobody", async () => {
    for (const url of ["/song/%E0%A4%A", "/%", "http://[::bad"]) {
      const { status, body, answered, asked } = await come(leader, { url });
      expect([status, answered, asked]).toEqual([400, false, []]);
      expect(JSON.parse(body).error.message).toContain("can't be read");
    }
    const long = await come(leader, { method: "POST", headers: { "content-length": "300000000" } });
    expect([long.status, long.answered, long.headers.connection]).toEqual([413, false, "close"]);
    const endless = await come(leader, { method: "POST", headers: { "transfer-encoding": "chunked" } });
    expect([endless.status, endless.answered]).toEqual([411, false]);
  });

  it("reads the path once: what gets by plain is what the gate is asked about", async () => {
    const url = "/_next/static/../../api/backup";
    const { status, headers, answered } = await come(leader, { url, from: "network-plain" });
    expect([status, headers.location, answered]).toEqual([303, "/join/trust", false]);
  });

  it("lets a page run only scripts with this answer's nonce, and no other site frame it", async () => {
    const policyOf = async () => (await come(leader)).headers["content-security-policy"]!;
    const [one, other] = [await policyOf(), await policyOf()];
    expect(one).not.toBe(other);
    expect(one).toMatch(/script-src 'self' 'wasm-unsafe-eval' 'nonce-[\w+/=]{24}';/u);
    expect(one).not.toMatch(/script-src[^;]*'unsafe/u);
    expect(one).toContain("frame-ancestors 'none'");
    // What came from outside by this name does not reach the page's scripts.
    const { passed, headers } = await come(leader, {
      headers: { "content-security-policy": "script-src 'nonce-mine'" },
    });
    expect(passed["content-security-policy"]).toBe(headers["content-security-policy"]);
  });

  it("tells the gate the path without its question, and where the request came from", async () => {
    const { asked } = await come(leader, {
      url: "/api/shelf?q=x",
      from: "network",
      headers: { cookie: "c" },
    });
    expect(asked).toEqual([{ method: "GET", path: "/api/shelf", cookie: "c", from: "network" }]);
  });

  it("asks nobody about a request for another host, or one that another site's page makes", async () => {
    const other = await come(leader, { headers: { host: "evil.example" } });
    expect([other.status, other.answered, other.asked]).toEqual([403, false, []]);
    const page = await come(leader, { method: "POST", headers: { origin: "http://evil.example" } });
    expect([page.status, JSON.parse(page.body).error.path]).toEqual([403, "Origin"]);
  });

  it("sends away with a sentence, or to where one joins", async () => {
    const out = await come({ ok: false, status: 401, message: "Join first.", location: null });
    expect([out.status, JSON.parse(out.body)]).toEqual([
      401,
      { error: { path: "who", message: "Join first." } },
    ]);
    const page = await come({ ok: false, status: 401, message: "", location: "/join" });
    expect([page.status, page.headers.location]).toEqual([303, "/join"]);
  });

  it("lets nothing in while the gate can't look, and says so", async () => {
    const { status, answered, said } = await come(new Error("database gone"));
    expect([status, answered]).toEqual([503, false]);
    expect(said).toEqual(["The gate could not look at a request: database gone"]);
  });

  it("gives over plain HTTP, where the line is encrypted, only how one comes to trust it", async () => {
    expect((await come(leader, { from: "network-plain", url: "/live/e" })).headers.location).toBe(
      "/join/trust",
    );
    for (const url of ["/join/trust", "/lantern-ca.crt", "/_next/static/a.js?x", "/icon.svg"])
      expect((await come(leader, { from: "network-plain", url })).answered, url).toBe(true);
  });
});
