/**
 * The program's own server: a loopback listener around Next. It holds the lock on the data folder, checks
 * Host and Origin before anything else is asked, and closes the database when it is told to stop.
 */

import { mkdirSync, realpathSync } from "node:fs";
import { createServer } from "node:http";
import path from "node:path";
import next from "next";
import { lockFolder } from "./scripts/lib/lock.mjs";
import { judge } from "./scripts/lib/origin.mjs";

process.env.NEXT_MANUAL_SIG_HANDLE = "true";
process.env.NEXT_TELEMETRY_DISABLED = "1";
const dev = process.argv.includes("--dev");
process.env.NODE_ENV ??= dev ? "development" : "production";
const hostname = "127.0.0.1";
const port = Number(process.env.PORT ?? 3210);

const say = (sentence) => process.stderr.write(`${sentence}\n`);

if (!Number.isInteger(port) || port < 1 || port > 65535) {
  say(`PORT is ${JSON.stringify(process.env.PORT)}; it should be a number from 1 to 65535.`);
  process.exit(2);
}

const folder = path.resolve(process.env.LANTERN_DATA ?? "data");
try {
  mkdirSync(folder, { recursive: true });
} catch (error) {
  say(
    `The data folder ${folder} can't be made (${error.code}). Nothing was changed. Set LANTERN_DATA to a folder that can be written.`,
  );
  process.exit(1);
}
const lock = await lockFolder(realpathSync(folder));
if (!lock) {
  say(
    `The data folder ${folder} is in use by another Shared Lantern. Close that one first, or set LANTERN_DATA to another folder.`,
  );
  process.exit(1);
}

let handle = null;
let upgrade = null;
let ready;
const waiting = new Promise((resolve) => {
  ready = resolve;
});

const server = createServer(async (request, response) => {
  const verdict = judge(request, port);
  if (verdict) {
    response.writeHead(403, { "content-type": "application/json" });
    response.end(JSON.stringify({ error: verdict }));
    return;
  }
  response.setHeader("x-content-type-options", "nosniff");
  response.setHeader("referrer-policy", "same-origin");
  response.setHeader("x-frame-options", "DENY");
  await waiting;
  handle(request, response);
});

server.on("upgrade", (request, socket, head) => {
  if (judge(request, port)) socket.destroy();
  else upgrade?.(request, socket, head);
});

server.on("error", (error) => {
  say(
    error.code === "EADDRINUSE"
      ? `Port ${port} is in use. Close the program that holds it, or choose another: PORT=${port + 1} npm run demo`
      : `The server could not listen on ${hostname}:${port} (${error.code}).`,
  );
  process.exit(1);
});

server.listen(port, hostname, async () => {
  try {
    const app = next({ dev, dir: import.meta.dirname, hostname, port });
    await app.prepare();
    handle = app.getRequestHandler();
    upgrade = app.getUpgradeHandler();
  } catch (error) {
    say(
      `The program could not start: ${error.message}\nNothing was changed. If there is no finished build, npm run demo makes one.`,
    );
    process.exit(1);
  }
  ready();
  process.stdout.write(`Shared Lantern is lit: http://${hostname}:${port}\n`);
});

let stopping = false;
for (const signal of ["SIGINT", "SIGTERM"]) {
  process.on(signal, async () => {
    if (stopping) return;
    stopping = true;
    server.close();
    server.closeAllConnections();
    await globalThis.lanternClose?.().catch(() => {});
    process.exit(0);
  });
}
