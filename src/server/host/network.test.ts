import { connect, type Socket } from "node:net";
import { connect as connectTls } from "node:tls";
import { afterEach, describe, expect, it } from "vitest";
import { makeAuthority, makeServerCertificate } from "./certificate";
import { makeNetwork } from "./network";
import type { Patience } from "./patience";

const QUICK: Patience = { headMs: 150, bodyMs: 300, mostLines: 6 };

let close = async () => {};
afterEach(() => close());

/** A listener that reads what it is sent and says how much it was. */
async function listen({ secure = false, patience = QUICK }: { secure?: boolean; patience?: Patience } = {}) {
  const names = ["localhost"];
  const certificate = secure ? makeServerCertificate(makeAuthority(names), names, ["127.0.0.1"]) : null;
  const network = makeNetwork(
    async (request, response) => {
      let size = 0;
      try {
        for await (const chunk of request) size += chunk.length;
      } catch {
        return;
      }
      if (request.url === "/open") {
        response.write("still ");
        setTimeout(() => response.end("lit"), 3 * patience.headMs);
      } else response.end(`read ${size}`);
    },
    async () => certificate,
    patience,
  );
  close = network.close;
  return (await network.openAt(42_000 + Math.floor(Math.random() * 9000), 500)).port;
}

/** A line, what came on it, and whether it has ended after so many ms. */
function line(port: number, text: string, how: (port: number) => Socket = (at) => connect(at, "127.0.0.1")) {
  const socket = how(port);
  let came = "";
  const ended = new Promise<void>((resolve) => socket.on("close", () => resolve()));
  socket.on("error", () => {});
  socket.on("data", (chunk) => {
    came += chunk;
  });
  socket.write(text);
  return {
    socket,
    came: () => came,
    ended: ended.then(() => true),
    hasEnded: (ms: number) =>
      Promise.race([ended.then(() => true), new Promise((resolve) => setTimeout(() => resolve(false), ms))]),
  };
}
const tls = (port: number) => connectTls({ port, host: "127.0.0.1", rejectUnauthorized: false });

describe("the network's listener", () => {
  it("ends lines on which nothing comes, half a head, or half a body: plain and encrypted", async () => {
    const half = [
      "GET / HTTP/1.1\r\nHost: a",
      "POST / HTTP/1.1\r\nHost: a\r\nContent-Length: 50\r\n\r\nten signs.",
      "POST / HTTP/1.1\r\nHost: a\r\nTransfer-Encoding: chunked\r\n\r\n5\r\nhello\r\n",
    ];
    for (const secure of [false, true]) {
      const port = await listen({ secure });
      const lines = [...half.map((text) => line(port, text, secure ? tls : undefined)), line(port, "")];
      for (const one of lines) expect(await one.hasEnded(2000)).toBe(true);
      await close();
    }
  });

  it("does not end a line that drips: the time is for the whole of it", async () => {
    const port = await listen();
    const dripping = line(port, "GET / HTTP/1.1\r\n");
    const drip = setInterval(() => dripping.socket.write("X: y\r\n"), 40);
    expect(await dripping.hasEnded(2000)).toBe(true);
    clearInterval(drip);
  });

  it("answers who asks in time, again on the same line, and lets an open answer last", async () => {
    const port = await listen();
    const asking = line(port, "POST / HTTP/1.1\r\nHost: a\r\nContent-Length: 3\r\n\r\nabc");
    await new Promise((resolve) => setTimeout(resolve, 60));
    asking.socket.write("GET / HTTP/1.1\r\nHost: a\r\n\r\n");
    await new Promise((resolve) => setTimeout(resolve, 60));
    expect(asking.came()).toMatch(/read 3[\s\S]*read 0/u);
    const open = line(port, "GET /open HTTP/1.1\r\nHost: a\r\n\r\n");
    expect(await open.hasEnded(2 * QUICK.headMs)).toBe(false);
    await new Promise((resolve) => setTimeout(resolve, 2 * QUICK.headMs));
    expect(open.came()).toMatch(/still [\s\S]*lit/u);
  });

  it("lets one address hold so many lines, and more once some have ended", async () => {
    const port = await listen({ patience: { ...QUICK, headMs: 1000 } });
    const held = Array.from({ length: QUICK.mostLines }, () => line(port, ""));
    await new Promise((resolve) => setTimeout(resolve, 100));
    expect(await line(port, "").hasEnded(500)).toBe(true);
    held[0]!.socket.destroy();
    await held[0]!.ended;
    await new Promise((resolve) => setTimeout(resolve, 50));
    const again = line(port, "GET / HTTP/1.1\r\nHost: a\r\n\r\n");
    await new Promise((resolve) => setTimeout(resolve, 200));
    expect(again.came()).toContain("read 0");
    for (const { socket } of [...held, again]) socket.destroy();
  });
});
