/**
 * The program's own server around Next: a loopback listener, and one for the network that the leader opens and closes. It
 * holds the lock on the data folder, checks Host and Origin, asks the gate who a request comes from before anything else
 * is asked, and closes the database when it is told to stop.
 */

import { mkdirSync, realpathSync } from "node:fs";
import { createServer } from "node:http";
import path from "node:path";
import { lockFolder } from "./scripts/lib/lock.mjs";
import { makeNetwork } from "./scripts/lib/network.mjs";
import { judge, loopbackHosts } from "./scripts/lib/origin.mjs";

process.env.NEXT_MANUAL_SIG_HANDLE = "true";
process.env.NEXT_TELEMETRY_DISABLED = "1";
const dev = process.argv.includes("--dev");
const secure = process.argv.includes("--https");
const closed = process.argv.includes("--closed");
process.env.NODE_ENV ??= dev ? "development" : "production";
const hostname = "127.0.0.1";
const port = Number(process.env.PORT ?? 3210);

const say = (sentence) => process.stderr.write(`${sentence}\n`);

if (!Number.isInteger(port) || port < 1 || port > 65534) {
  say(`PORT is ${JSON.stringify(process.env.PORT)}; it should be a number from 1 to 65534.`);
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

// Opening the database takes as long as getting Next ready: it is begun first. Whoever asks for it meets what went wrong.
const { PGlite } = await import("@electric-sql/pglite");
const client = new PGlite(path.join(folder, "postgres"));
client.waitReady.catch(() => {});
globalThis.lanternClient = { folder, client };
const { default: next } = await import("next");

let handle = null;
let upgrade = null;
let ready;
const waiting = new Promise((resolve) => {
  ready = resolve;
});

const refuse = (response, status, error) => {
  response.writeHead(status, { "content-type": "application/json" });
  response.end(JSON.stringify({ error }));
};

/** The gate, which src/server/start.ts brings once the database is being opened: a moment after Next says it is prepared. */
const gate = new Promise((resolve) => {
  globalThis.lanternSetGate = resolve;
});

/** Asks the gate who a request comes from. */
const admit = async (request, from) => {
  const { pathname } = new URL(request.url, "http://lantern");
  return (await gate).admit({
    method: request.method,
    path: pathname,
    cookie: request.headers.cookie ?? "",
    from,
  });
};

const PLAIN_WHERE_SECURE = /^\/(?:join\/trust|lantern-ca\.crt|_next\/static\/.*|icon\.svg)$/u;

/** Answers a request that came in by a listener. */
async function answer(request, response, { from, hosts, scheme }) {
  // What only the gate may say is thrown away when it comes from outside.
  for (const name of Object.keys(request.headers))
    if (name.startsWith("x-lantern-")) delete request.headers[name];
  const verdict = judge(request, hosts, scheme);
  if (verdict) return refuse(response, 403, verdict);
  response.setHeader("x-content-type-options", "nosniff");
  response.setHeader("referrer-policy", "same-origin");
  response.setHeader("x-frame-options", "DENY");
  await waiting;
  if (from === "network-plain" && !PLAIN_WHERE_SECURE.test(request.url.split("?")[0])) {
    response.writeHead(303, { location: "/join/trust" });
    return response.end();
  }
  try {
    const verdict = await admit(request, from === "here" ? "here" : "network");
    if (!verdict.ok && verdict.location) {
      response.writeHead(303, { location: verdict.location });
      return response.end();
    }
    if (!verdict.ok) return refuse(response, verdict.status, { path: "who", message: verdict.message });
    Object.assign(request.headers, verdict.headers, {
      "x-lantern-address": request.socket.remoteAddress ?? "",
    });
  } catch (error) {
    say(`The gate could not look at a request: ${error.message}`);
    return refuse(response, 503, { path: "who", message: "could not be looked up; try again" });
  }
  return handle(request, response);
}

const server = createServer((request, response) =>
  answer(request, response, { from: "here", hosts: loopbackHosts(port), scheme: "http" }),
);

server.on("upgrade", (request, socket, head) => {
  if (judge(request, loopbackHosts(port))) socket.destroy();
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

/** Loaded only where it is wanted: making certificates takes a library that nobody else needs. */
async function certificateFor(names, addresses) {
  if (!secure) return null;
  const { authorityIn, makeServerCertificate } = await import("./scripts/lib/certificate.mjs");
  return makeServerCertificate(authorityIn(folder, names, addresses), names, addresses);
}

const network = makeNetwork(answer, certificateFor);
globalThis.lanternNetwork = { ...network, firstPort: port + 1, secure };

server.listen(port, hostname, async () => {
  try {
    const app = next({ dev, dir: import.meta.dirname, hostname, port });
    await app.prepare();
    handle = app.getRequestHandler();
    upgrade = app.getUpgradeHandler();
    const opened = await (await gate).reopen({ closed });
    if (opened) process.stdout.write(`The evening is open to the network again, at port ${opened.port}.\n`);
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
    await network.close();
    await globalThis.lanternClose?.().catch(() => {});
    process.exit(0);
  });
}
